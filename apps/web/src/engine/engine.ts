import { filmFrame, type Bits, type Frame, type Recipe, type Shown } from '@brachytone/core';
import type { Remote } from 'comlink';
import { lanes, type Lane } from './lanes.ts';
import { FIRST } from './ranks.ts';
import type { DrawRequest, WorkerApi } from './worker.ts';

interface Waiting {
  readonly rank: number;
  readonly lane: Lane | undefined;
  readonly start: (lane: Lane) => void;
}
const waiting: Waiting[] = [];

/** The next of the waiting jobs that a lane may do: the first of the highest rank. */
function nextFor(lane: Lane): Waiting | undefined {
  const mine = waiting.filter((job) => !job.lane || job.lane === lane);
  const next = mine.reduce<Waiting | undefined>(
    (best, job) => (best && best.rank >= job.rank ? best : job),
    undefined,
  );
  if (next) waiting.splice(waiting.indexOf(next), 1);
  return next;
}

/**
 * Runs work in the next free worker; what has a higher rank goes before the rest.
 *
 * @param end 0 or 1 for the one worker that keeps what it made of the upper or lower end of a sheet; any when missing
 */
export function inWorker<Result>(
  work: (worker: Remote<WorkerApi>) => Promise<Result>,
  rank: number = FIRST,
  end?: 0 | 1,
): Promise<Result> {
  return new Promise((resolve, reject) => {
    const start = (lane: Lane) => {
      lane.busy = true;
      work(lane.remote)
        .then(resolve, reject)
        .finally(() => {
          lane.busy = false;
          nextFor(lane)?.start(lane);
        });
    };
    const wanted = end === undefined ? undefined : lanes[end];
    const free = wanted ? (wanted.busy ? undefined : wanted) : lanes.find((lane) => !lane.busy);
    if (free) start(free);
    else waiting.push({ rank, lane: wanted, start });
  });
}

/** Draws a part of a view, in the worker of that end of the sheet. */
export const draw = (request: DrawRequest, rank: number, end: 0 | 1): Promise<Shown> =>
  inWorker((worker) => worker.draw(request), rank, end);

/** Makes sequential plates a little further; true when they have come down to the row. */
export const prepare = (
  recipe: Recipe,
  plates: readonly number[],
  frame: Frame,
  row: number,
  rank: number,
): Promise<boolean> => inWorker((worker) => worker.prepare(recipe, plates, frame, row), rank, 0);

/**
 * The bits this page makes of a plate's whole film, for checks from outside: `brachytone.filmBits(recipe, plate)` in
 * the browser's console gives what a downloaded film must hold.
 */
Object.assign(window, {
  brachytone: {
    filmBits: (recipe: Recipe, plate: number): Promise<Bits> => {
      const frame = filmFrame(recipe);
      const region = { x: 0, y: 0, width: frame.width, height: frame.height };
      return inWorker((worker) => worker.bits(recipe, plate, frame, region));
    },
  },
});

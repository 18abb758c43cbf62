import {
  filmFrame,
  profileTableName,
  type Bits,
  type Frame,
  type Intent,
  type Pyramid,
  type Recipe,
} from '@brachytone/core';
import { wrap, type Remote } from 'comlink';
import type { OriginalView } from '@brachytone/job';
import type { Drawn, DrawRequest, WorkerApi } from './worker.ts';

/** Workers that draw. Two leave the page itself free on small machines and do not fight over memory on large ones. */
const WORKERS = Math.min(4, Math.max(2, navigator.hardwareConcurrency - 1));

interface Lane {
  readonly remote: Remote<WorkerApi>;
  busy: boolean;
}

const lanes: Lane[] = Array.from({ length: WORKERS }, () => ({
  remote: wrap<WorkerApi>(new Worker(new URL('./worker.ts', import.meta.url), { type: 'module' })),
  busy: false,
}));
/** What goes first: a draft, then the exact picture on the table, then what can wait. */
export const FIRST = 2;
export const SECOND = 1;
export const LAST = 0;

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

type Listener = () => void;
const listeners = new Set<Listener>();
const states = new Map<string, 'loading' | 'small' | 'whole' | 'failed'>();
let version = 0;

async function keep(sha256: string, pyramid: Pyramid, state: 'small' | 'whole'): Promise<void> {
  if (states.get(sha256) === 'whole') return;
  await Promise.all(lanes.map(({ remote }) => remote.keepPicture(sha256, pyramid)));
  states.set(sha256, state);
  tell();
}

function tell(): void {
  version++;
  for (const listener of listeners) listener();
}

/** Pictures, drawings and typefaces in the workers: what has arrived of each. */
export const pictures = {
  /** Sees to it that one arrives; a picture small first. */
  want(original: OriginalView): void {
    const { sha256, width, height, smallLevel, kind } = original;
    const state = states.get(sha256);
    if (state && state !== 'failed') return;
    states.set(sha256, 'loading');
    const run = async () => {
      if (kind === 'font') {
        const font = await lanes[0].remote.fetchFont(sha256);
        await Promise.all(lanes.map(({ remote }) => remote.keepFont(sha256, font)));
        states.set(sha256, 'whole');
        tell();
        return;
      }
      if (kind === 'profile') {
        // What it gives is fetched as a separation.
        states.set(sha256, 'whole');
        tell();
        return;
      }
      if (kind === 'drawing') {
        const drawing = await lanes[0].remote.fetchDrawing(sha256);
        await Promise.all(lanes.map(({ remote }) => remote.keepDrawing(sha256, drawing)));
        states.set(sha256, 'whole');
        tell();
        return;
      }
      if (smallLevel > 0) {
        await keep(sha256, await lanes[0].remote.fetchSmall(sha256, width, height, smallLevel), 'small');
      }
      await keep(sha256, await lanes[lanes.length - 1].remote.fetchWhole(sha256), 'whole');
    };
    run().catch(() => {
      states.set(sha256, 'failed');
      tell();
    });
  },
  /** Sees to it that a separation by a profile arrives. */
  wantTable(profile: string, intent: Intent, compensate: boolean): void {
    const name = profileTableName(profile, intent, compensate);
    const state = states.get(name);
    if (state && state !== 'failed') return;
    states.set(name, 'loading');
    lanes[0].remote
      .fetchTable(profile, intent, compensate)
      .then((table) => Promise.all(lanes.map(({ remote }) => remote.keepTable(name, table))))
      .then(
        () => states.set(name, 'whole'),
        () => states.set(name, 'failed'),
      )
      .finally(tell);
  },
  stateOf: (sha256: string) => states.get(sha256),
  subscribe(listener: Listener): () => void {
    listeners.add(listener);
    return () => listeners.delete(listener);
  },
  /** Changes whenever anything arrives. */
  version: () => version,
};

/** Draws a part of a view, in the worker of that end of the sheet. */
export const draw = (request: DrawRequest, rank: number, end: 0 | 1): Promise<Drawn> =>
  inWorker((worker) => worker.draw(request), rank, end);

/** Makes plates that carry something on from row to row, a little further; true when they have come down to the row. */
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

import { filmFrame, type Bits, type Frame, type Recipe, type Shown } from '@brachytone/core';
import type { Remote } from 'comlink';
import { lanes, type Lane } from './lanes.ts';
import { FIRST } from './ranks.ts';
import type { DrawRequest, WorkerApi } from './worker.ts';

interface Waiting {
  readonly rank: number;
  readonly lane: Lane | undefined;
  /** Most that a worker may have been given when it is given this, too. */
  readonly most: number;
  readonly start: (lane: Lane) => void;
  readonly refuse: (reason: Error) => void;
}

type Work<Result> = (worker: Remote<WorkerApi>, lane: Lane) => Promise<Result>;

/** Who does some work, and when. */
export interface Wish {
  /** What has a higher rank goes before the rest. */
  readonly rank?: number;
  /** 0 or 1 for the one worker that keeps what it made of the upper or lower end of a sheet; any when missing. */
  readonly end?: 0 | 1;
  /** True for small pieces of much: one is given to a worker while it is at another, so that it does not wait for the page in between. */
  readonly ahead?: boolean;
}

/** Shares work out to workers. It ends with `dispose`. */
export class Engine {
  private readonly waiting: Waiting[] = [];
  /** Told once no worker has anything to do. */
  private readonly resting = new Set<() => void>();

  constructor(private readonly lanes: readonly Lane[]) {}

  /** Runs work in the next free worker. */
  run<Result>(work: Work<Result>, { rank = FIRST, end, ahead = false }: Wish = {}): Promise<Result> {
    return new Promise((resolve, refuse) => {
      const start = (lane: Lane) => {
        lane.given++;
        work(lane.remote, lane)
          .then(resolve, refuse)
          .finally(() => {
            lane.given--;
            for (let next = this.nextFor(lane); next; next = this.nextFor(lane)) next.start(lane);
            if (this.rests()) for (const told of this.resting) told();
          });
      };
      const most = ahead ? 1 : 0;
      const wanted = end === undefined ? undefined : this.lanes[end];
      const free = (wanted ? [wanted] : this.lanes).find(({ given }) => given <= most);
      const isNext = this.waiting.every((one) => one.rank < rank || (one.lane && one.lane !== free));
      if (free && isNext) start(free);
      else this.waiting.push({ rank, lane: wanted, most, start, refuse });
    });
  }

  /** Until no worker has anything to do; no longer than so many ms. */
  async rest(most: number): Promise<void> {
    if (this.rests()) return;
    await new Promise<void>((resolve) => {
      const told = (): void => {
        clearTimeout(timer);
        this.resting.delete(told);
        resolve();
      };
      const timer = setTimeout(told, most);
      this.resting.add(told);
    });
  }

  /** Ends the workers; what waits for one is refused. */
  dispose(): void {
    for (const { refuse } of this.waiting.splice(0)) refuse(new Error('The workers have been ended.'));
    for (const lane of this.lanes) lane.end();
  }

  private rests(): boolean {
    return this.waiting.length === 0 && this.lanes.every(({ given }) => given === 0);
  }

  /** The next of the waiting jobs that a lane may do: the first of the highest rank. */
  private nextFor(lane: Lane): Waiting | undefined {
    const mine = this.waiting.filter((job) => !job.lane || job.lane === lane);
    const next = mine.reduce<Waiting | undefined>(
      (best, job) => (best && best.rank >= job.rank ? best : job),
      undefined,
    );
    // What goes first and may not be given ahead keeps its place: nothing of a lower rank slips in before it.
    if (!next || lane.given > next.most) return undefined;
    this.waiting.splice(this.waiting.indexOf(next), 1);
    return next;
  }
}

/** The page's own. */
export const engine = new Engine(lanes);

/** Runs work in the next free worker of the page; see `Engine.run`. */
export const inWorker = <Result>(work: Work<Result>, wish?: Wish): Promise<Result> => engine.run(work, wish);

/** Draws a part of a view, in the worker of that end of the sheet. */
export const draw = (request: DrawRequest, wish: Wish): Promise<Shown> =>
  inWorker((worker, { recipes }) => {
    const { number, isNew } = recipes.numberOf(request.recipe);
    // Messages keep their order: it is there before it is drawn by.
    if (isNew) void worker.keepRecipe(number, request.recipe);
    return worker.draw({ ...request, recipe: number });
  }, wish);

/** Makes sequential plates a little further; true when they have come down to the row. */
export const prepare = (
  recipe: Recipe,
  plates: readonly number[],
  frame: Frame,
  row: number,
  rank: number,
): Promise<boolean> => inWorker((worker) => worker.prepare(recipe, plates, frame, row), { rank, end: 0 });

/**
 * The bits this page makes of a plate's whole film, for checks from outside: `brachytone.filmBits(recipe, plate)` in
 * the browser's console gives what a downloaded film must hold.
 */
if (typeof window !== 'undefined') {
  Object.assign(window, {
    brachytone: {
      filmBits: (recipe: Recipe, plate: number): Promise<Bits> => {
        const frame = filmFrame(recipe);
        const region = { x: 0, y: 0, width: frame.width, height: frame.height };
        return inWorker((worker) => worker.bits(recipe, plate, frame, region));
      },
    },
  });
}

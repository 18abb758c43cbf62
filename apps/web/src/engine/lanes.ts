import { wrap, type Remote } from 'comlink';
import { KeptRecipes } from './kept-recipes.ts';
import type { WorkerApi } from './worker.ts';

/** Workers that draw: one fewer than there are cores, for the page itself; at least two, and four at most, so that they do not fight over memory. */
const WORKERS = Math.min(4, Math.max(2, navigator.hardwareConcurrency - 1));

/** A worker, and how much work it has been given. */
export interface Lane {
  readonly remote: Remote<WorkerApi>;
  /** What it has been sent of what is drawn. */
  readonly recipes: KeptRecipes;
  given: number;
  /** Ends the worker. */
  readonly end: () => void;
}

/** Starts a worker. */
export function startLane(): Lane {
  const worker = new Worker(new URL('./worker.ts', import.meta.url), { type: 'module' });
  return {
    remote: wrap<WorkerApi>(worker),
    recipes: new KeptRecipes(),
    given: 0,
    end: () => worker.terminate(),
  };
}

/** The workers, started before anything else of the program: a job shows nothing until they run. */
export const lanes: readonly Lane[] = Array.from({ length: WORKERS }, startLane);

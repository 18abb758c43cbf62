import { Problem } from '../http/problem.ts';
import type { RunRow } from './run-rows.service.ts';

/** Has runs made, by this server or by workers. */
export interface FilmQueue {
  /** Goes on with what was left. */
  begin(): Promise<void>;
  /** Has the films of a run made that was just asked for. */
  add(run: Pick<RunRow, 'id' | 'films'>): Promise<void>;
  /** Stops what is being made of a run. */
  stop(id: string): Promise<void>;
  close(): Promise<void>;
}

export const FILM_QUEUE = Symbol('film queue');

/** What a run that went wrong says. */
const NOT_MADE = 'The films could not be made. The job itself is unharmed; try again.';

/** Why films could not be made, for the person at the screen. */
export const problemOf = (error: unknown): string => (error instanceof Problem ? error.message : NOT_MADE);

/** A run whose maker did not survive so often is not begun again. */
export const MOST_ATTEMPTS = 3;

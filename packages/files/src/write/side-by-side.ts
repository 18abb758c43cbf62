import { beginTask, endTasks } from '@brachytone/core';
import type { MadeFilm } from './whole-file.ts';

/**
 * Makes a strip of each file in turn, for they need the same part of the picture at the same time.
 *
 * @param tell the place of a file, and what share of 1 of it is there, or what was made of it
 */
export function* sideBySide(
  making: readonly Generator<number, MadeFilm>[],
  tell: (at: number, news: number | MadeFilm) => void,
): Generator<undefined, MadeFilm[]> {
  const made: MadeFilm[] = [];
  try {
    for (let open = making.map((_, at) => at); open.length > 0;) {
      beginTask();
      open = open.filter((at) => {
        const next = making[at].next();
        if (next.done) made[at] = next.value;
        tell(at, next.value);
        return !next.done;
      });
      yield;
    }
  } finally {
    endTasks();
  }
  return made;
}

import type { Ink } from './ink.ts';

/**
 * The ink of an id. The schema sees to it that whatever names an ink names one that there is.
 *
 * @throws RangeError when there is none
 */
export function inkOf(inks: readonly Ink[], id: string): Ink {
  const found = inks.find((ink) => ink.id === id);
  if (!found) throw new RangeError(`There is no ink “${id}”.`);
  return found;
}

import type { LengthsIn } from '../words/quantity.ts';

const KEY = 'brachytone.lengths-in';

/** What this browser shows lengths in; mm until somebody chose. */
export function keptLengthsIn(): LengthsIn {
  const kept = typeof localStorage === 'undefined' ? null : localStorage.getItem(KEY);
  return kept === 'picture' || kept === 'film' ? kept : 'mm';
}

/** Keeps it in this browser. */
export function keepLengthsIn(unit: LengthsIn): void {
  localStorage.setItem(KEY, unit);
}

/** CSS pixels of an inch as CSS has it, which is taken for true until somebody measures their screen. */
export const ASSUMED_PPI = 96;
/** What a screen may have, CSS pixels of an inch. */
export const PPI_LIMITS = { least: 50, most: 240 };

const KEY = 'brachytone.screen-ppi';

/** CSS pixels of an inch of this browser's screen, or null where nobody has measured it. */
export function keptPpi(): number | null {
  if (typeof localStorage === 'undefined') return null;
  const kept = Number(localStorage.getItem(KEY));
  return kept >= PPI_LIMITS.least && kept <= PPI_LIMITS.most ? kept : null;
}

/** Keeps it in this browser; null forgets it. */
export function keepPpi(ppi: number | null): void {
  if (ppi === null) localStorage.removeItem(KEY);
  else localStorage.setItem(KEY, String(ppi));
}

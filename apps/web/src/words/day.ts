/** A day in words, as “29 Nov 2026”. */
export const dayWords = (iso: string): string =>
  new Date(iso).toLocaleDateString('en-GB', { day: 'numeric', month: 'short', year: 'numeric' });

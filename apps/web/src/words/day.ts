/** A day in words, as “29 Nov 2026”. */
export const dayWords = (iso: string): string =>
  new Date(iso).toLocaleDateString('en-GB', { day: 'numeric', month: 'short', year: 'numeric' });

/** A moment of the last days in words, as “29 Nov, 14:05”. */
export const momentWords = (iso: string): string =>
  new Date(iso).toLocaleString('en-GB', {
    day: 'numeric',
    month: 'short',
    hour: '2-digit',
    minute: '2-digit',
  });

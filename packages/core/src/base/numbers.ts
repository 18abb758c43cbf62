/** A value kept between two others. */
export const clamp = (value: number, least: number, most: number): number =>
  Math.min(most, Math.max(least, value));

/** A value to so many decimals; never −0. */
export const rounded = (value: number, decimals: number): number => {
  const times = 10 ** decimals;
  return Math.round(value * times) / times + 0;
};

/** The middle one of values in order, the upper of two; 0 of none. */
export function median(values: readonly number[]): number {
  const sorted = [...values].sort((a, b) => a - b);
  return sorted.length === 0 ? 0 : sorted[Math.floor(sorted.length / 2)];
}

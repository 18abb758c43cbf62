/**
 * Share of a halftone that is inked, 0–1, by what it reflects (A. Murray, "Monochrome reproduction in photoengraving", Journal of the Franklin
 * Institute 221, 1936): 1 − R_t of the way from stock to solid, in reflectance.
 */
export const murrayDavies = (tone: number, stock: number, solid: number): number =>
  (stock - tone) / (stock - solid);

/** The same from densities (reflectance 10^−D) above the stock's. */
export const murrayDaviesOfDensities = (tone: number, solid: number): number =>
  (1 - 10 ** -tone) / (1 - 10 ** -solid);

/** XYZ with Y of 100 for white. */
export type Xyz = readonly [number, number, number];

/** The Lab function of a ratio, before its offsets: CIE 15. */
const curved = (ratio: number): number =>
  ratio > (6 / 29) ** 3 ? Math.cbrt(ratio) : ratio / (3 * (6 / 29) ** 2) + 4 / 29;

/**
 * Spot colour tone value, percent (ISO 20654:2017, formula from memory): how far a tone has come from stock to solid, as the eye has it, in
 * three channels that grow evenly with it.
 */
export function spotToneValue(tone: Xyz, stock: Xyz, solid: Xyz, white: Xyz): number {
  const v = (xyz: Xyz): number[] => xyz.map((value, k) => 116 * curved(value / white[k]) - 16);
  const [t, p, s] = [v(tone), v(stock), v(solid)];
  const sum = (a: readonly number[], b: readonly number[]): number =>
    a.reduce((total, value, k) => total + (value - b[k]) ** 2, 0);
  return 100 * Math.sqrt(sum(t, p) / sum(s, p));
}

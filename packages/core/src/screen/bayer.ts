/**
 * The order of an ordered dither, dispersed: each place of the matrix half as large gives one of its quarters in turn.
 *
 * Source: B. E. Bayer, "An optimum method for two-level rendition of continuous-tone pictures", IEEE ICC (1973).
 *
 * @param side a power of 2
 * @returns ranks at y · side + x, 0 inked first
 */
export function bayerRanks(side: number): number[] {
  if (side === 1) return [0];
  const half = side / 2;
  const quarter = bayerRanks(half);
  const within = [
    [0, 2],
    [3, 1],
  ];
  return Array.from({ length: side * side }, (_, i) => {
    const [x, y] = [i % side, Math.floor(i / side)];
    return 4 * quarter[(y % half) * half + (x % half)] + within[Math.floor(y / half)][Math.floor(x / half)];
  });
}

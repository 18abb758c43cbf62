/**
 * Ends of levels that leave a share of the pixels beyond each of them, within a bin's width: tones in percent, at least one apart.
 *
 * @param bins    shares of pixels in equal bins of coverage, from bare to solid
 * @param clipped percent of the pixels that become bare, and as many that become solid
 */
export function levelEnds(bins: readonly number[], clipped: number): { bare: number; solid: number } {
  const beyond = clipped / 100;
  /** Where, in percent, the sum of bins from their first on passes the share; straight within a bin. */
  const passes = (list: readonly number[]): number => {
    let sum = 0;
    for (let i = 0; i < list.length; i++) {
      if (list[i] > 0 && sum + list[i] > beyond)
        return (100 * (i + Math.max(0, beyond - sum) / list[i])) / list.length;
      sum += list[i];
    }
    return 100;
  };
  const bare = Math.min(99, Math.round(10 * passes(bins)) / 10);
  const solid = Math.round(10 * (100 - passes(bins.toReversed()))) / 10;
  return { bare, solid: Math.max(bare + 1, Math.min(100, solid)) };
}

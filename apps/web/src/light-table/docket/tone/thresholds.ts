/** Least distance of neighbouring thresholds, percent. */
const APART = 1;

/** A threshold moved, kept between its neighbours. */
export function moveThreshold(thresholds: readonly number[], at: number, to: number): number[] {
  const least = (thresholds[at - 1] ?? 0) + APART;
  const most = (thresholds[at + 1] ?? 100) - APART;
  return thresholds.map((tone, i) =>
    i === at ? Math.round(Math.min(most, Math.max(least, to)) * 10) / 10 : tone,
  );
}

/** Turns of looking for a zero. */
const TURNS = 3;
/** Share of what is left that each turn gains at least. */
const GAIN = 0.1;

/**
 * Where on the way from one place to another a value passes 0 (regula falsi).
 *
 * @param valueAt of a share of the way, 0–1
 * @param from    the value at 0, and `to` the one at 1: one of them is above 0, the other is not
 * @returns       a share of the way, 0–1
 */
export function zeroBetween(valueAt: (at: number) => number, from: number, to: number): number {
  let low = 0;
  let high = 1;
  let atLow = from;
  let atHigh = to;
  for (let turn = 0; turn < TURNS; turn++) {
    // Where the line between the two ends passes 0, kept off them, so that every turn gains something.
    const span = high - low;
    const straight = low + (span * atLow) / (atLow - atHigh);
    const at = Math.min(high - span * GAIN, Math.max(low + span * GAIN, straight));
    const value = valueAt(at);
    if (value > 0 === from > 0) {
      low = at;
      atLow = value;
    } else {
      high = at;
      atHigh = value;
    }
  }
  const last = atLow === atHigh ? 0.5 : Math.min(1, Math.max(0, atLow / (atLow - atHigh)));
  return low + (high - low) * last;
}

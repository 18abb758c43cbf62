/** What of a film's width, or height, a panel can hold, and how it meets the next. Lengths are mm. */
export interface Strip {
  /** Of the film. */
  readonly length: number;
  /** That a sheet of paper prints. */
  readonly usable: number;
  readonly overlap: number;
}

/** Most that may lie between two seams, and between a seam and the film's end. */
const mostBetween = ({ usable, overlap }: Strip): number => usable - overlap;
const mostAtEnd = ({ usable, overlap }: Strip): number => usable - overlap / 2;

/** Slack for lengths that fit to the last digit, mm. */
const SLACK = 1e-6;

/** Fewest panels that hold a strip. */
export function panelCount(strip: Strip): number {
  const { length, usable } = strip;
  if (length <= usable + SLACK) return 1;
  return 2 + Math.max(0, Math.ceil((length - 2 * mostAtEnd(strip)) / mostBetween(strip) - SLACK));
}

/** True where seams leave no panel larger than a sheet of paper. */
export function seamsFit(strip: Strip, seams: readonly number[]): boolean {
  const { length, usable } = strip;
  if (seams.length === 0) return length <= usable + SLACK;
  const gaps = seams.slice(1).map((seam, i) => seam - seams[i]);
  return (
    seams[0] > 0 &&
    seams[seams.length - 1] < length &&
    seams[0] <= mostAtEnd(strip) + SLACK &&
    length - seams[seams.length - 1] <= mostAtEnd(strip) + SLACK &&
    gaps.every((gap) => gap > 0 && gap <= mostBetween(strip) + SLACK)
  );
}

/** Seams that part a strip into as few panels as can be, all alike. */
export function evenSeams(strip: Strip): number[] {
  const count = panelCount(strip);
  const { length, overlap } = strip;
  // Panels of one size: the two at the ends have half an overlap less to share.
  const each = (length + (count - 1) * overlap) / count - overlap;
  return Array.from({ length: count - 1 }, (_, i) => (i + 1) * each + overlap / 2);
}

/**
 * Seams where there is least to be cut, of as few panels as can be: of all that fit, those whose costs are least in sum (dynamic programming over
 * places in steps).
 *
 * @param costs what a seam costs at each place, `step` mm apart from the strip's start
 */
export function quietSeams(strip: Strip, costs: Float64Array, step: number): number[] {
  const count = panelCount(strip) - 1;
  if (count === 0) return [];
  const places = costs.length;
  const most = Math.floor((mostBetween(strip) + SLACK) / step);
  const first = Math.floor((mostAtEnd(strip) + SLACK) / step);
  const last = Math.ceil((strip.length - mostAtEnd(strip) - SLACK) / step);
  let sums = Float64Array.from(costs, (cost, at) => (at >= 1 && at <= first ? cost : Infinity));
  const from: Int32Array[] = [];
  for (let seam = 1; seam < count; seam++) {
    const next = new Float64Array(places).fill(Infinity);
    const back = new Int32Array(places).fill(-1);
    for (let at = 1; at < places; at++) {
      let best = -1;
      for (let before = Math.max(1, at - most); before < at; before++)
        if (best < 0 || sums[before] < sums[best]) best = before;
      if (best < 0 || sums[best] === Infinity) continue;
      next[at] = sums[best] + costs[at];
      back[at] = best;
    }
    from.push(back);
    sums = next;
  }
  let end = -1;
  for (let at = Math.max(1, last); at < places; at++) if (end < 0 || sums[at] < sums[end]) end = at;
  if (end < 0 || sums[end] === Infinity) return evenSeams(strip);
  const seams = [end];
  for (let seam = from.length - 1; seam >= 0; seam--) seams.unshift(from[seam][seams[0]]);
  return seams.map((at) => at * step);
}

/** Sum of the costs of seams, each at the place nearest to it. */
export const seamsCost = (seams: readonly number[], costs: Float64Array, step: number): number =>
  seams.reduce((sum, seam) => sum + costs[Math.min(costs.length - 1, Math.round(seam / step))], 0);

/** Outlines of fewer points are left as they are. */
const FEW = 8;
/** Points of a long outline that are thinned together; the ends of each stretch stay. */
const STRETCH = 64;
/** A stretch whose ends stay keeps its farthest point if that is farther off than this part of the distance. */
const STILL = 4;

/** Room to work in, used within one call. */
let kept = new Uint8Array(1 << 9);
let marks = new Int32Array(1 << 9);
let lost = new Float64Array(1 << 9);
const ends = new Int32Array(1 << 9);

/**
 * As few points of a closed outline as keep it within a distance of the rest (Douglas & Peucker 1973). Written out for outlines by the
 * hundred thousand: a library's, with an object a point, took four times as long.
 *
 * @param points x and y by turns
 * @param length of these, how many numbers are the outline's
 */
export function thinned(points: ArrayLike<number>, length: number, distance: number): number[] {
  const count = length / 2;
  if (count < FEW) return copied(points, length);
  const found = markClosed(points, count, distance);
  const out: number[] = [];
  for (let k = 0; k < found; k++) out.push(points[2 * marks[k]], points[2 * marks[k] + 1]);
  return out;
}

/** The same with the points that are kept moved, by no more than the distance, so that the outline encloses as much as before. */
export function thinnedToArea(points: ArrayLike<number>, length: number, distance: number): number[] {
  const count = length / 2;
  if (count < FEW) return copied(points, length);
  const found = markClosed(points, count, distance);
  const out: number[] = [];
  for (let k = 0; k < found; k++)
    lost[k] = lostBetween(points, count, marks[k], k + 1 < found ? marks[k + 1] : count);
  for (let k = 0; k < found; k++) {
    const before = k > 0 ? k - 1 : found - 1;
    const after = k + 1 < found ? k + 1 : 0;
    pushMoved(points, marks[before], marks[k], marks[after], (lost[before] + lost[k]) / 2, distance, out);
  }
  return out;
}

/**
 * The same for a stretch of an outline whose ends stay where they are.
 *
 * @param from number of its first point, and `to` that of its last one
 * @param out  what is kept goes here, all but the first point
 */
export function stretchToArea(
  points: ArrayLike<number>,
  from: number,
  to: number,
  distance: number,
  out: number[],
): void {
  if (kept.length <= to) kept = new Uint8Array(2 * to);
  kept.fill(0, from, to);
  keepBetween(points, -1, from, to, distance);
  let found = listMarks(from, to);
  if (found === 1) {
    // With no point that can be moved, nothing makes up for what is cut off.
    const at = farthestFrom(points, -1, from, to, distance / STILL);
    if (at >= 0) marks[found++] = at;
  }
  marks[found] = to;
  for (let k = 0; k < found; k++) lost[k] = lostBetween(points, -1, marks[k], marks[k + 1]);
  for (let k = 1; k < found; k++) {
    // The ends stay, so that what is lost beside them is made up for by the points next to these.
    const less = (k === 1 ? lost[0] : lost[k - 1] / 2) + (k === found - 1 ? lost[k] : lost[k] / 2);
    pushMoved(points, marks[k - 1], marks[k], marks[k + 1], less, distance, out);
  }
  out.push(points[2 * to], points[2 * to + 1]);
}

function copied(points: ArrayLike<number>, length: number): number[] {
  const out: number[] = [];
  for (let i = 0; i < length; i++) out.push(points[i]);
  return out;
}

/** Lists the points that are kept of a closed outline; returns how many. */
function markClosed(points: ArrayLike<number>, count: number, distance: number): number {
  if (kept.length < count) kept = new Uint8Array(2 * count);
  kept.fill(0, 0, count);
  const stretches = Math.max(2, Math.ceil(count / STRETCH));
  for (let k = 0; k < stretches; k++)
    keepBetween(
      points,
      count,
      Math.floor((k * count) / stretches),
      Math.floor(((k + 1) * count) / stretches),
      distance,
    );
  return listMarks(0, count);
}

function listMarks(from: number, to: number): number {
  if (marks.length <= to - from) {
    marks = new Int32Array(2 * (to - from));
    lost = new Float64Array(2 * (to - from));
  }
  let found = 0;
  for (let i = from; i < to; i++) if (kept[i] === 1) marks[found++] = i;
  return found;
}

/** Twice the area between an outline and the line from one of its points to another; `to` may be the first again. */
function lostBetween(points: ArrayLike<number>, count: number, from: number, to: number): number {
  const x = points[2 * from];
  const y = points[2 * from + 1];
  let lastX = 0;
  let lastY = 0;
  let sum = 0;
  for (let i = from + 1; i <= to; i++) {
    const at = i === count ? 0 : 2 * i;
    const px = points[at] - x;
    const py = points[at + 1] - y;
    sum += lastX * py - px * lastY;
    lastX = px;
    lastY = py;
  }
  return sum;
}

/** Moves a point off the line between those before and after it, by no more than a distance, so that twice the area grows by `more`. */
function pushMoved(
  points: ArrayLike<number>,
  before: number,
  at: number,
  after: number,
  more: number,
  distance: number,
  out: number[],
): void {
  const dx = points[2 * after] - points[2 * before];
  const dy = points[2 * after + 1] - points[2 * before + 1];
  const length = Math.sqrt(dx * dx + dy * dy);
  const move = Math.abs(more) < length * distance ? more / length : Math.sign(more) * distance;
  const by = length === 0 ? 0 : move / length;
  out.push(points[2 * at] + dy * by, points[2 * at + 1] - dx * by);
}

/** Marks the points that are kept of a stretch, its first one with them; `to` may be the outline's first again. */
function keepBetween(
  points: ArrayLike<number>,
  count: number,
  first: number,
  last: number,
  distance: number,
): void {
  kept[first] = 1;
  let from = first;
  let to = last;
  let held = 0;
  for (;;) {
    const at = farthestFrom(points, count, from, to, distance);
    if (at >= 0) {
      kept[at] = 1;
      ends[held++] = to;
      to = at;
    } else if (held > 0) {
      from = to;
      to = ends[--held];
    } else return;
  }
}

/** Of the points between two, the one farthest from the line between these, if it is farther than a distance; −1 for none. */
function farthestFrom(
  points: ArrayLike<number>,
  count: number,
  from: number,
  to: number,
  distance: number,
): number {
  const end = to === count ? 0 : to;
  const x = points[2 * from];
  const y = points[2 * from + 1];
  const dx = points[2 * end] - x;
  const dy = points[2 * end + 1] - y;
  const length = dx * dx + dy * dy;
  let most = distance * distance * (length === 0 ? 1 : length);
  let found = -1;
  for (let i = from + 1; i < to; i++) {
    const px = points[2 * i] - x;
    const py = points[2 * i + 1] - y;
    const across = px * dy - py * dx;
    const off = length === 0 ? px * px + py * py : across * across;
    if (off > most) {
      most = off;
      found = i;
    }
  }
  return found;
}

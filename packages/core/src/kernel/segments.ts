import { turnsOf } from '../base/turn.ts';
import { alongRing, placesBy, runningOf, type Place, type PlaceKind } from './places.ts';

const ONE = 2 ** 32;
const here = new Float64Array(3);
const next = new Float64Array(3);

/** The fraction of a number of cells, a whole one being 2³². */
const fixed = (cells: number): number => Math.floor((1 + (cells - Math.floor(cells))) * ONE) | 0;

/** Numbers of a segment. */
export const SEGMENT = 7;

function writeSegment(
  out: Int32Array,
  at: number,
  u: readonly [number, number],
  v: readonly [number, number],
  step: number,
  length: number,
): void {
  out[at] = fixed(u[0]);
  out[at + 1] = fixed((u[1] - u[0]) / step);
  out[at + 2] = fixed(v[0]);
  out[at + 3] = fixed((v[1] - v[0]) / step);
  out[at + 4] = 0;
  out[at + 5] = 0;
  out[at + 6] = length;
}

/** Writes a segment of one pixel, which needs no steps. */
function writePixel(out: Int32Array, at: number, place: Place, x: number, y: number): void {
  place(x, y, next);
  writeSegment(out, at, [next[0], next[0]], [next[1], next[1]], 1, 1);
  out[at + 4] = next[2] * 256;
}

/**
 * Segments of a row as the kernel that looks up takes them: seven whole numbers each, u and its step a pixel, v and its step, the
 * offset to coverage (1/256 of it) and its step, and its pixels.
 */
export function placeSegments(
  place: Place,
  x: number,
  y: number,
  step: number,
  count: number,
  out: Int32Array,
): void {
  if (step === 1) {
    for (let k = 0; k < count; k++) writePixel(out, k * SEGMENT, place, x + k, y);
    return;
  }
  place(x, y, here);
  for (let k = 1, at = 0; k <= count; k++, at += SEGMENT) {
    place(x + k * step, y, next);
    writeSegment(out, at, [here[0], next[0]], [here[1], next[1]], step, step);
    out[at + 4] = here[2] * 256;
    out[at + 5] = ((next[2] - here[2]) * 256) / step;
    here.set(next);
  }
}

/** The same for places by a kind and its numbers. */
export function placeSegmentsBy(
  kind: PlaceKind,
  numbers: Float64Array,
  x: number,
  y: number,
  step: number,
  count: number,
  out: Int32Array,
): void {
  const place = placesBy(kind, numbers);
  const ringed = (kind === 'arc' || kind === 'spiral') && runningOf(numbers).wobble === 0;
  if (step > 1 && ringed) placeRings(kind === 'spiral', numbers, place, x, y, step, count, out);
  else placeSegments(place, x, y, step, count, out);
}

/** Steps from their middle within which rings bend too much to be taken as straight along a step. */
const NEAR = 8;

/** Places along rings: within each dots run evenly, and over its edge they begin anew. */
function placeRings(
  spiral: boolean,
  numbers: Float64Array,
  place: Place,
  x: number,
  y: number,
  step: number,
  count: number,
  out: Int32Array,
): void {
  const { mm, perCell, middleX, middleY, start, plain } = runningOf(numbers);
  const dy = (y + 0.5) * mm - middleY;
  const at = (column: number): { far: number; turn: number } => {
    const dx = (column + 0.5) * mm - middleX;
    return { far: Math.sqrt(dx * dx + dy * dy), turn: turnsOf(dx, -dy) - start };
  };
  let to = at(x);
  let written = 0;
  for (let k = 0; k < count; k++) {
    const column = x + k * step;
    const from = to;
    to = at(column + step);
    // Past the end of a turn they go on.
    const turns = [from.turn, to.turn - Math.floor(to.turn - from.turn + 0.5)];
    const v0 = from.far * perCell - (spiral ? turns[0] : 0);
    const v1 = to.far * perCell - (spiral ? turns[1] : 0);
    const [n0, n1] = [Math.floor(v0), Math.floor(v1)];
    if (from.far < NEAR * step * mm || Math.abs(n1 - n0) > 1) {
      for (let i = 0; i < step; i++, written += SEGMENT) writePixel(out, written, place, column + i, y);
      continue;
    }
    if (plain) {
      writeSegment(out, written, [0, 0], [v0, v1], step, step);
      written += SEGMENT;
      continue;
    }
    let first = step;
    if (n1 !== n0) {
      const crossing = ((Math.max(n0, n1) - v0) / (v1 - v0)) * step;
      first = Math.max(1, Math.min(step, n1 > n0 ? Math.ceil(crossing) : Math.floor(crossing) + 1));
    }
    const along = turns.map((turn) => alongRing(spiral, n0, turn));
    writeSegment(out, written, [along[0], along[1]], [v0, v1], step, first);
    written += SEGMENT;
    if (first === step) continue;
    const gone = first / step;
    const [w0, w1] = turns.map((turn) => alongRing(spiral, n1, turn));
    const u = w0 + (w1 - w0) * gone;
    const v = v0 + (v1 - v0) * gone;
    writeSegment(out, written, [u, u + (w1 - w0)], [v, v + (v1 - v0)], step, step - first);
    written += SEGMENT;
  }
}

import type { Bits } from '../raster/bits.ts';
import type { Region } from '../raster/region.ts';
import type { Polyline } from './contour.ts';

/** Which parts of the plane crossing lines enclose: those wound about an odd number of times, or any but nought. */
export type FillRule = 'evenodd' | 'nonzero';

/**
 * Sets the pixels of a region whose centres polygons enclose. A centre on an edge belongs to the side on its right, or
 * below, so that shapes that share an edge share no pixel and leave none out. Open runs count as closed.
 *
 * @param out   bits of the region's size, set where it was not
 * @param value 1 to ink, 0 to clear
 */
export function fillPolygons(
  polygons: readonly Polyline[],
  rule: FillRule,
  region: Region,
  out: Bits,
  value: 0 | 1 = 1,
): void {
  const rows: { x: number; way: number }[][] = Array.from({ length: region.height }, () => []);
  for (const { points } of polygons) {
    const count = points.length >> 1;
    for (let i = 0, j = count - 1; i < count; j = i++) {
      addEdge(points[2 * j], points[2 * j + 1], points[2 * i], points[2 * i + 1], region, rows);
    }
  }
  for (let row = 0; row < region.height; row++) {
    const crossings = rows[row];
    if (crossings.length === 0) continue;
    crossings.sort((a, b) => a.x - b.x);
    let winding = 0;
    for (let i = 0; i < crossings.length - 1; i++) {
      winding += crossings[i].way;
      const inside = rule === 'evenodd' ? (i & 1) === 0 : winding !== 0;
      if (inside) setRun(out, row, crossings[i].x - region.x, crossings[i + 1].x - region.x, value);
    }
  }
}

/** Where a line crosses the middles of rows. */
function addEdge(
  x0: number,
  y0: number,
  x1: number,
  y1: number,
  region: Region,
  rows: { x: number; way: number }[][],
): void {
  if (y0 === y1) return;
  const way = y1 > y0 ? 1 : -1;
  const [topX, topY, footX, footY] = way > 0 ? [x0, y0, x1, y1] : [x1, y1, x0, y0];
  const first = Math.max(region.y, Math.ceil(topY - 0.5));
  const last = Math.min(region.y + region.height, Math.ceil(footY - 0.5));
  const slope = (footX - topX) / (footY - topY);
  for (let y = first; y < last; y++) rows[y - region.y].push({ x: topX + (y + 0.5 - topY) * slope, way });
}

/** Sets or clears the pixels of a row whose centres lie from `from` to `to`. */
function setRun(bits: Bits, row: number, from: number, to: number, value: 0 | 1): void {
  const first = Math.max(0, Math.ceil(from - 0.5));
  const end = Math.min(bits.width, Math.ceil(to - 0.5));
  if (first >= end) return;
  const base = row * bits.stride;
  const firstByte = first >> 3;
  const lastByte = (end - 1) >> 3;
  for (let byte = firstByte; byte <= lastByte; byte++) {
    let mask = 0xff;
    if (byte === firstByte) mask &= 0xff >> (first & 7);
    if (byte === lastByte) mask &= (0xff << (7 - ((end - 1) & 7))) & 0xff;
    if (value) bits.data[base + byte] |= mask;
    else bits.data[base + byte] &= ~mask;
  }
}

import type { Dot } from './lattice-dot.ts';
import { isPoints } from './cell-loop.ts';

/** Points each way that a cell is asked at. */
const POINTS = 64;

/** A shape's thresholds at the middles of even parts of a cell, row by row. */
export const asked = (threshold: (u: number, v: number) => number): Float32Array =>
  Float32Array.from({ length: POINTS * POINTS }, (_, i) =>
    threshold(((i % POINTS) + 0.5) / POINTS, (Math.floor(i / POINTS) + 0.5) / POINTS),
  );

/**
 * The share of a cell in which a dot of straight pieces is not what is inked of the shape at a tone.
 *
 * @param thresholds of the shape, see `asked`
 * @param tone       coverage, 0–65535
 */
export function differenceOf(dot: Dot, thresholds: Float32Array, tone: number): number {
  const changes = new Uint8Array(POINTS);
  let differs = 0;
  for (let row = 0; row < POINTS; row++) {
    changes.fill(0);
    const y = (row + 0.5) / POINTS - 0.5;
    for (const loop of dot.loops) if (isPoints(loop)) crossRow(loop, y, changes);
    for (let column = 0, isDrawn = 0; column < POINTS; column++) {
      isDrawn ^= changes[column];
      const isInked = thresholds[row * POINTS + column] < tone ? 1 : 0;
      if (isInked !== isDrawn) differs++;
    }
  }
  return differs / (POINTS * POINTS);
}

/** Changes the first point to the right of each place where an outline crosses a row. */
function crossRow(loop: readonly number[], y: number, changes: Uint8Array): void {
  let x0 = loop[loop.length - 2];
  let y0 = loop[loop.length - 1];
  for (let i = 0; i < loop.length; i += 2) {
    const x1 = loop[i];
    const y1 = loop[i + 1];
    if (y0 <= y !== y1 <= y) {
      const x = x0 + ((x1 - x0) * (y - y0)) / (y1 - y0);
      const column = Math.max(0, Math.ceil((x + 0.5) * POINTS - 0.5));
      if (column < POINTS) changes[column] ^= 1;
    }
    x0 = x1;
    y0 = y1;
  }
}

import { createPlane, type Plane } from '../raster/plane.ts';

/**
 * Means over square cells of `size` pixels (at least 1, need not be whole), in step with the whole picture: a pixel
 * belongs to the cell its centre lies in. Flat, or running smoothly from one cell's centre to the next.
 *
 * @param y row of the whole picture that the plane begins at
 */
export function meanCells(plane: Plane, size: number, smooth: boolean, y: number, fullHeight: number): Plane {
  if (size <= 1) return plane;
  const { width, height } = plane;
  const cellAt = (i: number) => Math.floor((i + 0.5) / size);
  const first = cellAt(y);
  const columns = cellAt(width - 1) + 1;
  const rows = cellAt(Math.min(fullHeight, y + height) - 1) - first + 1;
  const sums = new Float64Array(columns * rows);
  const counts = new Float64Array(columns * rows);
  const columnOf = Int32Array.from({ length: width }, (_, i) => cellAt(i));
  for (let j = 0; j < height; j++) {
    const base = (cellAt(y + j) - first) * columns;
    for (let i = 0; i < width; i++) {
      sums[base + columnOf[i]] += plane.data[j * width + i];
      counts[base + columnOf[i]]++;
    }
  }
  const means = sums.map((sum, i) => sum / Math.max(1, counts[i]));
  const out = createPlane(width, height);
  for (let j = 0; j < height; j++) {
    if (!smooth) {
      const base = (cellAt(y + j) - first) * columns;
      for (let i = 0; i < width; i++) out.data[j * width + i] = means[base + columnOf[i]] + 0.5;
      continue;
    }
    const v = (y + j + 0.5) / size - 0.5;
    const fy = v - Math.floor(v);
    const upper = Math.min(rows - 1, Math.max(0, Math.floor(v) - first)) * columns;
    const lower = Math.min(rows - 1, Math.max(0, Math.floor(v) + 1 - first)) * columns;
    for (let i = 0; i < width; i++) {
      const u = (i + 0.5) / size - 0.5;
      const fx = u - Math.floor(u);
      const left = Math.max(0, Math.floor(u));
      const right = Math.min(columns - 1, Math.floor(u) + 1);
      const above = means[upper + left] * (1 - fx) + means[upper + right] * fx;
      const below = means[lower + left] * (1 - fx) + means[lower + right] * fx;
      out.data[j * width + i] = above * (1 - fy) + below * fy + 0.5;
    }
  }
  return out;
}

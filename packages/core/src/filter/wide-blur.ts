import { addressOf, CELLS, FILTER, kernels, pixelsAt, ROWS, wholesAt } from '../kernel/memory.ts';
import type { Plane } from '../raster/plane.ts';
import { stretchRows } from '../raster/resample.ts';
import { rowsOf, type Rows } from '../raster/rows.ts';
import { recycle, scratchPlane } from '../raster/scratch.ts';
import { passesOf, weighing } from './bell.ts';
import { filtered } from './row-filter.ts';

/**
 * Rows made out of themselves and the same rows under a Gaussian blur that is made on a halved picture (one of more than no halvings). Any
 * rows are those rows of the whole.
 *
 * @param sigma standard deviation in pixels
 * @param from  first row
 * @param to    row after the last
 * @param make  writes so many pixels at an address from those of a row and of its blur at two others; the blur itself when missing
 * @param out   for the result, with room for seven pixels more where it is in the kernels' memory
 */
export function overWideBlur(
  input: Rows,
  sigma: number,
  from: number,
  to: number,
  make?: (row: number, soft: number, out: number, count: number) => void,
  out: Plane = scratchPlane(input.width, to - from),
): Plane {
  const { width, height } = input;
  const { halvings, weights } = passesOf(sigma);
  const pad = (weights.length >> 1) + 1;
  const margin = (pad + 1) << halvings;
  const first = Math.max(0, from - margin);
  // All rows are had before the kernels' memory is written to: making them may need it too.
  const rows = Array.from({ length: Math.min(height, to + margin) - first }, (_, i) => input.row(first + i));
  const small = reduced(rows, width, halvings, pad, first);
  const soft = filtered(small, [weighing(weights)]);
  recycle(small);
  const step = 1 / 2 ** halvings;
  const place = addressOf(out.data);
  const [given, made] = [pixelsAt(FILTER.ring, width), pixelsAt(ROWS.out, width)];
  stretchRows(
    rowsOf(soft),
    { origin: pad, step },
    { origin: pad - (first >> halvings), step },
    { x: 0, y: from, width, height: to - from },
    (top, upper, lower, weights) =>
      weights.forEach((weight, i) => {
        const at = (top + i) * width;
        const to = place === undefined ? ROWS.out : place + 2 * at;
        kernels.mixRows(upper, lower, weight, make ? FILTER.row : to, width);
        if (make) {
          const row = rows[from + top + i - first];
          const address = addressOf(row);
          if (address === undefined) given.set(row);
          make(address ?? FILTER.ring, FILTER.row, to, width);
        }
        if (place === undefined) out.data.set(made, at);
      }),
  );
  recycle(soft);
  return out;
}

/**
 * Means over square cells of 2ⁿ pixels, in step with the whole picture's rows, `pad` of them beyond every edge, where the
 * outermost pixels repeat.
 *
 * @param top row of the picture that the rows begin with
 */
function reduced(
  rows: readonly Uint16Array[],
  width: number,
  halvings: number,
  pad: number,
  top: number,
): Plane {
  const size = 1 << halvings;
  const first = top >> halvings;
  const columns = ((width - 1) >> halvings) + 1;
  const lines = ((top + rows.length - 1) >> halvings) - first + 1;
  const out = scratchPlane(columns + 2 * pad, lines + 2 * pad);
  // One column for each of the last cell's pixels, beyond the edge too.
  const sums = wholesAt(CELLS, columns << halvings);
  const pixels = pixelsAt(ROWS.source, width);
  const means = pixelsAt(ROWS.out, columns);
  for (let line = 0; line < out.height; line++) {
    sums.fill(0);
    for (let k = 0; k < size; k++) {
      const row = rows[Math.min(rows.length - 1, Math.max(0, (line - pad + first) * size + k - top))];
      const address = addressOf(row);
      if (address === undefined) pixels.set(row);
      kernels.addPixels(address ?? ROWS.source, CELLS, width);
    }
    sums.fill(sums[width - 1], width);
    const start = line * out.width;
    out.data.fill(Math.round(sums[0] / size), start, start + pad);
    out.data.fill(Math.round(sums[width - 1] / size), start + pad + columns, start + out.width);
    kernels.cellMeans(CELLS, halvings, ROWS.out, columns);
    out.data.set(means, start + pad);
  }
  return out;
}

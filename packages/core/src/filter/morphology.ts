import type { Plane } from '../raster/plane.ts';

type Pick = (a: number, b: number) => number;
const least: Pick = (a, b) => (a < b ? a : b);
const most: Pick = (a, b) => (a > b ? a : b);

/**
 * The least or greatest of the `width` values from `back` before each on. Beyond the ends the outermost repeat. Windows
 * double until two of them, overlapping, cover the whole.
 */
function along(
  values: Uint16Array,
  count: number,
  width: number,
  back: number,
  pick: Pick,
  out: Uint16Array,
): void {
  const padded = new Uint16Array(count + width);
  for (let i = 0; i < padded.length; i++) padded[i] = values[Math.min(count - 1, Math.max(0, i - back))];
  let span = 1;
  for (; span * 2 <= width; span *= 2) {
    for (let i = 0; i + span < padded.length; i++) padded[i] = pick(padded[i], padded[i + span]);
  }
  const rest = width - span;
  for (let i = 0; i < count; i++) out[i] = pick(padded[i], padded[i + rest]);
}

function spread(plane: Plane, size: number, back: number, pick: Pick): Plane {
  const { width, height } = plane;
  const data = new Uint16Array(plane.data.length);
  for (let y = 0; y < height; y++) {
    const row = plane.data.subarray(y * width, (y + 1) * width);
    along(row, width, size, back, pick, data.subarray(y * width, (y + 1) * width));
  }
  // The same along columns, a whole row at a time.
  const rows = Array.from({ length: height + size }, (_, i) => {
    const y = Math.min(height - 1, Math.max(0, i - back));
    return data.slice(y * width, (y + 1) * width);
  });
  const join = (a: Uint16Array, b: Uint16Array): void => {
    for (let x = 0; x < width; x++) a[x] = pick(a[x], b[x]);
  };
  let span = 1;
  for (; span * 2 <= size; span *= 2) {
    for (let i = 0; i + span < rows.length; i++) join(rows[i], rows[i + span]);
  }
  const rest = size - span;
  for (let y = 0; y < height; y++) {
    if (rest > 0) join(rows[y], rows[y + rest]);
    data.set(rows[y], y * width);
  }
  return { ...plane, data };
}

/** Least value under a square of `size` pixels, then the greatest of those under it turned about: dark spots go. */
export function opening(plane: Plane, size: number): Plane {
  const back = (size - 1) >> 1;
  return spread(spread(plane, size, back, least), size, size - 1 - back, most);
}

/** The same the other way about: light spots go. */
export function closing(plane: Plane, size: number): Plane {
  const back = (size - 1) >> 1;
  return spread(spread(plane, size, back, most), size, size - 1 - back, least);
}

import { present } from '../base/present.ts';
import { addressOf, FILTER, pixelsAt, RING_BYTES, ROWS } from '../kernel/memory.ts';
import type { Plane } from '../raster/plane.ts';
import type { Rows } from '../raster/rows.ts';
import { scratchPlane } from '../raster/scratch.ts';

/** A filter that makes each row out of the rows around it, in the kernels' memory. It may use `FILTER.row` and `ROWS.lower` in between. */
export interface RowFilter {
  /** Rows above and below that a row hangs on. */
  readonly before: number;
  readonly after: number;
  /**
   * Makes row `y` of the picture. Kernels may write seven pixels more.
   *
   * @param at  address of the row so many further down, from −`before` to `after`; beyond the picture its outermost rows repeat
   * @param out address that it is written to
   */
  readonly make: (y: number, at: (offset: number) => number, out: number, width: number) => void;
}

const ring = pixelsAt(FILTER.ring, RING_BYTES / 2);

/** Bytes between two rows that wait. */
const apart = (width: number): number => (2 * width + 31) & ~15;

/** Bytes that a chain of filters holds at once. */
export const chainBytes = (filters: readonly RowFilter[], width: number): number =>
  filters.reduce((sum, { before, after }) => sum + (before + after + 1) * apart(width), 0);

/**
 * Sends rows through a chain of filters. Every row is made once and waits only until the last that needs it, near the processor.
 *
 * @param from first row of the result
 * @param to   row after its last
 * @param out  for the result, with room for seven pixels more where it is in the kernels' memory
 * @throws RangeError when the filters hold more than there is room for
 */
export function throughFilters(
  input: Rows,
  filters: readonly RowFilter[],
  from: number,
  to: number,
  out: Plane = scratchPlane(input.width, to - from),
): Plane {
  const { width, height } = input;
  if (chainBytes(filters, width) > RING_BYTES) {
    const last = present(filters.at(-1), 'filter');
    if (filters.length === 1) throw new RangeError('The picture is too wide for a filter of this size.');
    // What does not fit at once goes in parts.
    const [start, end] = [Math.max(0, from - last.before), Math.min(height, to + last.after)];
    const { data } = throughFilters(input, filters.slice(0, -1), start, end);
    const made = {
      width,
      height,
      row: (y: number) => data.subarray((y - start) * width, (y - start + 1) * width),
    };
    return throughFilters(made, [last], from, to, out);
  }
  const within = (y: number): number => Math.min(height - 1, Math.max(0, y));
  // The first row that each filter reads, and the next one that it will be given.
  const next: number[] = [];
  let [first, last] = [from, to - 1];
  for (const { before, after } of [...filters].reverse()) {
    next.unshift((first = within(first - before)));
    last = within(last + after);
  }
  // All rows are had before the kernels' memory is written to: making them may need it too.
  const given = Array.from({ length: last - first + 1 }, (_, i) => input.row(first + i));
  const addresses = given.map(addressOf);
  let end = FILTER.ring;
  const rings = filters.map(({ before, after }) => {
    const [start, slots] = [end, before + after + 1];
    end += slots * apart(width);
    return (y: number): number => start + (y % slots) * apart(width);
  });
  const [inRing] = rings;
  // Rows that are in the kernels' memory already are read where they are.
  if (inRing) rings[0] = (y) => addresses[y - first] ?? inRing(y);
  const make = (k: number, y: number, to: number): void => {
    bring(k, within(y + filters[k].after));
    filters[k].make(y, (offset) => rings[k](within(y + offset)), to, width);
  };
  /** Gives filter k all rows down to one. */
  const bring = (k: number, row: number): void => {
    for (; next[k] <= row; next[k]++) {
      if (k > 0) make(k - 1, next[k], rings[k](next[k]));
      else if (addresses[next[0] - first] === undefined)
        ring.set(given[next[0] - first], (inRing(next[0]) - FILTER.ring) >> 1);
    }
  };
  const place = addressOf(out.data);
  const made = pixelsAt(ROWS.out, width);
  for (let y = from; y < to; y++) {
    const at = (y - from) * width;
    if (filters.length === 0) out.data.set(given[y - first], at);
    else if (place !== undefined) make(filters.length - 1, y, place + 2 * at);
    else {
      make(filters.length - 1, y, ROWS.out);
      out.data.set(made, at);
    }
  }
  return out;
}

/** The same for a whole plane. */
export const filtered = ({ width, height, data }: Plane, filters: readonly RowFilter[]): Plane =>
  throughFilters(
    { width, height, row: (y) => data.subarray(y * width, (y + 1) * width) },
    filters,
    0,
    height,
  );

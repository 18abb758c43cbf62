import { FILTER, FILTER_PIXELS, pixelsAt, wholesAt } from '../kernel/memory.ts';
import type { RowFilter } from './row-filter.ts';

/**
 * A window of `taps` pixels down the columns, then along the rows. Each time `reduce` makes a row at an address out of the
 * `taps` rows whose addresses wait at `FILTER.addresses`. Beyond the edges the outermost pixels repeat.
 *
 * @param back taps that lie before a pixel
 */
export function windowFilter(
  taps: number,
  back: number,
  reduce: (out: number, count: number) => void,
): RowFilter {
  const addresses = wholesAt(FILTER.addresses, taps);
  return {
    before: back,
    after: taps - 1 - back,
    make(_y, at, out, width) {
      for (let t = 0; t < taps; t++) addresses[t] = at(t - back);
      reduce(FILTER.row + 2 * back, width);
      padRow(back, taps, width);
      for (let t = 0; t < taps; t++) addresses[t] = FILTER.row + 2 * t;
      reduce(out, width);
    },
  };
}

const row = pixelsAt(FILTER.row, FILTER_PIXELS);

/** Repeats the outermost pixels of the row at `FILTER.row`, `back` of them before it and the rest of the taps after. */
export function padRow(back: number, taps: number, width: number): void {
  row.fill(row[back], 0, back);
  row.fill(row[back + width - 1], back + width, width + taps);
}

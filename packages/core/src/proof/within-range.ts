import { kernels, lightAt, RANGE, RANGE_NUMBERS, RANGE_ROWS, wholesAt } from '../kernel/memory.ts';

/** Screen pixels to each side among which light that cannot be shown is shared out: a cell of dots that overshoots, and its neighbours. */
const REACH = (RANGE_ROWS - 1) / 2;
/** Rows above and below that the light of a row depends on. */
export const ROWS_AROUND = 2 * REACH;
/** Of the range: rows with nothing farther beyond it are cut off, which does no harm. */
const LEAST_BEYOND = 1e-4;
/** Pixels in between take most of it, so that dots stay as clear as they are; those at the other end as much less. */
const KEPT = 0.02;
/** Room around a pixel below which what is beyond stays cut off. */
const NO_ROOM = 1e-6;

/** Ends of what light a channel's colours have. */
export interface LightRange {
  readonly least: number;
  readonly most: number;
}

/**
 * Light between the darkest and the lightest colour. What lies beyond, as the low-pass overshoots beside hard edges, goes to pixels around it that have
 * room for it, each as it has room: cut off alone it would make dark tones up to 3 L* lighter than they are printed, and light ones darker.
 *
 * @param plane light of rows, of which the first and the last `ROWS_AROUND` are only there for those between
 * @returns the rows between
 */
export function withinRange(plane: Float32Array, columns: number, range: LightRange): Float32Array {
  const rows = plane.length / columns;
  const made = new Float32Array(Math.max(0, rows - 2 * ROWS_AROUND) * columns);
  // Wider rows are made in pieces, each with what it depends on at either side.
  const piece = RANGE_NUMBERS - 2 * ROWS_AROUND;
  for (let from = 0; from < columns; from += piece) {
    const end = Math.min(columns, from + piece);
    const left = Math.max(0, from - ROWS_AROUND);
    const width = Math.min(columns, end + ROWS_AROUND) - left;
    const take = (y: number) => plane.subarray(y * columns + left, y * columns + left + width);
    rowsWithin(rows, take, width, range, (y, light) => {
      made.set(light.subarray(from - left, end - left), y * columns + from);
    });
  }
  return made;
}

const SIDES = [RANGE.above, RANGE.below] as const;

/** The same for rows of few enough pixels: takes each, and gives those between. */
function rowsWithin(
  rows: number,
  take: (y: number) => Float32Array,
  columns: number,
  { least, most }: LightRange,
  give: (y: number, light: Float32Array) => void,
): void {
  const width = most - least;
  // Of colours that are alike in a channel there is nothing to share out.
  const worth = width < NO_ROOM ? Infinity : width * LEAST_BEYOND;
  const slot = (start: number, y: number) => start + (y % RANGE_ROWS) * RANGE.rowBytes;
  /** Rows with something above the range, plus 2 for something below, by their slots. */
  const beyond = new Uint8Array(RANGE_ROWS);
  /** The same of rows that were shared out, which are needed for two rows longer. */
  const shared = new Uint8Array(RANGE_ROWS);
  /** Sums around the pixels of a row. Its rows are added up in their order, so that parts of a picture come to the very same. */
  const sumRows = (start: number, y: number) => {
    const addresses = wholesAt(RANGE.addresses, RANGE_ROWS);
    for (let k = 0; k < RANGE_ROWS; k++) addresses[k] = slot(start, y - REACH + k);
    kernels.sumAround(RANGE.addresses, RANGE.down, RANGE.sums, columns);
  };
  const part = (y: number): void => {
    const light = slot(RANGE.within, y);
    lightAt(light, columns).set(take(y));
    const [above, below] = SIDES.map(({ over }) => slot(over, y));
    beyond[y % RANGE_ROWS] = kernels.partRow(light, least, most, worth, light, above, below, columns);
    kernels.roomOfRow(light, least, 1 / width, KEPT, slot(RANGE.above.room, y), columns);
    kernels.roomOfRow(light, most, -1 / width, KEPT, slot(RANGE.below.room, y), columns);
  };
  /** Finds what each pixel of a row gives away, by the room around it. */
  const share = (y: number): void => {
    shared[y % RANGE_ROWS] = beyond[y % RANGE_ROWS];
    SIDES.forEach(({ over, room, share: out }, side) => {
      if ((beyond[y % RANGE_ROWS] & (1 << side)) === 0) {
        lightAt(slot(out, y), columns).fill(0);
        return;
      }
      sumRows(room, y);
      kernels.divideRows(slot(over, y), RANGE.sums, NO_ROOM, slot(out, y), columns);
    });
  };
  /** Adds what a row is given, and takes away what those below the range are. */
  const finish = (y: number): void => {
    const light = slot(RANGE.within, y);
    SIDES.forEach(({ room, share: given }, side) => {
      if (!shared.some((flags) => flags & (1 << side))) return;
      sumRows(given, y);
      kernels.addProducts(slot(room, y), RANGE.sums, side === 0 ? 1 : -1, light, columns);
    });
    // Rounding apart it lies within the range by now; what is beyond is of no use.
    kernels.partRow(light, least, most, worth, light, RANGE.sums, RANGE.down, columns);
    give(y - ROWS_AROUND, lightAt(light, columns));
  };
  for (let y = 0; y < rows; y++) {
    part(y);
    if (y >= 2 * REACH) share(y - REACH);
    if (y >= 4 * REACH) finish(y - 2 * REACH);
  }
}

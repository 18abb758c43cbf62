/** Screen pixels to each side among which light that cannot be shown is shared out: a cell of dots that overshoots, and its neighbours. */
const REACH = 2;
/** Rows above and below that the light of a row depends on. */
export const ROWS_AROUND = 2 * REACH;
/** Of the range: what is beyond by less is cut off and does no harm. */
const LEAST_BEYOND = 1e-4;
/** Pixels in between take most of it, so that dots stay as clear as they are; those at the other end as much less. */
const KEPT = 0.02;
/** Room around a pixel below which what is beyond stays cut off. */
const NO_ROOM = 1e-6;

/** Sums over `REACH` rows and columns to each side of every pixel; what lies past the rows is none, past the sides as at them. */
function sumsAround(plane: Float32Array, columns: number, out: Float32Array): void {
  const rows = plane.length / columns;
  const down = new Float64Array(columns + 2 * REACH);
  for (let y = -REACH; y < rows; y++) {
    const [added, gone] = [(y + REACH) * columns, (y - REACH - 1) * columns];
    if (added < plane.length) for (let x = 0; x < columns; x++) down[x + REACH] += plane[added + x];
    if (gone >= 0) for (let x = 0; x < columns; x++) down[x + REACH] -= plane[gone + x];
    if (y < 0) continue;
    down.fill(down[REACH], 0, REACH);
    down.fill(down[columns + REACH - 1], columns + REACH);
    let sum = 0;
    for (let x = 0; x < 2 * REACH; x++) sum += down[x];
    for (let x = 0; x < columns; x++) {
      sum += down[x + 2 * REACH];
      out[y * columns + x] = sum;
      sum -= down[x];
    }
  }
}

/** Ends of what light a channel's colours have. */
export interface LightRange {
  readonly least: number;
  readonly most: number;
}

/**
 * Light between the darkest and the lightest colour. What lies beyond, as the low-pass overshoots beside hard edges, goes to pixels around it that have
 * room for it, each as it has room: cut off alone it would make dark tones up to 3 L* lighter than they are printed, and light ones darker.
 *
 * @param plane light of rows, of which the first and the last `ROWS_AROUND` are only there for those between; used up
 * @returns the rows between
 */
export function withinRange(plane: Float32Array, columns: number, { least, most }: LightRange): Float32Array {
  const inner = (all: Float32Array) =>
    all.subarray(ROWS_AROUND * columns, all.length - ROWS_AROUND * columns);
  const light = inner(plane);
  const width = most - least;
  const worth = width * LEAST_BEYOND;
  const [above, below] = [new Float32Array(plane.length), new Float32Array(plane.length)];
  let any = false;
  for (let i = 0; i < plane.length; i++) {
    const here = plane[i];
    if (here > most) {
      any ||= here > most + worth;
      above[i] = here - most;
      plane[i] = most;
    } else if (here < least) {
      any ||= here < least - worth;
      below[i] = least - here;
      plane[i] = least;
    }
  }
  // Of colours that are alike in a channel there is nothing to share out.
  if (!any || width < NO_ROOM) return light;
  const room = new Float32Array(plane.length);
  const sums = new Float32Array(plane.length);
  const made = light.slice();
  const share = (over: Float32Array, sign: 1 | -1): void => {
    for (let i = 0; i < room.length; i++) {
      const part = (plane[i] - least) / width;
      const has = sign > 0 ? (1 - part) * (part + KEPT) : part * (1 - part + KEPT);
      room[i] = has * has;
    }
    sumsAround(room, columns, sums);
    for (let i = 0; i < over.length; i++) over[i] = sums[i] > NO_ROOM ? over[i] / sums[i] : 0;
    sumsAround(over, columns, sums);
    const [given, taking] = [inner(sums), inner(room)];
    for (let i = 0; i < made.length; i++) made[i] += sign * taking[i] * given[i];
  };
  share(above, 1);
  share(below, -1);
  for (let i = 0; i < made.length; i++) made[i] = made[i] < least ? least : made[i] > most ? most : made[i];
  return made;
}

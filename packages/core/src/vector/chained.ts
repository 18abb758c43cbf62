import type { Runs } from './runs.ts';

/** Is told of a loop by the numbers of its runs, of which the first `count` count; good until the next. */
export type VisitLoop = (runs: Runs, loop: Int32Array, count: number) => void;

/** Steps of a cell that points are told apart by, as bits: the same point always has the very same numbers, so they need not be told apart more finely. */
const FINE_BITS = 11;
/** Parts of a cell each way, as bits, that runs are listed by. */
const PART_BITS = 1;
const REST_BITS = FINE_BITS - PART_BITS;

/** Places of points, in such steps. */
const fine = (place: number): number => Math.round((place + 0.5) * (1 << FINE_BITS));

/**
 * Puts runs end to end, and gives each loop.
 *
 * @param left of the cells that runs lie in, the first column, and how many there are, the far side of the last with them
 */
export function chained(runs: Runs, left: number, columns: number, visit: VisitLoop): void {
  const { count } = runs;
  if (count === 0) return;
  const [xs, ys] = [new Int32Array(count), new Int32Array(count)];
  let top = Infinity;
  let foot = -Infinity;
  for (let i = 0; i < count; i++) {
    const at = runs.startOf(i);
    xs[i] = fine(runs.numbers[at]);
    const y = (ys[i] = fine(runs.numbers[at + 1]));
    if (y < top) top = y;
    if (y > foot) foot = y;
  }
  top >>= REST_BITS;
  const rows = (foot >> REST_BITS) - top + 1;
  const start = left << PART_BITS;
  const width = columns << PART_BITS;
  // Runs by the part of a cell they start in, the first and the one after each: what follows another is near it in memory too.
  const first = new Int32Array(width * rows).fill(-1);
  const after = new Int32Array(count);
  for (let i = count - 1; i >= 0; i--) {
    const part = ((ys[i] >> REST_BITS) - top) * width + (xs[i] >> REST_BITS) - start;
    after[i] = first[part];
    first[part] = i;
  }
  const used = new Uint8Array(count);
  /** A run that starts at a point and is not used yet; −1 when there is none. */
  const take = (x: number, y: number): number => {
    const row = (y >> REST_BITS) - top;
    if (row < 0 || row >= rows) return -1;
    const part = row * width + (x >> REST_BITS) - start;
    // Used ones at the head are let go, so that no list grows long.
    while (first[part] >= 0 && used[first[part]]) first[part] = after[first[part]];
    for (let i = first[part]; i >= 0; i = after[i]) if (!used[i] && xs[i] === x && ys[i] === y) return i;
    return -1;
  };
  const loop = new Int32Array(count);
  for (let i = 0; i < count; i++) {
    if (used[i]) continue;
    let length = 0;
    for (let next = i; next >= 0;) {
      used[next] = 1;
      loop[length++] = next;
      const at = runs.lastOf(next);
      const x = fine(runs.numbers[at]);
      const y = fine(runs.numbers[at + 1]);
      next = x === xs[i] && y === ys[i] ? -1 : take(x, y);
    }
    visit(runs, loop, length);
  }
}

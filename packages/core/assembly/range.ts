/**
 * Parts a row of numbers (f32) into what lies between two ends, what lies above them and what lies below, as differences from that end. Returns 1 where
 * a number lies above by more than `worth`, plus 2 where one lies below by as much. Reads and writes up to three numbers past the row.
 */
export function partRow(
  row: usize,
  least: f32,
  most: f32,
  worth: f32,
  within: usize,
  above: usize,
  below: usize,
  count: i32,
): i32 {
  const low = f32x4.splat(least);
  const high = f32x4.splat(most);
  const none = f32x4.splat(0);
  let farAbove = none;
  let farBelow = none;
  for (let i = 0; i < count; i += 4) {
    const here = v128.load(row);
    const over = f32x4.max(none, f32x4.sub(here, high));
    const under = f32x4.max(none, f32x4.sub(low, here));
    v128.store(within, f32x4.max(low, f32x4.min(high, here)));
    v128.store(above, over);
    v128.store(below, under);
    // Numbers past the row say nothing.
    if (i + 4 <= count) {
      farAbove = f32x4.max(farAbove, over);
      farBelow = f32x4.max(farBelow, under);
    } else {
      for (let k = i; k < count; k++) {
        const place = <usize>(4 * (k - i));
        farAbove = f32x4.max(farAbove, v128.load_splat<f32>(above + place));
        farBelow = f32x4.max(farBelow, v128.load_splat<f32>(below + place));
      }
    }
    row += 16;
    within += 16;
    above += 16;
    below += 16;
  }
  const far = f32x4.splat(worth);
  return (
    <i32>v128.any_true(f32x4.gt(farAbove, far)) + 2 * <i32>v128.any_true(f32x4.gt(farBelow, far))
  );
}

/**
 * Room of numbers (f32) for more, where `part` is how far each lies from `origin` times `scale`: ((1 − part) × (part + kept))². Reads and writes up to
 * three numbers past the row.
 */
export function roomOfRow(row: usize, origin: f32, scale: f32, kept: f32, room: usize, count: i32): void {
  const from = f32x4.splat(origin);
  const by = f32x4.splat(scale);
  const more = f32x4.splat(kept);
  const one = f32x4.splat(1);
  for (let i = 0; i < count; i += 4) {
    const part = f32x4.mul(f32x4.sub(v128.load(row), from), by);
    const has = f32x4.mul(f32x4.sub(one, part), f32x4.add(part, more));
    v128.store(room, f32x4.mul(has, has));
    row += 16;
    room += 16;
  }
}

/**
 * Sums of five rows (f32) and, of each number, the two beside it to either side; past the ends of a row it goes on as at them. `rows` holds the rows'
 * addresses (i32); `down` has room for a row and 12 numbers. Reads and writes up to three numbers past the rows.
 */
export function sumAround(rows: usize, down: usize, out: usize, count: i32): void {
  let first = <usize>load<u32>(rows);
  let second = <usize>load<u32>(rows + 4);
  let third = <usize>load<u32>(rows + 8);
  let fourth = <usize>load<u32>(rows + 12);
  let fifth = <usize>load<u32>(rows + 16);
  let to = down + 16;
  for (let i = 0; i < count; i += 4) {
    const outer = f32x4.add(v128.load(first), v128.load(fifth));
    const inner = f32x4.add(v128.load(second), v128.load(fourth));
    v128.store(to, f32x4.add(f32x4.add(outer, inner), v128.load(third)));
    first += 16;
    second += 16;
    third += 16;
    fourth += 16;
    fifth += 16;
    to += 16;
  }
  const start = load<f32>(down + 16);
  store<f32>(down + 8, start);
  store<f32>(down + 12, start);
  const end = down + 16 + <usize>(4 * count);
  const last = load<f32>(end - 4);
  store<f32>(end, last);
  store<f32>(end + 4, last);
  let at = down + 8;
  for (let i = 0; i < count; i += 4) {
    const outer = f32x4.add(v128.load(at), v128.load(at + 16));
    const inner = f32x4.add(v128.load(at + 4), v128.load(at + 12));
    v128.store(out, f32x4.add(f32x4.add(outer, inner), v128.load(at + 8)));
    at += 16;
    out += 16;
  }
}

/** Quotients of two rows (f32), 0 where the divisor is `least` or less. Reads and writes up to three numbers past them. */
export function divideRows(row: usize, by: usize, least: f32, out: usize, count: i32): void {
  const limit = f32x4.splat(least);
  for (let i = 0; i < count; i += 4) {
    const divisor = v128.load(by);
    const quotient = f32x4.div(v128.load(row), divisor);
    v128.store(out, v128.and(quotient, f32x4.gt(divisor, limit)));
    row += 16;
    by += 16;
    out += 16;
  }
}

/** Adds products of two rows (f32), times a weight, to others. Reads and writes up to three numbers past them. */
export function addProducts(a: usize, b: usize, weight: f32, to: usize, count: i32): void {
  const by = f32x4.splat(weight);
  for (let i = 0; i < count; i += 4) {
    const product = f32x4.mul(f32x4.mul(v128.load(a), v128.load(b)), by);
    v128.store(to, f32x4.add(v128.load(to), product));
    a += 16;
    b += 16;
    to += 16;
  }
}

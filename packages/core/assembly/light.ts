/** Adds `count` numbers (f32) times a weight to others. Reads and writes up to three numbers past them. */
export function addScaled(from: usize, weight: f32, to: usize, count: i32): void {
  const by = f32x4.splat(weight);
  for (let i = 0; i < count; i += 4) {
    v128.store(to, f32x4.add(v128.load(to), f32x4.mul(v128.load(from), by)));
    from += 16;
    to += 16;
  }
}

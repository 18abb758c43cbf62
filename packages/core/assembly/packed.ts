/** Bits of eight comparisons and eight more, the first the most significant of the first byte. */
// @ts-ignore: decorator
@inline
export function packed(left: v128, right: v128): i32 {
  const both = i8x16.narrow_i16x8_s(left, right);
  return i8x16.bitmask(i8x16.shuffle(both, both, 7, 6, 5, 4, 3, 2, 1, 0, 15, 14, 13, 12, 11, 10, 9, 8));
}

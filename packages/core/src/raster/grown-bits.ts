import { createBits, isBlank, type Bits } from './bits.ts';

/**
 * Bits with all their edges moved outward by a distance, exactly: a pixel is inked when the middle of an inked one lies within the radius of its
 * own. What lies beyond the bits does not count.
 *
 * @param radius pixels; below 0 edges move inward: what is bare grows
 */
export function grownBits(bits: Bits, radius: number): Bits {
  const reach = Math.floor(Math.abs(radius));
  if (reach === 0 || isBlank(bits)) return bits;
  if (radius < 0) return inverted(grownBits(inverted(bits), -radius));
  const { width, height, stride } = bits;
  const out = createBits(width, height);
  for (let down = 0; down <= reach; down++) {
    const across = Math.floor(Math.sqrt(radius * radius - down * down) + 1e-9);
    const wide = widened(bits, across);
    for (let y = 0; y < height; y++) {
      const from = wide.subarray(y * stride, (y + 1) * stride);
      for (const to of down === 0 ? [y] : [y - down, y + down]) {
        if (to < 0 || to >= height) continue;
        for (let i = 0, at = to * stride; i < stride; i++, at++) out.data[at] |= from[i];
      }
    }
  }
  const spare = (stride << 3) - width;
  for (let y = 1; y <= height; y++) out.data[y * stride - 1] &= 0xff << spare;
  return out;
}

/** Rows of bits in which each inked pixel inks so many to its left and right. */
function widened({ height, stride, data }: Bits, reach: number): Uint8Array {
  let wide = data.slice();
  // Each turn moves edges by up to a byte less one bit.
  for (let left = reach; left > 0;) {
    const by = Math.min(7, left);
    const from = wide;
    wide = from.slice();
    for (let y = 0; y < height; y++) {
      for (let i = y * stride; i < (y + 1) * stride; i++) {
        const byte = from[i];
        if (byte === 0) continue;
        let [own, before, after] = [byte, 0, 0];
        for (let shift = 1; shift <= by; shift++) {
          own |= (byte << shift) | (byte >> shift);
          before |= byte >> (8 - shift);
          after |= byte << (8 - shift);
        }
        wide[i] |= own;
        if (i > y * stride) wide[i - 1] |= before;
        if (i + 1 < (y + 1) * stride) wide[i + 1] |= after;
      }
    }
    left -= by;
  }
  return wide;
}

function inverted(bits: Bits): Bits {
  const data = bits.data.map((byte) => ~byte);
  const spare = (bits.stride << 3) - bits.width;
  for (let y = 1; y <= bits.height; y++) data[y * bits.stride - 1] &= 0xff << spare;
  return { ...bits, data };
}

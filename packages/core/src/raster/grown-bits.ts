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
  if (radius < 0) return invertedBits(grownBits(invertedBits(bits), -radius));
  const { width, height } = bits;
  const perRow = (width + 31) >> 5;
  const from = wordsOf(bits, perRow);
  const out = new Uint32Array(from.length);
  // How far a pixel reaches to its sides, so many rows above and below it.
  const across = Array.from({ length: reach + 1 }, (_, down) =>
    Math.floor(Math.sqrt(radius * radius - down * down) + 1e-9),
  );
  const row = new Uint32Array(perRow);
  for (let y = 0; y < height; y++) {
    row.set(from.subarray(y * perRow, (y + 1) * perRow));
    if (row.every((word) => word === 0)) continue;
    let wide = 0;
    for (let down = reach; down >= 0; down--) {
      widen(row, across[down] - wide);
      wide = across[down];
      if (y >= down) layRow(row, out, (y - down) * perRow);
      if (down > 0 && y + down < height) layRow(row, out, (y + down) * perRow);
    }
  }
  return bitsOf(out, perRow, width, height);
}

/** Bits the other way about: what is inked is bare. */
export function invertedBits(bits: Bits): Bits {
  const data = bits.data.map((byte) => ~byte);
  const spare = (bits.stride << 3) - bits.width;
  for (let y = 1; y <= bits.height; y++) data[y * bits.stride - 1] &= 0xff << spare;
  return { ...bits, data };
}

function layRow(row: Uint32Array, out: Uint32Array, at: number): void {
  for (let i = 0; i < row.length; i++) out[at + i] |= row[i];
}

/** Has each pixel of a row ink so many more to its left and right. */
function widen(row: Uint32Array, by: number): void {
  // Doubling: pixels that were moved once are moved along.
  for (let done = 0; done < by;) {
    const shift = Math.min(done + 1, by - done, 31);
    let before = 0;
    for (let i = 0; i < row.length; i++) {
      const own = row[i];
      row[i] |= (own >>> shift) | (before << (32 - shift));
      before = own;
    }
    done += shift;
  }
  for (let done = 0; done < by;) {
    const shift = Math.min(done + 1, by - done, 31);
    let after = 0;
    for (let i = row.length - 1; i >= 0; i--) {
      const own = row[i];
      row[i] |= (own << shift) | (after >>> (32 - shift));
      after = own;
    }
    done += shift;
  }
}

/** Bits as words of 32, the first pixel in the highest bit. */
function wordsOf({ stride, height, data }: Bits, perRow: number): Uint32Array {
  const words = new Uint32Array(perRow * height);
  for (let y = 0; y < height; y++)
    for (let i = 0; i < stride; i++)
      words[y * perRow + (i >> 2)] |= data[y * stride + i] << (24 - 8 * (i & 3));
  return words;
}

function bitsOf(words: Uint32Array, perRow: number, width: number, height: number): Bits {
  const bits = createBits(width, height);
  const { data, stride } = bits;
  const spare = (stride << 3) - width;
  for (let y = 0; y < height; y++) {
    for (let i = 0; i < stride; i++)
      data[y * stride + i] = words[y * perRow + (i >> 2)] >>> (24 - 8 * (i & 3));
    data[(y + 1) * stride - 1] &= 0xff << spare;
  }
  return bits;
}

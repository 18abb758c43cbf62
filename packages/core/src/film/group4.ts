import type { Bits } from '../raster/bits.ts';
import { BLACK_CODES, WHITE_CODES, type RunCodes } from './run-codes.ts';

/** Vertical mode codes for a1 − b1 = −3 … 3, and their lengths (ITU-T T.6, table 1). */
const VERTICAL_CODE = [0b0000010, 0b000010, 0b010, 0b1, 0b011, 0b000011, 0b0000011];
const VERTICAL_LENGTH = [7, 6, 3, 1, 3, 6, 7];
const PASS = 0b0001;
const HORIZONTAL = 0b001;

/**
 * Writes the columns where a row changes colour, starting from white, then `width` four times.
 * Bit differences are found 32 pixels at a time.
 */
function findChanges(data: Uint8Array, start: number, stride: number, width: number, out: Int32Array): void {
  let count = 0;
  let carry = 0;
  for (let byte = 0; byte < stride; byte += 4) {
    const at = start + byte;
    const left = stride - byte;
    const word =
      left >= 4
        ? (data[at] << 24) | (data[at + 1] << 16) | (data[at + 2] << 8) | data[at + 3]
        : (data[at] << 24) | ((left > 1 ? data[at + 1] : 0) << 16) | ((left > 2 ? data[at + 2] : 0) << 8);
    let edges = word ^ ((word >>> 1) | (carry << 31));
    carry = word & 1;
    const column = byte << 3;
    while (edges !== 0) {
      const zeros = Math.clz32(edges);
      out[count++] = column + zeros;
      edges &= ~(0x80000000 >>> zeros);
    }
  }
  while (count > 0 && out[count - 1] >= width) count--;
  out[count] = out[count + 1] = out[count + 2] = out[count + 3] = width;
}

/**
 * Encodes bits as one Group 4 strip (ITU-T Recommendation T.6), ink as black, with the end-of-block code.
 * The row before the first is imagined white, so every strip stands alone.
 */
export function encodeGroup4(bits: Bits): Uint8Array {
  const { width, height, stride, data } = bits;
  let out = new Uint8Array(Math.max(1024, (data.length >> 2) + 64));
  let length = 0;
  let pending = 0;
  let pendingBits = 0;

  const put = (code: number, bitCount: number): void => {
    pending = (pending << bitCount) | code;
    pendingBits += bitCount;
    while (pendingBits >= 8) {
      pendingBits -= 8;
      out[length++] = pending >>> pendingBits;
    }
  };
  const putRun = (codes: RunCodes, run: number): void => {
    while (run >= 2560 + 64) {
      put(codes.code[63 + 40], codes.length[63 + 40]);
      run -= 2560;
    }
    if (run >= 64) {
      const makeUp = 63 + (run >> 6);
      put(codes.code[makeUp], codes.length[makeUp]);
    }
    put(codes.code[run & 63], codes.length[run & 63]);
  };

  let above = new Int32Array(width + 8).fill(width);
  let row = new Int32Array(width + 8);
  for (let y = 0; y < height; y++) {
    // No row takes more than about 5 bits a pixel and 13 for each run.
    if (out.length - length < width * 2 + 64) {
      const grown = new Uint8Array(out.length * 2 + width * 4);
      grown.set(out);
      out = grown;
    }
    findChanges(data, y * stride, stride, width, row);
    let a0 = -1;
    let black = 0;
    let next = 0;
    let up = 0;
    while (a0 < width) {
      // b1: first change above to the right of a0, towards the colour opposite to the present one.
      while (up > 0 && above[up - 1] > a0) up--;
      if ((up & 1) !== black) up++;
      while (above[up] <= a0 && above[up] < width) up += 2;
      const a1 = row[next];
      const b1 = above[up];
      const b2 = b1 < width ? above[up + 1] : width;
      if (b2 < a1) {
        put(PASS, 4);
        a0 = b2;
        continue;
      }
      const offset = a1 - b1;
      if (offset >= -3 && offset <= 3) {
        put(VERTICAL_CODE[offset + 3], VERTICAL_LENGTH[offset + 3]);
        a0 = a1;
        next++;
        black ^= 1;
      } else {
        const a2 = a1 < width ? row[next + 1] : width;
        put(HORIZONTAL, 3);
        putRun(black ? BLACK_CODES : WHITE_CODES, a1 - Math.max(0, a0));
        putRun(black ? WHITE_CODES : BLACK_CODES, a2 - a1);
        a0 = a2;
        next += 2;
      }
    }
    [above, row] = [row, above];
  }
  put(1, 12);
  put(1, 12);
  if (pendingBits > 0) put(0, 8 - pendingBits);
  return out.slice(0, length);
}

import type { Kernels } from './kernels.ts';

/** Vertical mode codes for a1 − b1 = −3 … 3, and their lengths (ITU-T T.6, table 1). */
const VERTICAL_CODE = [0b0000010, 0b000010, 0b010, 0b1, 0b011, 0b000011, 0b0000011];
const VERTICAL_LENGTH = [7, 6, 3, 1, 3, 6, 7];
const PASS = 0b0001;
const HORIZONTAL = 0b001;
const CODES = 104;

/** The loops of `assembly/group4.ts` in plain TypeScript, on the same memory. */
export function plainGroup4(
  u8: Uint8Array,
  i32: Int32Array,
): Pick<Kernels, 'beginStrip' | 'stripRest' | 'encodeRows' | 'moveBehind' | 'endStrip'> {
  let pending = 0;
  let waiting = 0;
  let at = 0;
  let above = 0;
  let row = 0;

  const put = (code: number, bits: number): void => {
    pending = (pending << bits) | code;
    waiting += bits;
    while (waiting >= 8) {
      waiting -= 8;
      u8[at++] = pending >>> waiting;
    }
  };
  const putRun = (codes: number, run: number): void => {
    const code = (k: number) => put(i32[codes + k], i32[codes + CODES + k]);
    for (; run >= 2560 + 64; run -= 2560) code(63 + 40);
    if (run >= 64) code(63 + (run >> 6));
    code(run & 63);
  };
  const takeUp = (rest: number): void => {
    pending = rest & 255;
    waiting = rest >> 8;
  };
  /** Columns where a row of bits changes colour, then `width` four times. */
  const findChanges = (data: number, width: number, row: number): void => {
    let count = 0;
    let before = 0;
    for (let x = 0; x < width; x++) {
      const bit = (u8[data + (x >> 3)] >> (7 - (x & 7))) & 1;
      if (bit !== before) i32[row + count++] = x;
      before = bit;
    }
    for (let k = 0; k < 4; k++) i32[row + count + k] = width;
  };
  const encodeRow = (width: number, white: number, black: number): void => {
    let a0 = -1;
    let inked = 0;
    let next = row;
    let up = above;
    while (a0 < width) {
      // b1: first change above to the right of a0, towards the colour opposite to the present one.
      while (up > above && i32[up - 1] > a0) up--;
      if (((up - above) & 1) !== inked) up++;
      while (i32[up] <= a0 && i32[up] < width) up += 2;
      const a1 = i32[next];
      const b1 = i32[up];
      const b2 = b1 < width ? i32[up + 1] : width;
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
        inked ^= 1;
      } else {
        const a2 = a1 < width ? i32[next + 1] : width;
        put(HORIZONTAL, 3);
        putRun(inked ? black : white, a1 - Math.max(0, a0));
        putRun(inked ? white : black, a2 - a1);
        a0 = a2;
        next += 2;
      }
    }
  };
  return {
    beginStrip(first, second, before, _stride, width, rest) {
      takeUp(rest);
      above = first >> 2;
      row = second >> 2;
      if (before === 0) i32.fill(width, above, above + 4);
      else findChanges(before, width, above);
    },
    stripRest: () => (waiting << 8) | (pending & ((1 << waiting) - 1)),
    encodeRows(data, stride, width, height, white, black, out) {
      at = out;
      for (let y = 0; y < height; y++) {
        findChanges(data + y * stride, width, row);
        encodeRow(width, white >> 2, black >> 2);
        [above, row] = [row, above];
      }
      return at - out;
    },
    moveBehind(bytes, count, before, out) {
      const by = before >> 8;
      let last = before & 255;
      for (let i = 0; i < count; i++) {
        const byte = u8[bytes + i];
        u8[out + i] = (last << (8 - by)) | (byte >> by);
        last = byte;
      }
    },
    endStrip(rest, out) {
      takeUp(rest);
      at = out;
      put(1, 12);
      put(1, 12);
      if (waiting > 0) put(0, 8 - waiting);
      return at - out;
    },
  };
}

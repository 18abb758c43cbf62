import { bytesAt, kernels, STRIP, STRIP_BYTES, wholesAt } from '../kernel/memory.ts';
import type { Bits } from '../raster/bits.ts';
import { BLACK_CODES, WHITE_CODES, type RunCodes } from './run-codes.ts';

/** Codes, then their lengths, as the kernel reads them. */
function layCodes(address: number, { code, length }: RunCodes): number {
  const numbers = wholesAt(address, code.length + length.length);
  numbers.set(code);
  numbers.set(length, code.length);
  return address;
}

/** No row takes more bytes than this: about 5 bits a pixel and 13 for each run at the worst. */
const mostBytes = (width: number): number => width * 2 + 64;

/**
 * Encodes bits as one Group 4 strip (ITU-T Recommendation T.6), ink as black, with the end-of-block code.
 * The row before the first is imagined white, so every strip stands alone.
 */
export function encodeGroup4({ width, height, stride, data }: Bits): Uint8Array {
  const white = layCodes(STRIP.codes[0], WHITE_CODES);
  const black = layCodes(STRIP.codes[1], BLACK_CODES);
  const [first, second] = STRIP.changes;
  kernels.beginStrip(first, second, width);
  const rows = Math.max(
    1,
    Math.floor(Math.min(STRIP_BYTES.data / stride, STRIP_BYTES.out / mostBytes(width))),
  );
  const parts: Uint8Array[] = [];
  for (let y = 0; y < height; y += rows) {
    const count = Math.min(rows, height - y);
    bytesAt(STRIP.data, count * stride).set(data.subarray(y * stride, (y + count) * stride));
    const bytes = kernels.encodeRows(STRIP.data, stride, width, count, white, black, STRIP.out);
    parts.push(bytesAt(STRIP.out, bytes).slice());
  }
  parts.push(bytesAt(STRIP.out, kernels.endStrip(STRIP.out)).slice());
  const out = new Uint8Array(parts.reduce((sum, part) => sum + part.length, 0));
  let length = 0;
  for (const part of parts) {
    out.set(part, length);
    length += part.length;
  }
  return out;
}

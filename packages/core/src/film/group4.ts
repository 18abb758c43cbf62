import { addressOf, bytesAt, kernels, STRIP, STRIP_BYTES, wholesAt } from '../kernel/memory.ts';
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

/** Packed rows: whole bytes, and the bits that are left over behind them. */
export interface PackedRows {
  readonly bytes: Uint8Array;
  /** Bits left over, fewer than eight: their number times 256, and they. */
  readonly rest: number;
}

/**
 * Packs rows, each by the row above it (ITU-T Recommendation T.6), ink as black.
 *
 * @param above bits of the row above the first; a white one where none is given
 * @param rest  bits left over of the rows before; these begin with them
 */
export function packRows({ width, height, stride, data }: Bits, above?: Uint8Array, rest = 0): PackedRows {
  const white = layCodes(STRIP.codes[0], WHITE_CODES);
  const black = layCodes(STRIP.codes[1], BLACK_CODES);
  const [first, second] = STRIP.changes;
  kernels.beginStrip(first, second, above ? placed(above, STRIP.above) : 0, stride, width, rest);
  const rows = Math.max(
    1,
    Math.floor(Math.min(STRIP_BYTES.data / stride, STRIP_BYTES.out / mostBytes(width))),
  );
  const parts: Uint8Array[] = [];
  for (let y = 0; y < height; y += rows) {
    const count = Math.min(rows, height - y);
    const place = placed(data.subarray(y * stride, (y + count) * stride), STRIP.data);
    const bytes = kernels.encodeRows(place, stride, width, count, white, black, STRIP.out);
    parts.push(bytesAt(STRIP.out, bytes).slice());
  }
  return { bytes: joined(parts), rest: kernels.stripRest() };
}

/** Where bits lie in the kernels' memory: their own place, or one that they are copied to. */
function placed(bits: Uint8Array, place: number): number {
  const own = addressOf(bits);
  if (own === undefined) bytesAt(place, bits.length).set(bits);
  return own ?? place;
}

/** The end-of-block code behind the bits that are left over. */
export const packEnd = (rest: number): Uint8Array =>
  bytesAt(STRIP.out, kernels.endStrip(rest, STRIP.out)).slice();

/** Encodes bits as one Group 4 strip that stands alone, ink as black, with the end-of-block code. */
export function encodeGroup4(bits: Bits): Uint8Array {
  const { bytes, rest } = packRows(bits);
  return joined([bytes, packEnd(rest)]);
}

/** One picture whose rows come a few at a time: all of them to be packed here, or all packed before. */
export interface Group4Stream {
  /** Further rows; what comes of them but for a few bits. */
  rows(bits: Bits): Uint8Array;
  /** Further rows that were packed by the row above them, with no bits before. */
  packed(rows: PackedRows): Uint8Array;
  /** The rest, with the end-of-block code. */
  end(): Uint8Array;
}

/** Begins a picture; its first row is imagined under a white one. */
export function group4Stream(): Group4Stream {
  let above: Uint8Array | undefined;
  let rest = 0;
  return {
    rows(bits) {
      const { stride, height, data } = bits;
      const made = packRows(bits, above, rest);
      above = data.slice((height - 1) * stride, height * stride);
      rest = made.rest;
      return made.bytes;
    },
    packed(rows) {
      const made = behind(rest, rows);
      rest = made.rest;
      return made.bytes;
    },
    end: () => packEnd(rest),
  };
}

/** Packed rows moved behind some bits. */
function behind(before: number, { bytes, rest }: PackedRows): PackedRows {
  const count = before >> 8;
  if (count === 0) return { bytes, rest };
  const out = new Uint8Array(bytes.length);
  for (let at = 0; at < bytes.length; at += STRIP_BYTES.data) {
    const part = bytes.subarray(at, at + STRIP_BYTES.data);
    const over = at === 0 ? before : (count << 8) | bytes[at - 1];
    kernels.moveBehind(placed(part, STRIP.data), part.length, over, STRIP.out);
    out.set(bytesAt(STRIP.out, part.length), at);
  }
  // The last byte's lower bits, then what was left over itself.
  const own = rest >> 8;
  const last = bytes.length === 0 ? before & 255 : bytes[bytes.length - 1];
  const bits = ((last & ((1 << count) - 1)) << own) | (rest & 255);
  const waiting = count + own;
  if (waiting < 8) return { bytes: out, rest: (waiting << 8) | bits };
  const over = waiting - 8;
  return {
    bytes: joined([out, Uint8Array.of(bits >> over)]),
    rest: (over << 8) | (bits & ((1 << over) - 1)),
  };
}

function joined(parts: readonly Uint8Array[]): Uint8Array {
  if (parts.length === 1) return parts[0];
  const out = new Uint8Array(parts.reduce((sum, part) => sum + part.length, 0));
  let length = 0;
  for (const part of parts) {
    out.set(part, length);
    length += part.length;
  }
  return out;
}

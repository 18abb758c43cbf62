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

/** Columns that the kernels write behind a row's changes. */
const CHANGES_BEYOND = 4;

/** Rows packed one after another, each by the row before it (ITU-T Recommendation T.6). */
export interface Group4Stream {
  /** Further rows, ink as black; what comes of them but for a few bits. */
  rows(bits: Bits): Uint8Array;
  /** The rest, with the end-of-block code. */
  end(): Uint8Array;
}

/** A stream that another one was gone on with before it had ended: bits that wait, and where the row above changes colour. */
interface Left {
  readonly rest: number;
  readonly changes: Int32Array;
}

/** Puts aside the state of the stream that the kernels are at: they have room for one. */
let putAside: (() => void) | undefined;

/** Begins a picture whose rows come a few at a time; its first row is imagined under a white one. Several may be open, and take turns. */
export function group4Stream(width: number): Group4Stream {
  const white = layCodes(STRIP.codes[0], WHITE_CODES);
  const black = layCodes(STRIP.codes[1], BLACK_CODES);
  const [first, second] = STRIP.changes;
  let state: 'new' | 'open' | Left = 'new';
  const leave = (): void => {
    const changes = wholesAt(kernels.rowAbove(), width + CHANGES_BEYOND).slice();
    state = { rest: kernels.stripRest(), changes };
  };
  const goOn = (): void => {
    if (state === 'open') return;
    putAside?.();
    if (state === 'new') kernels.beginStrip(first, second, width);
    else {
      kernels.resumeStrip(first, second, state.rest);
      wholesAt(kernels.rowAbove(), state.changes.length).set(state.changes);
    }
    state = 'open';
    putAside = leave;
  };
  return {
    rows({ height, stride, data }) {
      goOn();
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
      return joined(parts);
    },
    end() {
      goOn();
      putAside = undefined;
      return bytesAt(STRIP.out, kernels.endStrip(STRIP.out)).slice();
    },
  };
}

/** Encodes bits as one Group 4 strip that stands alone, ink as black, with the end-of-block code. */
export function encodeGroup4(bits: Bits): Uint8Array {
  const stream = group4Stream(bits.width);
  return joined([stream.rows(bits), stream.end()]);
}

function joined(parts: readonly Uint8Array[]): Uint8Array {
  const out = new Uint8Array(parts.reduce((sum, part) => sum + part.length, 0));
  let length = 0;
  for (const part of parts) {
    out.set(part, length);
    length += part.length;
  }
  return out;
}

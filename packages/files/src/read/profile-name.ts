import { soundText } from './sound-text.ts';

/** Bytes of a name that are read; an even number. */
const LONGEST = 400;

/** The description in an ICC profile: a `desc` tag of type `desc` or `mluc` (ICC.1:2022, 10.13). */
export const profileName = (icc: Uint8Array): string => soundText(said(icc)) || 'embedded profile';

function said(icc: Uint8Array): string {
  const view = new DataView(icc.buffer, icc.byteOffset, icc.byteLength);
  const text = (from: number, length: number) =>
    Buffer.from(icc.subarray(from, from + length)).toString('latin1');
  const count = icc.byteLength > 132 ? view.getUint32(128) : 0;
  for (let i = 0; i < Math.min(count, 100); i++) {
    const entry = 132 + i * 12;
    if (entry + 12 > icc.byteLength || text(entry, 4) !== 'desc') continue;
    const at = view.getUint32(entry + 4);
    if (at + 28 > icc.byteLength) break;
    if (text(at, 4) === 'desc')
      return text(at + 12, Math.min(LONGEST, Math.max(0, view.getUint32(at + 8) - 1)));
    const length = view.getUint32(at + 20);
    const from = at + view.getUint32(at + 24);
    // Letters of two bytes each.
    return Buffer.from(evenly(icc.slice(from, from + Math.min(LONGEST, length))))
      .swap16()
      .toString('utf16le');
  }
  return '';
}

const evenly = (bytes: Uint8Array): Uint8Array => bytes.subarray(0, bytes.length & ~1);

import { unzlibSync } from 'fflate';
import { UnreadableTypeface } from './unreadable.ts';

/** Bytes of a font, unpacked, at most: the largest there are, of all of Chinese, have some 30 million. */
const LARGEST = 64e6;

const [HEADER, ENTRY] = [44, 20];
const [FONT_HEADER, FONT_ENTRY] = [12, 16];

/** True for a font that is packed as WOFF. */
export const isWoff = (bytes: Uint8Array): boolean =>
  bytes[0] === 0x77 && bytes[1] === 0x4f && bytes[2] === 0x46 && bytes[3] === 0x46;

const padded = (length: number): number => (length + 3) & ~3;

/**
 * The font within a WOFF file (W3C, WOFF File Format 1.0, sections 3 to 5).
 *
 * @throws UnreadableTypeface where the file does not hold what it says, or too much
 */
export function unpackWoff(woff: Uint8Array): Uint8Array {
  const view = new DataView(woff.buffer, woff.byteOffset, woff.byteLength);
  const count = woff.length >= HEADER ? view.getUint16(12) : 0;
  if (count === 0 || HEADER + count * ENTRY > woff.length) {
    throw new UnreadableTypeface('The font file is damaged or ends too early.');
  }
  const tables = Array.from({ length: count }, (_, i) => {
    const at = HEADER + i * ENTRY;
    const [offset, packed, length] = [4, 8, 12].map((k) => view.getUint32(at + k));
    return { entry: at, offset, packed, length };
  });
  const size = tables.reduce((sum, { length }) => sum + padded(length), FONT_HEADER + FONT_ENTRY * count);
  if (size > LARGEST) {
    throw new UnreadableTypeface(
      `The font file unpacks to ${Math.round(size / 1e6)} MB; Brachytone takes up to ${LARGEST / 1e6}.`,
    );
  }
  const out = new Uint8Array(size);
  const to = new DataView(out.buffer);
  const power = Math.floor(Math.log2(count));
  to.setUint32(0, view.getUint32(4));
  [count, 16 << power, power, 16 * count - (16 << power)].forEach((value, i) =>
    to.setUint16(4 + 2 * i, value),
  );
  let end = FONT_HEADER + FONT_ENTRY * count;
  tables.forEach(({ entry, offset, packed, length }, i) => {
    const at = FONT_HEADER + i * FONT_ENTRY;
    out.set(woff.subarray(entry, entry + 4), at);
    [view.getUint32(entry + 16), end, length].forEach((value, k) => to.setUint32(at + 4 + 4 * k, value));
    out.set(tableOf(woff.subarray(offset, offset + packed), length), end);
    end += padded(length);
  });
  return out;
}

/** A table of a length, unpacked where it is packed. */
function tableOf(bytes: Uint8Array, length: number): Uint8Array {
  try {
    const table = bytes.length < length ? unzlibSync(bytes, { out: new Uint8Array(length) }) : bytes;
    if (table.length === length) return table;
  } catch {
    // Told below.
  }
  throw new UnreadableTypeface('The font file is damaged or ends too early, so it could not be unpacked.');
}

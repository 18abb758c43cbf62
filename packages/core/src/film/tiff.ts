import { deflate } from 'pako';
import type { Bits } from '../raster/bits.ts';
import { stripRows, type FilmFacts, type FilmFile } from './film-file.ts';
import { encodeGroup4 } from './group4.ts';
import type { Sink } from './sink.ts';
import { stripsAlone, type StripPacking } from './strips.ts';

/** How strips are packed: ITU-T T.6, or zlib's deflate. */
export type TiffCompression = 'group4' | 'deflate';

const SHORT = 3;
const LONG = 4;
const RATIONAL = 5;
const ASCII = 2;
const TYPE_BYTES: Record<number, number> = { [ASCII]: 1, [SHORT]: 2, [LONG]: 4, [RATIONAL]: 8 };

interface Entry {
  readonly tag: number;
  readonly type: number;
  /** Values; a rational is two numbers. */
  readonly values: readonly number[];
}

const ascii = (text: string): number[] => [
  ...[...text].map((letter) => (letter.charCodeAt(0) < 127 ? letter.charCodeAt(0) : 63)),
  0,
];

/** A picture of a TIFF: bits are ink (WhiteIsZero), larger samples are light (BlackIsZero). */
export interface TiffPage extends FilmFacts {
  /** Bits of a sample. */
  readonly depth: 1 | 8 | 16;
  readonly compression: 'group4' | 'deflate';
}

/** A picture being written: strips of packed rows, 16-bit samples little-endian. */
export interface TiffPicture {
  strip(packed: Uint8Array): void;
  finish(): void;
}

/**
 * Begins a little-endian TIFF of one picture or several, each a strip after another with its directory behind it. Resolution in pixels per inch to a
 * thousandth.
 *
 * Source: TIFF Revision 6.0, 1992; deflate as in TIFF Technical Note 2 (compression 8).
 */
export function openTiff(sink: Sink): { picture: (page: TiffPage, rowsPerStrip: number) => TiffPicture } {
  sink.write(Uint8Array.of(0x49, 0x49, 42, 0, 0, 0, 0, 0));
  let at = 8;
  /** Where the place of the next directory is to stand. */
  let link = 4;
  return {
    picture(page, rowsPerStrip) {
      const offsets: number[] = [];
      const sizes: number[] = [];
      return {
        strip(packed) {
          // Values that follow must start on a word boundary.
          offsets.push(at);
          sizes.push(packed.length);
          sink.write(packed);
          if (packed.length & 1) sink.write(new Uint8Array(1));
          at += packed.length + (packed.length & 1);
        },
        finish() {
          const entries = entriesOf(page, rowsPerStrip, offsets, sizes);
          const bytes = directory(entries, at);
          sink.write(bytes);
          const pointer = new Uint8Array(4);
          new DataView(pointer.buffer).setUint32(0, at, true);
          sink.patch(link, pointer);
          link = at + 2 + 12 * entries.length;
          at += bytes.length;
        },
      };
    },
  };
}

function entriesOf(
  { width, height, resolution, description, depth, compression }: TiffPage,
  rowsPerStrip: number,
  offsets: readonly number[],
  sizes: readonly number[],
): Entry[] {
  const perInch = [Math.round(resolution * 1000), 1000];
  return [
    { tag: 256, type: LONG, values: [width] },
    { tag: 257, type: LONG, values: [height] },
    { tag: 258, type: SHORT, values: [depth] },
    { tag: 259, type: SHORT, values: [compression === 'group4' ? 4 : 8] },
    { tag: 262, type: SHORT, values: [depth === 1 ? 0 : 1] },
    { tag: 270, type: ASCII, values: ascii(description) },
    { tag: 273, type: LONG, values: offsets },
    { tag: 274, type: SHORT, values: [1] },
    { tag: 277, type: SHORT, values: [1] },
    { tag: 278, type: LONG, values: [rowsPerStrip] },
    { tag: 279, type: LONG, values: sizes },
    { tag: 282, type: RATIONAL, values: perInch },
    { tag: 283, type: RATIONAL, values: perInch },
    ...(compression === 'group4' ? [{ tag: 293, type: LONG, values: [0] }] : []),
    { tag: 296, type: SHORT, values: [2] },
    { tag: 305, type: ASCII, values: ascii('Brachytone') },
  ];
}

/** How a strip of bits is packed, by itself. */
const PACK: Record<TiffCompression, (bits: Bits) => Uint8Array> = {
  group4: encodeGroup4,
  deflate: ({ data }) => deflate(data, { level: 6 }),
};

/** Strips of a TIFF packed apart. */
export const tiffStrips = (compression: TiffCompression): StripPacking => stripsAlone(PACK[compression]);

/** Bits as a page of an opened TIFF, strip by strip; 1 = ink. */
export function tiffBits(
  tiff: ReturnType<typeof openTiff>,
  facts: FilmFacts,
  compression: TiffCompression,
): FilmFile {
  const picture = tiff.picture({ ...facts, depth: 1, compression }, stripRows(facts));
  return {
    strip: (bits) => picture.strip(PACK[compression](bits)),
    packed: picture.strip,
    finish: picture.finish,
  };
}

/** A one-bit TIFF written strip by strip. */
export const tiffFile = (sink: Sink, facts: FilmFacts, compression: TiffCompression): FilmFile =>
  tiffBits(openTiff(sink), facts, compression);

/** An image file directory that stands at byte `at` of the file, its longer values behind it. */
function directory(entries: readonly Entry[], at: number): Uint8Array {
  const head = 2 + entries.length * 12 + 4;
  const sizes = entries.map(({ type, values }) =>
    type === RATIONAL ? (values.length / 2) * 8 : values.length * TYPE_BYTES[type],
  );
  const longer = sizes.reduce((sum, size) => sum + (size > 4 ? size + (size & 1) : 0), 0);
  const bytes = new Uint8Array(head + longer);
  const view = new DataView(bytes.buffer);
  view.setUint16(0, entries.length, true);
  let spare = head;
  entries.forEach(({ tag, type, values }, i) => {
    const entry = 2 + i * 12;
    view.setUint16(entry, tag, true);
    view.setUint16(entry + 2, type, true);
    view.setUint32(entry + 4, type === RATIONAL ? values.length / 2 : values.length, true);
    let to = entry + 8;
    if (sizes[i] > 4) {
      view.setUint32(to, at + spare, true);
      to = spare;
      spare += sizes[i] + (sizes[i] & 1);
    }
    for (const value of values) {
      if (type === ASCII) view.setUint8(to, value);
      else if (type === SHORT) view.setUint16(to, value, true);
      else view.setUint32(to, value, true);
      to += type === ASCII ? 1 : type === SHORT ? 2 : 4;
    }
  });
  return bytes;
}

import { Deflate } from 'pako';
import type { Bits } from '../raster/bits.ts';
import { crc32 } from './crc32.ts';
import type { FilmFacts, FilmFile } from './film-file.ts';
import type { Sink } from './sink.ts';

const letters = (text: string): Uint8Array =>
  Uint8Array.from([...text].map((letter) => (letter.charCodeAt(0) < 127 ? letter.charCodeAt(0) : 63)));

function chunk(sink: Sink, type: string, body: Uint8Array): void {
  const head = new Uint8Array(8);
  new DataView(head.buffer).setUint32(0, body.length);
  const name = letters(type);
  head.set(name, 4);
  const tail = new Uint8Array(4);
  new DataView(tail.buffer).setUint32(0, crc32(name, body));
  sink.write(head);
  sink.write(body);
  sink.write(tail);
}

/** Packed bytes in a chunk of picture data. */
const PART = 1 << 16;

interface PngFacts {
  readonly width: number;
  readonly height: number;
  /** Pixels per inch; kept in whole pixels per metre, as the format has it. */
  readonly resolution: number;
  readonly description: string;
}

/**
 * A PNG whose rows come a few at a time, each after a byte that names its filter (0 for none).
 *
 * Source: PNG (Portable Network Graphics) Specification, ISO/IEC 15948.
 *
 * @param depth  bits per sample
 * @param colour colour type: 0 grey, 6 red, green, blue and alpha
 */
function openPng(sink: Sink, facts: PngFacts, depth: number, colour: number, level: 1 | 6 = 6) {
  sink.write(Uint8Array.of(0x89, 0x50, 0x4e, 0x47, 0x0d, 0x0a, 0x1a, 0x0a));
  const header = new Uint8Array(13);
  const headerView = new DataView(header.buffer);
  headerView.setUint32(0, facts.width);
  headerView.setUint32(4, facts.height);
  header[8] = depth;
  header[9] = colour;
  chunk(sink, 'IHDR', header);
  if (colour === 6) chunk(sink, 'sRGB', Uint8Array.of(0));
  const physical = new Uint8Array(9);
  const physicalView = new DataView(physical.buffer);
  const perMetre = Math.round(facts.resolution / 0.0254);
  physicalView.setUint32(0, perMetre);
  physicalView.setUint32(4, perMetre);
  physical[8] = 1;
  chunk(sink, 'pHYs', physical);
  chunk(sink, 'tEXt', letters(`Description\0${facts.description}`));
  const deflate = new Deflate({ level, chunkSize: PART });
  deflate.onData = (packed) => chunk(sink, 'IDAT', packed);
  return {
    rows: (bytes: Uint8Array) => void deflate.push(bytes, false),
    finish() {
      deflate.push(new Uint8Array(0), true);
      chunk(sink, 'IEND', new Uint8Array(0));
    },
  };
}

/** A one-bit greyscale PNG written strip by strip; ink is black (sample 0). */
export function pngFile(sink: Sink, facts: FilmFacts): FilmFile {
  const png = openPng(sink, facts, 1, 0);
  return {
    strip(bits: Bits) {
      const rows = new Uint8Array((bits.stride + 1) * bits.height);
      for (let y = 0; y < bits.height; y++) {
        const to = y * (bits.stride + 1) + 1;
        const from = y * bits.stride;
        for (let i = 0; i < bits.stride; i++) rows[to + i] = ~bits.data[from + i];
      }
      png.rows(rows);
    },
    finish: png.finish,
  };
}

/**
 * A PNG of 8-bit sRGB with alpha, written a few rows at a time.
 *
 * @param level 1 for a file that is soon read and thrown away
 */
export function colourPng(
  sink: Sink,
  facts: PngFacts,
  level: 1 | 6 = 6,
): { rows: (rgba: Uint8ClampedArray) => void; finish: () => void } {
  const png = openPng(sink, facts, 8, 6, level);
  const length = facts.width * 4;
  return {
    rows(rgba) {
      const count = rgba.length / length;
      const out = new Uint8Array(count * (length + 1));
      for (let y = 0; y < count; y++)
        out.set(rgba.subarray(y * length, (y + 1) * length), y * (length + 1) + 1);
      png.rows(out);
    },
    finish: png.finish,
  };
}

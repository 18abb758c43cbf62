import { Zlib } from 'fflate';
import type { Bits } from '../raster/bits.ts';
import { crc32 } from './crc32.ts';
import { stripRows, type FilmFacts, type FilmFile } from './film-file.ts';
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

/**
 * A one-bit greyscale PNG written strip by strip; ink is black (sample 0). Its resolution is kept in whole pixels per
 * metre, as the format has it.
 *
 * Source: PNG (Portable Network Graphics) Specification, ISO/IEC 15948.
 */
export function pngFile(sink: Sink, facts: FilmFacts): FilmFile {
  sink.write(Uint8Array.of(0x89, 0x50, 0x4e, 0x47, 0x0d, 0x0a, 0x1a, 0x0a));
  const header = new Uint8Array(13);
  const headerView = new DataView(header.buffer);
  headerView.setUint32(0, facts.width);
  headerView.setUint32(4, facts.height);
  header[8] = 1;
  chunk(sink, 'IHDR', header);
  const physical = new Uint8Array(9);
  const physicalView = new DataView(physical.buffer);
  const perMetre = Math.round(facts.resolution / 0.0254);
  physicalView.setUint32(0, perMetre);
  physicalView.setUint32(4, perMetre);
  physical[8] = 1;
  chunk(sink, 'pHYs', physical);
  chunk(sink, 'tEXt', letters(`Description\0${facts.description}`));
  const deflate = new Zlib({ level: 6 }, (packed) => {
    if (packed.length > 0) chunk(sink, 'IDAT', packed);
  });
  return {
    rowsPerStrip: stripRows(facts),
    strip(bits: Bits) {
      const rows = new Uint8Array((bits.stride + 1) * bits.height);
      for (let y = 0; y < bits.height; y++) {
        const to = y * (bits.stride + 1) + 1;
        const from = y * bits.stride;
        for (let i = 0; i < bits.stride; i++) rows[to + i] = ~bits.data[from + i];
      }
      deflate.push(rows);
    },
    finish() {
      deflate.push(new Uint8Array(0), true);
      chunk(sink, 'IEND', new Uint8Array(0));
    },
  };
}

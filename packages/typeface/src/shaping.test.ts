import { fillPolygons } from '@brachytone/core/path/fill.ts';
import { flatten } from '@brachytone/core/path/contour.ts';
import { bitAt, createBits } from '@brachytone/core/raster/bits.ts';
import { Resvg } from '@resvg/resvg-js';
import { readFileSync } from 'node:fs';
import { createRequire } from 'node:module';
import { dirname, join } from 'node:path';
import { readTypeface, UnreadableTypeface, unpackWoff } from './index.ts';

/** Free typefaces with many scripts; used in tests alone. */
const folder = join(dirname(createRequire(import.meta.url).resolve('dejavu-fonts-ttf/package.json')), 'ttf');
const path = join(folder, 'DejaVuSans.ttf');
const dejavu = readTypeface(new Uint8Array(readFileSync(path)));

/** Pixels to the em, and room around the letters. */
const [EM, ROOM] = [1000, 200];

/** Pixels of a line that differ from what resvg, whose shaper and renderer are its own, draws; only those farther than one from its edge. */
function straying(text: string): { far: number; inked: number } {
  const { width, contours } = dejavu.line(text, 0);
  const size = { width: Math.ceil(width * EM) + 2 * ROOM, height: 2 * EM };
  const svg = `<svg xmlns="http://www.w3.org/2000/svg" width="${size.width}" height="${size.height}"><text x="${ROOM}" y="1300" font-family="DejaVu Sans" font-size="${EM}" text-rendering="geometricPrecision">${text}</text></svg>`;
  const { pixels } = new Resvg(svg, {
    font: { fontFiles: [path], loadSystemFonts: false, defaultFontFamily: 'DejaVu Sans' },
  }).render();
  const bits = createBits(size.width, size.height);
  const polygons = contours.map((contour) => {
    const line = flatten(contour, 0.0001);
    return { ...line, points: line.points.map((value, i) => value * EM + (i & 1 ? 1300 : ROOM)) };
  });
  fillPolygons(polygons, 'nonzero', { x: 0, y: 0, ...size }, bits);
  const theirs = (x: number, y: number): number => pixels[(y * size.width + x) * 4 + 3];
  let [far, inked] = [0, 0];
  for (let y = 1; y < size.height - 1; y++) {
    for (let x = 1; x < size.width - 1; x++) {
      const around = [theirs(x, y), theirs(x - 1, y), theirs(x + 1, y), theirs(x, y - 1), theirs(x, y + 1)];
      if (theirs(x, y) >= 128) inked++;
      if (bitAt(bits, x, y) ? Math.max(...around) === 0 : Math.min(...around) === 255) far++;
    }
  }
  return { far, inked };
}

describe('a line is shaped', () => {
  it.each([
    ['ligatures', 'office ffi'],
    ['kerning', 'AVATo Ty.'],
    ['accents put on letters', 'e\u0301 n\u0303 q\u0303'],
    ['Greek', 'Ἀθῆναι'],
  ])('%s: outlines lie within 1/1000 em of another renderer’s', (_, text) => {
    const { far, inked } = straying(text);
    expect(inked).toBeGreaterThan(100_000);
    expect(far).toBe(0);
  });
  it.each([
    ['Arabic', 'سلام عليكم'],
    ['Hebrew', 'שלום עולם'],
  ])('%s reads from right to left, its letters joined as its script wants', (_, text) => {
    const { far, inked } = straying(text);
    expect(inked).toBeGreaterThan(100_000);
    expect(far).toBe(0);
  });
  it('“ffi” is narrower than its letters: it is a glyph of its own', () => {
    const apart = ['f', 'f', 'i'].reduce((sum, letter) => sum + dejavu.line(letter, 0).width, 0);
    expect(dejavu.line('ffi', 0).width).toBeLessThan(apart);
  });
  it('an accent that follows its letter is one with it', () => {
    expect(dejavu.line('e\u0301', 0)).toEqual(dejavu.line('\u00e9', 0));
    expect(dejavu.missing('e\u0301')).toBe('');
  });
  it('what reads the other way within a line stands where it is read', () => {
    const [latin, hebrew] = [dejavu.line('ab ', 0), dejavu.line('שלום', 0)];
    const both = dejavu.line('ab שלום', 0);
    expect(both.width).toBeCloseTo(latin.width + hebrew.width, 3);
    const [last] = both.contours.slice(-1);
    // The first letter of the Hebrew word stands farthest to the right.
    const [first] = dejavu.line('ש', 0).contours;
    expect(last.start[0]).toBeGreaterThan(both.width - dejavu.line('ש', 0).width);
    expect(last.parts.length).toBe(first.parts.length);
  });
  it('spaced letters are not joined, and no space follows the last', () => {
    const [plain, spaced] = [dejavu.line('office', 0), dejavu.line('office', 0.1)];
    const letters = [...'office'].reduce((sum, letter) => sum + dejavu.line(letter, 0).width, 0);
    expect(spaced.width).toBeCloseTo(letters + 5 * 0.1, 1);
    expect(spaced.width).toBeGreaterThan(plain.width + 0.5);
  });
  it('letters that are not there are named, each once', () => {
    expect(dejavu.missing('Aあ\nあB い')).toBe('あい');
    expect(dejavu.missing('plain text')).toBe('');
  });
});

describe('a font file', () => {
  const woff = new Uint8Array(
    readFileSync(new URL('../../../apps/server/typefaces/anton.woff', import.meta.url)),
  );
  it.each(['DejaVuSans', 'DejaVuSerif-Bold', 'DejaVuSansMono'])('%s is read', (name) => {
    const face = readTypeface(new Uint8Array(readFileSync(join(folder, `${name}.ttf`))));
    expect(face.name).toMatch(/^DejaVu/);
    expect(face.line('Ag', 0).contours.length).toBeGreaterThan(2);
  });
  it('that would unpack to more than there is room for is refused before it is unpacked', () => {
    const bomb = Uint8Array.from(woff);
    // What the first table says it holds.
    new DataView(bomb.buffer).setUint32(44 + 12, 1.5e9);
    expect(() => unpackWoff(bomb)).toThrow(UnreadableTypeface);
    expect(() => unpackWoff(bomb)).toThrow('unpacks to 1500 MB');
  });
  it('that holds less than it says is refused', () => {
    const short = Uint8Array.from(woff);
    const view = new DataView(short.buffer);
    view.setUint32(44 + 12, view.getUint32(44 + 12) + 1000);
    expect(() => unpackWoff(short)).toThrow(UnreadableTypeface);
  });
});

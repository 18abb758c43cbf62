import type { Contour, Typeface } from '@brachytone/core';
import { Blob, Face, Font } from 'harfbuzzjs';
import { shapeLine, type PlacedGlyph } from './shaper.ts';
import { UnreadableTypeface } from './unreadable.ts';
import { isWoff, unpackWoff } from './woff.ts';

export { UnreadableTypeface } from './unreadable.ts';
export { unpackWoff } from './woff.ts';

/** Names of a family, the one that designers know first (OpenType, “name” table: typographic family, family). */
const FAMILY_NAMES = [16, 1];

/** Tables that outlines are in. */
const OUTLINES = ['glyf', 'CFF ', 'CFF2'];

/**
 * Reads a typeface from a TrueType, OpenType or WOFF file. What it says of itself is checked by HarfBuzz, which takes a font apart without
 * trusting it.
 *
 * @throws UnreadableTypeface with a sentence that says what is wrong
 */
export function readTypeface(bytes: Uint8Array): Typeface {
  // A copy of its own, and none that threads share.
  const face = new Face(new Blob(isWoff(bytes) ? unpackWoff(bytes) : Uint8Array.from(bytes)));
  if (
    OUTLINES.every((table) => (face.referenceTable(table)?.length ?? 0) === 0) ||
    face.collectUnicodes().length === 0
  ) {
    throw new UnreadableTypeface('The font file is damaged or has no letters in it.');
  }
  const font = new Font(face);
  const { upem } = face;
  const extents = font.hExtents();
  const [ascent, descent] = [extents.ascender / upem, -extents.descender / upem];
  const sound = ascent > 0.1 && ascent < 4 && descent >= 0 && descent < 4;
  return {
    name: nameOf(face),
    ascent: sound ? ascent : 0.8,
    descent: sound ? descent : 0.2,
    line(text, tracking) {
      const { glyphs, advance } = shapeLine(font, text, tracking * upem);
      return { width: advance / upem, contours: glyphs.flatMap((glyph) => contoursOf(font, upem, glyph)) };
    },
    missing: (text) =>
      [...new Set(text.split('\n').flatMap((line) => [...shapeLine(font, line, 0).missing]))].join(''),
  };
}

function nameOf(face: Face): string {
  for (const id of FAMILY_NAMES) {
    const entries = face.listNames().filter(({ nameId }) => nameId === id);
    const { language } = entries.find((entry) => entry.language.startsWith('en')) ?? entries[0] ?? {};
    const name = language === undefined ? '' : face.getName(id, language).trim();
    if (name) return name.slice(0, 80);
  }
  return 'Typeface';
}

/** A glyph's outlines in em, y downwards. Quadratic curves become the cubic ones that are the same. */
function contoursOf(font: Font, upem: number, { glyph, x, y }: PlacedGlyph): Contour[] {
  const out: Contour[] = [];
  let start: [number, number] = [0, 0];
  let parts: number[][] = [];
  let at = start;
  const finish = () => {
    if (parts.length > 0) out.push({ start, parts, closed: true });
    parts = [];
  };
  for (const { type, values } of font.glyphToJson(glyph)) {
    if (type === 'Z') {
      finish();
      continue;
    }
    const places = values.map((value, i) => (i & 1 ? -(value + y) : value + x) / upem);
    const end: [number, number] = [places[places.length - 2], places[places.length - 1]];
    if (type === 'M') {
      finish();
      start = end;
    } else if (type === 'Q') {
      const [cx, cy] = places;
      parts.push([
        at[0] + (2 / 3) * (cx - at[0]),
        at[1] + (2 / 3) * (cy - at[1]),
        end[0] + (2 / 3) * (cx - end[0]),
        end[1] + (2 / 3) * (cy - end[1]),
        ...end,
      ]);
    } else parts.push(places);
    at = end;
  }
  finish();
  return out;
}

/// <reference path="./opentype.d.ts" />
import type { Contour, Typeface } from '@brachytone/core';
import { parse, type Command, type Font } from 'opentype.js/dist/opentype.mjs';

/** A font file that cannot be used; the message is for the person at the screen. */
export class UnreadableTypeface extends Error {}

/** Letters are read at this size, so that no digits of their coordinates are lost. */
const SIZE = 1000;

/**
 * Reads a typeface from a TrueType, OpenType or WOFF file.
 *
 * @throws UnreadableTypeface with a sentence that says what is wrong
 */
export function readTypeface(bytes: Uint8Array): Typeface {
  let font: Font;
  try {
    // A copy of its own: the parser takes whole buffers, and none that threads share.
    font = parse(new Uint8Array(bytes).buffer);
    font.getPath('Ag', 0, 0, SIZE);
  } catch (error) {
    const reason = error instanceof Error ? error.message.split('\n')[0] : 'no reason given';
    throw new UnreadableTypeface(`The font file is damaged or of a kind that is not known (${reason}).`);
  }
  if (!(font.unitsPerEm > 0) || font.glyphs.length < 2) {
    throw new UnreadableTypeface('The font file has no letters in it.');
  }
  const ascent = font.ascender / font.unitsPerEm;
  const descent = -font.descender / font.unitsPerEm;
  const sound = ascent > 0.1 && ascent < 4 && descent >= 0 && descent < 4;
  return {
    name: nameOf(font),
    ascent: sound ? ascent : 0.8,
    descent: sound ? descent : 0.2,
    line(text, tracking) {
      const options = { kerning: true, letterSpacing: tracking };
      const { commands } = font.getPath(text, 0, 0, SIZE, options);
      const advance = font.getAdvanceWidth(text, SIZE, options) / SIZE;
      const letters = [...text].length;
      return { width: letters > 0 ? Math.max(0, advance - tracking) : 0, contours: contoursOf(commands) };
    },
    missing: (text) =>
      [...new Set(text)].filter((one) => one.trim() !== '' && font.charToGlyphIndex(one) === 0).join(''),
  };
}

function nameOf({ names }: Font): string {
  const tables = [names.windows, names.macintosh, names.unicode, names];
  for (const table of tables) {
    const family = (table as Record<string, Record<string, string> | undefined> | undefined)?.fontFamily;
    const name = family && (family.en ?? Object.values(family)[0]);
    if (name) return name.slice(0, 80);
  }
  return 'Typeface';
}

/** Outlines in em. Quadratic curves become the cubic ones that are the same. */
function contoursOf(commands: readonly Command[]): Contour[] {
  const out: Contour[] = [];
  let start: [number, number] = [0, 0];
  let parts: number[][] = [];
  let at = start;
  const finish = () => {
    if (parts.length > 0) out.push({ start, parts, closed: true });
    parts = [];
  };
  for (const command of commands) {
    if (command.type === 'Z') {
      finish();
      continue;
    }
    const end: [number, number] = [command.x / SIZE, command.y / SIZE];
    if (command.type === 'M') {
      finish();
      start = end;
    } else if (command.type === 'L') {
      parts.push(end);
    } else if (command.type === 'Q') {
      const [cx, cy] = [command.x1 / SIZE, command.y1 / SIZE];
      parts.push([
        at[0] + (2 / 3) * (cx - at[0]),
        at[1] + (2 / 3) * (cy - at[1]),
        end[0] + (2 / 3) * (cx - end[0]),
        end[1] + (2 / 3) * (cy - end[1]),
        ...end,
      ]);
    } else {
      parts.push([command.x1 / SIZE, command.y1 / SIZE, command.x2 / SIZE, command.y2 / SIZE, ...end]);
    }
    at = end;
  }
  finish();
  return out;
}

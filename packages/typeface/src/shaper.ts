/// <reference path="./bidi-js.d.ts" />
import bidiFactory from 'bidi-js';
import { Buffer, ClusterLevel, Direction, Feature, shape, type Font } from 'harfbuzzjs';

/** A glyph where it stands, in font units; y upwards. */
export interface PlacedGlyph {
  readonly glyph: number;
  readonly x: number;
  readonly y: number;
}

export interface ShapedLine {
  readonly glyphs: readonly PlacedGlyph[];
  /** How far the line runs on, without space after its last letter. */
  readonly advance: number;
  /** Letters that the font does not have, each once. */
  readonly missing: string;
}

const bidi = bidiFactory();

/** Features that join letters, which spaced letters are not (CSS Text 3, 8.2). */
const UNJOINED = ['liga', 'clig', 'dlig', 'hlig'].map((tag) => new Feature(tag, 0));

/** A run of a line that reads one way, in the order of its letters: from right to left where its level is odd. */
interface Run {
  readonly text: string;
  readonly level: number;
}

/** The runs of a line from left to right (Unicode Standard Annex 9). */
function runsOf(text: string): Run[] {
  const embedded = bidi.getEmbeddingLevels(text);
  const { levels } = embedded;
  const order = bidi.getReorderedIndices(text, embedded);
  const runs: Run[] = [];
  for (let start = 0; start < order.length;) {
    let end = start + 1;
    while (
      end < order.length &&
      levels[order[end]] === levels[order[start]] &&
      Math.abs(order[end] - order[end - 1]) === 1
    )
      end++;
    const [first, last] = [order[start], order[end - 1]];
    runs.push({
      text: text.slice(Math.min(first, last), Math.max(first, last) + 1),
      level: levels[first],
    });
    start = end;
  }
  return runs;
}

/**
 * Lays out a line of text: ligatures, marks and kerning as the font has them, letters joined or turned as their script wants, from left to
 * right on the line whatever way they read.
 *
 * @param tracking font units added between letters
 */
export function shapeLine(font: Font, line: string, tracking: number): ShapedLine {
  const text = line.normalize('NFC');
  const glyphs: PlacedGlyph[] = [];
  const missing = new Set<string>();
  let pen = 0;
  let clusters = 0;
  for (const run of runsOf(text)) {
    const buffer = new Buffer();
    buffer.addText(run.text);
    buffer.guessSegmentProperties();
    buffer.setDirection(run.level % 2 === 1 ? Direction.RTL : Direction.LTR);
    buffer.setClusterLevel(ClusterLevel.MONOTONE_GRAPHEMES);
    shape(font, buffer, tracking === 0 ? [] : UNJOINED);
    let last = -1;
    for (const { codepoint, cluster, xAdvance, xOffset, yOffset } of buffer.getGlyphInfosAndPositions()) {
      if (cluster !== last) {
        if (clusters > 0) pen += tracking;
        clusters++;
        last = cluster;
      }
      if (codepoint === 0) for (const letter of lettersAt(run.text, cluster)) missing.add(letter);
      glyphs.push({ glyph: codepoint, x: pen + (xOffset ?? 0), y: yOffset ?? 0 });
      pen += xAdvance ?? 0;
    }
  }
  return { glyphs, advance: Math.max(0, pen), missing: [...missing].join('') };
}

/** The letter at a place of a text, with what is put on it; nothing for spaces. */
function lettersAt(text: string, at: number): string[] {
  const [letter] = text.slice(at);
  return letter === undefined || letter.trim() === ''
    ? []
    : [String.fromCodePoint(text.codePointAt(at) ?? 0)];
}

import { Resvg } from '@resvg/resvg-js';
import {
  after,
  DRAWING_UNITS,
  mapContour,
  parseContours,
  scaled,
  srgbToLinear,
  type Affine,
  type Clip,
  type Contour,
  type Drawing,
  type Shape,
  type StrokeStyle,
  luma709,
  rounded,
} from '@brachytone/core';
import type { OriginalFacts } from '@brachytone/job';
import { XMLParser } from 'fast-xml-parser';
import { Problem } from '@brachytone/job';
import { soundSvg } from './sound-svg.ts';

/** Bytes of the largest SVG file that is read. */
const LARGEST = 20e6;
/** Most corners and curves a drawing may have. */
const MOST_PARTS = 400_000;
/** And dashes, along all of its strokes. */
const MOST_DASHES = 100_000;

const refuse = (detail: string): Problem => new Problem(422, 'Drawing not taken', detail);

/** True for an SVG file, whatever it is called. */
export function isDrawing(bytes: Uint8Array): boolean {
  const head = new TextDecoder().decode(bytes.subarray(0, 4096)).replace(/^\ufeff/, '');
  return /^\s*</.test(head) && /<(?:[a-z]+:)?svg[\s>]/.test(head);
}

/**
 * Reads line art from an SVG file. Styles, units, references and basic shapes are resolved to plain paths by resvg;
 * scripts and anything outside the file are never looked at. Dark paint prints, light paint leaves bare.
 *
 * @throws Problem that says what is wrong with the file
 */
export function readDrawing(bytes: Uint8Array): { drawing: Drawing; facts: OriginalFacts } {
  if (bytes.length > LARGEST) {
    throw refuse(
      `The SVG file has ${Math.round(bytes.length / 1e6)} MB; Brachytone takes up to ${LARGEST / 1e6}. Nothing was added.`,
    );
  }
  const { text, hasPictures } = soundSvg(new TextDecoder().decode(bytes));
  const nodes = parse(plainSvg(text));
  const svg = nodes.find((node) => node.name === 'svg');
  const box = (svg?.attributes.viewBox ?? '').split(/[\s,]+/).map(Number);
  if (!svg || box.length !== 4 || !(box[2] > 0 && box[3] > 0)) {
    throw refuse('The SVG file does not say how large its drawing is. Nothing was added.');
  }
  const scale = DRAWING_UNITS / Math.max(box[2], box[3]);
  const toUnits = after({ xx: 1, xy: 0, x0: -box[0], yx: 0, yy: 1, y0: -box[1] }, scaled(scale));
  const reading: Reading = {
    shapes: [],
    clips: [],
    ids: clipsById(svg),
    parts: 0,
    dashes: 0,
    leftOut: new Set(),
    shades: false,
  };
  if (/<(?:[a-z]+:)?text[\s>]/.test(text)) reading.leftOut.add('text that is not turned into outlines');
  if (hasPictures) reading.leftOut.add('a picture inside it');
  walk(svg.children, toUnits, [], reading);
  if (reading.shapes.length === 0) {
    throw refuse(
      `There is no line in this SVG file that could be printed${reading.leftOut.size > 0 ? `, only ${[...reading.leftOut].join(' and ')}` : ''}. Nothing was added.`,
    );
  }
  return {
    drawing: {
      width: Math.max(1, Math.round(box[2] * scale)),
      height: Math.max(1, Math.round(box[3] * scale)),
      shapes: reading.shapes,
      clips: reading.clips,
    },
    facts: {
      format: 'SVG',
      colour: 'line art',
      bitsPerSample: 1,
      alpha: true,
      profile: null,
      density: null,
      turned: false,
      ...(reading.shades ? { shades: true } : {}),
      ...(reading.leftOut.size > 0 ? { leftOut: [...reading.leftOut] } : {}),
    },
  };
}

function plainSvg(text: string): string {
  try {
    return new Resvg(text, { font: { loadSystemFonts: false } }).toString();
  } catch (error) {
    const reason = (error as Error).message.split('\n')[0];
    throw refuse(`The SVG file is damaged or not whole (${reason}). Nothing was added.`);
  }
}

interface Node {
  readonly name: string;
  readonly attributes: Readonly<Record<string, string>>;
  readonly children: Node[];
}

function parse(xml: string): Node[] {
  const parser = new XMLParser({ preserveOrder: true, ignoreAttributes: false, attributeNamePrefix: '' });
  type Raw = Record<string, unknown> & { ':@'?: Record<string, string> };
  const nodes = (list: Raw[]): Node[] =>
    list.flatMap((raw) => {
      const name = Object.keys(raw).find((key) => key !== ':@' && key !== '#text');
      return name ? [{ name, attributes: raw[':@'] ?? {}, children: nodes((raw[name] as Raw[]) ?? []) }] : [];
    });
  return nodes(parser.parse(xml) as Raw[]);
}

interface Reading {
  readonly shapes: Shape[];
  readonly clips: Clip[];
  readonly ids: ReadonlyMap<string, Node>;
  parts: number;
  dashes: number;
  readonly leftOut: Set<string>;
  shades: boolean;
}

const clipsById = (svg: Node): Map<string, Node> =>
  new Map(
    svg.children
      .filter(({ name }) => name === 'defs')
      .flatMap(({ children }) => children)
      .filter(({ name }) => name === 'clipPath')
      .map((node) => [node.attributes.id, node]),
  );

function mapOf(attributes: Node['attributes'], outer: Affine): Affine {
  const numbers = /matrix\(([^)]*)\)/
    .exec(attributes.transform ?? '')?.[1]
    .split(/[\s,]+/)
    .map(Number);
  if (!numbers) return outer;
  const [xx, yx, xy, yy, x0, y0] = numbers;
  return after({ xx, xy, x0, yx, yy, y0 }, outer);
}

function walk(children: readonly Node[], outer: Affine, clips: readonly number[], reading: Reading): void {
  for (const node of children) {
    const { name, attributes } = node;
    if (name !== 'g' && name !== 'path') continue;
    if (Number(attributes.opacity ?? 1) < 0.5) continue;
    if (attributes.mask || attributes.filter) reading.leftOut.add('a mask or filter');
    const map = mapOf(attributes, outer);
    const id = /url\(#([^)]*)\)/.exec(attributes['clip-path'] ?? '')?.[1];
    const inside = id === undefined ? clips : [...clips, ...clipOf(id, map, reading)];
    if (name === 'g') walk(node.children, map, inside, reading);
    else addPath(attributes, map, inside, reading);
  }
}

/** Adds a clip, and the one it is itself cut to. */
function clipOf(id: string, map: Affine, reading: Reading): number[] {
  const node = reading.ids.get(id);
  if (!node) return [];
  const here = mapOf(node.attributes, map);
  const contours: Contour[] = [];
  let rule: Clip['rule'] = 'nonzero';
  const collect = (nodes: readonly Node[], outer: Affine): void => {
    for (const { name, attributes, children } of nodes) {
      const inner = mapOf(attributes, outer);
      if (name === 'g') collect(children, inner);
      if (name !== 'path') continue;
      if (attributes['clip-rule'] === 'evenodd') rule = 'evenodd';
      contours.push(...contoursOf(attributes.d, inner, reading));
    }
  };
  collect(node.children, here);
  const nested = /url\(#([^)]*)\)/.exec(node.attributes['clip-path'] ?? '')?.[1];
  return [reading.clips.push({ contours, rule }) - 1, ...(nested ? clipOf(nested, map, reading) : [])];
}

function contoursOf(d: string, map: Affine, reading: Reading): Contour[] {
  const contours = parseContours(d).map((contour) => mapContour(contour, map));
  reading.parts += contours.reduce((sum, { parts }) => sum + parts.length, 0);
  if (reading.parts > MOST_PARTS) {
    throw refuse(
      `The drawing has more than ${MOST_PARTS / 1000} thousand corners and curves. Make it simpler first. Nothing was added.`,
    );
  }
  return contours.map(({ start, parts, closed }) => ({
    start: [rounded(start[0], 3), rounded(start[1], 3)],
    parts: parts.map((part) => part.map((value) => rounded(value, 3))),
    closed,
  }));
}

/** Thousandths of a unit are finer than any film. */

function addPath(
  attributes: Node['attributes'],
  map: Affine,
  clips: readonly number[],
  reading: Reading,
): void {
  if (attributes.visibility === 'hidden') return;
  const contours = contoursOf(attributes.d, map, reading);
  if (contours.length === 0) return;
  const fill = isDark(attributes.fill ?? '#000000', attributes['fill-opacity'], reading);
  const stroke = isDark(attributes.stroke ?? 'none', attributes['stroke-opacity'], reading);
  const shapes: Shape[] = [];
  const rule = attributes['fill-rule'] === 'evenodd' ? 'evenodd' : 'nonzero';
  if (fill !== undefined) shapes.push({ contours, rule, ink: fill, clips });
  if (stroke !== undefined) {
    shapes.push({
      contours,
      rule: 'nonzero',
      stroke: strokeOf(attributes, map, contours, reading),
      ink: stroke,
      clips,
    });
  }
  reading.shapes.push(...(attributes['paint-order']?.startsWith('stroke') ? shapes.reverse() : shapes));
}

function strokeOf(
  attributes: Node['attributes'],
  map: Affine,
  contours: readonly Contour[],
  reading: Reading,
): StrokeStyle {
  const scale = Math.sqrt(Math.abs(map.xx * map.yy - map.xy * map.yx));
  const one = (name: string, start: number) => Number(attributes[name] ?? start);
  const pattern = (attributes['stroke-dasharray'] ?? '')
    .split(/[\s,]+/)
    .map((length) => Number(length) * scale);
  const dashes = isDashed(pattern, contours, reading) ? pattern : [];
  return {
    width: one('stroke-width', 1) * scale,
    cap: (attributes['stroke-linecap'] ?? 'butt') as StrokeStyle['cap'],
    join:
      attributes['stroke-linejoin'] === 'round' || attributes['stroke-linejoin'] === 'bevel'
        ? attributes['stroke-linejoin']
        : 'miter',
    miterLimit: one('stroke-miterlimit', 4),
    dashes,
    dashOffset: one('stroke-dashoffset', 0) * scale,
  };
}

/** True for a line that is to be dashed; one whose dashes nobody could tell apart is taken as solid. */
function isDashed(pattern: readonly number[], contours: readonly Contour[], reading: Reading): boolean {
  const period = pattern.reduce((sum, length) => sum + length, 0);
  if (!(period > 0)) return false;
  const length = contours.reduce((sum, contour) => sum + roughLength(contour), 0);
  reading.dashes += (length / period) * pattern.length;
  if (reading.dashes <= MOST_DASHES) return true;
  reading.leftOut.add('dashes too fine to be told apart, taken as solid');
  return false;
}

/** Length of a contour by its corners and the points that draw its curves: never less than it has. */
function roughLength({ start, parts }: Contour): number {
  let [length, x, y] = [0, start[0], start[1]];
  for (const part of parts) {
    for (let i = 0; i < part.length; i += 2) {
      length += Math.hypot(part[i] - x, part[i + 1] - y);
      [x, y] = [part[i], part[i + 1]];
    }
  }
  return length;
}

/** Light (linear, 0–1) between which paint is neither print nor paper: L* 25 and L* 93. */
const SHADES = { from: 0.044, to: 0.83 };

/** True for paint that prints, false for paint that leaves bare, undefined for none. */
function isDark(paint: string, opacity: string | undefined, reading: Reading): boolean | undefined {
  if (paint === 'none' || Number(opacity ?? 1) < 0.5) return undefined;
  const colour = /^#([0-9a-f]{2})([0-9a-f]{2})([0-9a-f]{2})$/i.exec(paint);
  if (!colour) {
    reading.leftOut.add('a gradient or pattern, taken as solid');
    reading.shades = true;
    return true;
  }
  const [red, green, blue] = colour.slice(1).map((two) => srgbToLinear(parseInt(two, 16) / 255));
  const light = luma709(red, green, blue);
  if (light > SHADES.from && light < SHADES.to) reading.shades = true;
  // Lighter than half to the eye (L* 50 reflects 18.4 %) is paper, not ink.
  return light < 0.184;
}

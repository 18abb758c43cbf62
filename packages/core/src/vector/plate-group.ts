import { inkOf } from '../ink/ink-of.ts';
import type { Ink } from '../ink/ink.ts';
import { inkPaint } from './ink-paint.ts';
import { plateBits, toneBits } from '../plate/evaluate.ts';
import { filmFrame } from '../recipe/frame.ts';
import { askedShare } from '../plate/asked-share.ts';
import type { Recipe } from '../recipe/recipe.ts';
import type { Scene } from '../recipe/scene.ts';
import { countInk, type Bits } from '../raster/bits.ts';
import { MM_PER_INCH } from '../raster/frame.ts';
import { latticeOf } from '../screen/screen.ts';
import { ClippedPath, drawPolygon } from './clipped.ts';
import { dotPartCount, dotParts, hasDots, type DotOutlines } from './dots-path.ts';
import { escaped } from './escaped.ts';
import { hardEdges, hasGeometry, type HardEdges } from './hard-edges.ts';
import type { LineShape } from './line-shape.ts';
import { pathData, paths, type PathData, type Paths } from './path-data.ts';
import { pixelPaths } from './pixel-path.ts';
import { filmArea, type Units } from './units.ts';
import { boxesMeet, boxOf, shared, united, without, type Area, type Box } from '../path/area.ts';

/** Units of the file in a millimetre at least: 1 µm each. */
const PER_MM = 1000;
/** A cell has at least so many units across, so that rounding changes no dot by anything that counts. */
const PER_PITCH = 800;

/** How a plate's dots came about: computed from the tone, or the outlines of its film's pixels. */
export type VectorManner = 'dots' | 'outlines';

/** A plate as part of an SVG file. */
export interface PlateGroup {
  /** What is written before its dots, these in UTF-8, and what is written after them. */
  readonly head: string;
  readonly dots: readonly Uint8Array[];
  readonly foot: string;
  readonly manner: VectorManner;
  /** Share of the plate's film that its dots ink, 0–1. */
  readonly inked: number;
  /** True where nothing is drawn. */
  readonly isEmpty: boolean;
}

/** How geometry is drawn. */
export interface VectorOptions {
  /** How far outlines of pixels may stray from them, in film pixels; 0 for their very sides. */
  readonly smooth: number;
  readonly outlines: DotOutlines;
}

/** How a plate's geometry is made, as far as its recipe says. */
export function vectorManner({ recipe }: Pick<Scene, 'recipe'>, plate: number): VectorManner {
  return hasDots(recipe.plates[plate].screen) && hasGeometry(recipe, plate) ? 'dots' : 'outlines';
}

/** Units of the file in a millimetre that plates want. */
export const perMmOf = ({ plates }: Recipe, wanted: readonly number[]): number =>
  Math.max(
    PER_MM,
    ...wanted.map((plate) => {
      const { screen } = plates[plate];
      if (!hasDots(screen)) return PER_MM;
      return 10 ** Math.ceil(Math.log10((PER_PITCH / MM_PER_INCH) * (latticeOf(screen)?.ruling ?? 1)));
    }),
  );

/** A plate's geometry: its dots in parts that are drawn apart, in any order, and line work over them. */
export interface PlateShapes {
  readonly manner: VectorManner;
  readonly parts: number;
  readonly dots: (part: number) => DrawnDots;
  readonly lines: () => readonly PlatePath[];
}

/** Dots of about a megabyte each at most. */
export interface DrawnDots {
  /** Path data that is to be filled by the even-odd rule, or whatever else the data of dots gives as its text. */
  readonly paths: readonly string[];
  /** Units of the file in one of the paths'. */
  readonly scale: number;
  /** Share of the plate's film that all its dots ink, 0–1: told with the first part, 0 with the others. */
  readonly inked: () => number;
}

/** Path data, with the rule it is filled by. */
export interface PlatePath {
  readonly rule: string;
  readonly data: string;
}

/** In how many parts a plate's dots are drawn, by its recipe alone. */
export const plateParts = (scene: Pick<Scene, 'recipe'>, plate: number): number =>
  vectorManner(scene, plate) === 'dots' ? dotPartCount(scene, plate) : 1;

/**
 * @param make     begins path data of a kind of file
 * @param makeDots begins that of dots, where it is another
 */
export function plateShapes(
  scene: Scene,
  plate: number,
  units: Units,
  { smooth, outlines }: VectorOptions,
  make: () => PathData = pathData,
  makeDots = make,
): PlateShapes {
  const { recipe } = scene;
  const edges = hardEdges(scene, plate, units);
  const lines = () => (edges ? linePaths(edges.lines, make) : []);
  const parts = plateParts(scene, plate);
  if (edges && hasDots(recipe.plates[plate].screen)) {
    const dots = dotParts(scene, plate, edges.faces, units, outlines);
    return {
      manner: 'dots',
      parts,
      dots: (part) => {
        const out = paths(makeDots);
        dots.draw(part, out);
        return { paths: out.texts(), scale: 1, inked: () => (part === 0 ? askedShare(scene, plate) : 0) };
      },
      lines,
    };
  }
  const isBlended = inkOf(recipe.inks, recipe.plates[plate].ink).fountain !== null;
  return {
    manner: 'outlines',
    parts,
    dots: (part) => {
      // Pixels are outlined all together.
      if (part > 0) return { paths: [], scale: 1, inked: () => 0 };
      const out = paths(makeDots);
      const drawn = drawOutlines(scene, plate, edges, units, smooth, isBlended, out);
      return { scale: drawn.scale, paths: out.texts(), inked: () => drawn.inked };
    },
    lines,
  };
}

/** The line work alone; undefined where only the film's pixels tell a plate's edges. */
export function plateLines(
  scene: Scene,
  plate: number,
  units: Units,
  make: () => PathData = pathData,
): PlatePath[] | undefined {
  const edges = hardEdges(scene, plate, units);
  return edges && linePaths(edges.lines, make);
}

/**
 * A plate as a group of SVG in its ink's colour.
 *
 * @param dots each part of its dots
 * @param id   of the group
 * @param more elements that lie in it too
 */
export function plateGroup(
  scene: Scene,
  plate: number,
  units: Units,
  shapes: PlateShapes,
  dots: readonly DotElements[],
  id = idOf(inkOf(scene.recipe.inks, scene.recipe.plates[plate].ink)),
  more = '',
): PlateGroup {
  const { recipe } = scene;
  const ink = inkOf(recipe.inks, recipe.plates[plate].ink);
  const { fill, before } = inkPaint(ink, recipe.sheet, units, `${id}-blend`);
  const inked = dots.reduce((sum, part) => sum + part.inked, 0);
  const over = shapes
    .lines()
    .map(({ rule, data }) => pathElement(rule, data))
    .join('');
  // Beside marks nothing of the plate may reach beyond its bleed.
  const { width, height } = units.frame;
  const [opened, closed] =
    more === ''
      ? ['', '']
      : [
          `<clipPath id="${id}-plate"><path d="M0 0h${width}v${height}h${-width}z"/></clipPath>` +
            `<g clip-path="url(#${id}-plate)">`,
          `</g>${more}`,
        ];
  return {
    head: `${before}<g id="${id}" fill="${fill}">${opened}`,
    dots: dots.map(({ bytes }) => bytes),
    foot: `${over}${closed}</g>`,
    manner: shapes.manner,
    inked,
    isEmpty: dots.every(({ bytes }) => bytes.length === 0) && over === '' && more === '',
  };
}

/** Dots as elements of SVG. */
export interface DotElements {
  /** UTF-8. */
  readonly bytes: Uint8Array;
  readonly inked: number;
}

/** A part of a plate's dots as elements of SVG. */
export function dotElements({ paths, scale, inked }: DrawnDots): DotElements {
  const elements = paths.map((data) => pathElement('evenodd', data)).join('');
  const isPlain = scale === 1 || elements === '';
  const text = isPlain ? elements : `<g transform="scale(${Number(scale.toPrecision(12))})">${elements}</g>`;
  return { bytes: new TextEncoder().encode(text), inked: inked() };
}

export const pathElement = (rule: string, data: string): string =>
  `<path fill-rule="${rule}" d="${data.replace(/^m/, 'M')}"/>`;

/** An ink's name as the id of its group. */
export const idOf = ({ name }: Pick<Ink, 'name'>): string => escaped(name.replace(/\s+/g, '-'));

/** Parts of a pixel that smoothed outlines are written in. */
const SMOOTH_PARTS = 4;

/**
 * Outlines of the film's pixels: of all of them, or where line work is geometry of the screened ones alone.
 *
 * @param isBlended true where the ink is a gradient, which would be scaled with its paths
 * @returns         the share of the film that is inked, and units of the file in one of the paths': pixels make shorter paths than micrometres
 */
function drawOutlines(
  scene: Scene,
  plate: number,
  edges: HardEdges | undefined,
  units: Units,
  smooth: number,
  isBlended: boolean,
  out: Paths,
): { inked: number; scale: number } {
  const frame = filmFrame(scene.recipe);
  const whole = { x: 0, y: 0, width: frame.width, height: frame.height };
  const pixel = units.frame.resolution / frame.resolution;
  const bits = edges ? toneBits(scene, plate, frame, whole) : plateBits(scene, plate, frame, whole);
  const left = edges?.faces.reduce(united, []);
  const hasHoles = left && without(filmArea(units), left).length > 0;
  const share = (made: Bits): number => countInk(made) / (made.width * made.height);
  if (!hasHoles) {
    const parts = isBlended ? pixel : smooth > 0 ? SMOOTH_PARTS : 1;
    pixelPaths(bits, smooth, parts, (draw) => draw(out.next()));
    const hasLines = edges !== undefined && edges.lines.length > 0;
    return { inked: share(hasLines ? plateBits(scene, plate, frame, whole) : bits), scale: pixel / parts };
  }
  // Where tones end pixels do already; what line work leaves bare has still to be cut out.
  pixelPaths(bits, smooth, pixel, (draw) => {
    const cut = new ClippedPath(out.next(), left);
    draw(cut);
    cut.finish();
  });
  return { inked: share(plateBits(scene, plate, frame, whole)), scale: 1 };
}

/** Line work as paths, as few as can be: shapes that keep clear of one another share one. */
export function linePaths(lines: readonly LineShape[], make: () => PathData = pathData): PlatePath[] {
  const paths: { rule: string; data: PathData; held: { box: Box; area: Area }[] }[] = [];
  for (const line of lines) {
    const box = boxOf(line.area);
    if (!box) continue;
    const clear = (other: { box: Box; area: Area }) =>
      !boxesMeet(other.box, box) || shared(other.area, line.area).length === 0;
    let path = paths.find(({ rule, held }) => rule === line.rule && held.every(clear));
    if (!path) paths.push((path = { rule: line.rule, data: make(), held: [] }));
    path.held.push({ box, area: line.area });
    drawShape(line, path.data);
  }
  return paths.map(({ rule, data }) => ({ rule, data: data.text() }));
}

function drawShape({ contours, area }: LineShape, out: PathData): void {
  if (!contours) {
    for (const path of area) drawPolygon(path, out);
    return;
  }
  for (const { start, parts } of contours) {
    out.move(...start);
    for (const part of parts) {
      if (part.length === 2) out.line(part[0], part[1]);
      else out.curve(...(part as [number, number, number, number, number, number]));
    }
    out.close();
  }
}

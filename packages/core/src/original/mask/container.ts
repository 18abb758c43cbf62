import { present } from '../../base/present.ts';
import type { Drawing } from '../../drawing/drawing.ts';
import { flatten, mapContour, type Contour, type Polyline } from '../../path/contour.ts';
import { fillPolygons, type FillRule } from '../../path/fill.ts';
import { strokePolygons, type StrokeStyle } from '../../path/stroke.ts';
import { mmToPixels, type Frame } from '../../raster/frame.ts';
import type { Container } from '../../recipe/container.ts';
import { MissingMaterial } from '../../base/errors.ts';
import { tornContour } from './torn-outline.ts';
import type { Materials } from '../../recipe/scene.ts';
import type { OriginalRecipe } from '../../recipe/recipe.ts';
import { after, inverse, moved, scaled, type Affine } from '../../raster/affine.ts';
import { createBits, type Bits } from '../../raster/bits.ts';
import type { Region } from '../../raster/region.ts';
import { cache } from '../../base/cache.ts';

interface Outline {
  readonly contours: readonly Contour[];
  readonly rule: FillRule;
}

const contour = (start: [number, number], ...parts: number[][]): Contour => ({ start, parts, closed: true });

const RECTANGLE: Outline[] = [{ rule: 'nonzero', contours: [contour([0, 0], [1, 0], [1, 1], [0, 1])] }];

/** Control points of a quarter of a circle of radius ½: 4 ÷ 3 · (√2 − 1) of it, 0.03 % off at most. */
const K = ((4 / 3) * (Math.SQRT2 - 1)) / 2;

const ELLIPSE: Outline[] = [
  {
    rule: 'nonzero',
    contours: [
      contour(
        [1, 0.5],
        [1, 0.5 + K, 0.5 + K, 1, 0.5, 1],
        [0.5 - K, 1, 0, 0.5 + K, 0, 0.5],
        [0, 0.5 - K, 0.5 - K, 0, 0.5, 0],
        [0.5 + K, 0, 1, 0.5 - K, 1, 0.5],
      ),
    ],
  },
];

/** What a drawing encloses, as large as fits into a box of the given height over width and in its middle. */
function pathOutlines(drawing: Drawing, ratio: number): Outline[] {
  const shape = drawing.height / drawing.width;
  const size = shape > ratio ? { x: ratio / shape, y: 1 } : { x: 1, y: shape / ratio };
  const fit = after(
    scaled(size.x / drawing.width, size.y / drawing.height),
    moved((1 - size.x) / 2, (1 - size.y) / 2),
  );
  return drawing.shapes
    .filter(({ ink, stroke }) => ink && !stroke)
    .map(({ contours, rule }) => ({ rule, contours: contours.map((one) => mapContour(one, fit)) }));
}

/**
 * The drawing that the path of an original's container comes from; undefined for other shapes.
 *
 * @throws MissingMaterial
 */
export function containerDrawing(
  { container, name }: OriginalRecipe,
  { drawings }: Materials,
): Drawing | undefined {
  if (container?.shape !== 'path' || container.path === null) return undefined;
  const drawing = drawings.get(container.path);
  if (!drawing) throw new MissingMaterial('container', name, container.path);
  return drawing;
}

/**
 * The shape a container has, in shares of its original's box.
 *
 * @param ratio height of the box over its width
 * @param width of the box, mm
 */
export function containerOutlines(
  { shape, torn }: Container,
  drawing: Drawing | undefined,
  ratio: number,
  width: number,
): readonly Outline[] {
  const smooth =
    shape === 'rectangle'
      ? RECTANGLE
      : shape === 'ellipse'
        ? ELLIPSE
        : pathOutlines(present(drawing, 'drawing of the container'), ratio);
  if (!torn || torn.depth === 0) return smooth;
  return smooth.map(({ contours, rule }) => ({
    rule,
    contours: contours.map((one) => tornContour(one, torn, width, width * ratio)),
  }));
}

/** Curves stray from their straight lines by no more than this, in pixels. */
const TOLERANCE = 0.05;

const recentPolygons = cache<{ inside: readonly FilledPolygons[]; rim: Rim | undefined }>(
  'container polygons',
);

interface FilledPolygons {
  readonly polygons: ReturnType<typeof flatten>[];
  readonly rule: FillRule;
}

/**
 * The pixels of a region that a container holds, its margin with it.
 *
 * @param ratio height of the original's box over its width
 * @param toBox from the grid's pixels to shares of the box
 */
export function containerBits(
  container: Container,
  drawing: Drawing | undefined,
  original: OriginalRecipe,
  ratio: number,
  toBox: Affine,
  frame: Frame,
  region: Region,
): Bits {
  const { shape, margin } = container;
  const key = JSON.stringify([
    shape,
    container.path,
    margin,
    container.torn,
    ratio,
    original.placement,
    frame,
  ]);
  const { inside, rim } = recentPolygons(key, () => {
    const outlines = containerOutlines(container, drawing, ratio, original.placement.width);
    const toGrid = inverse(toBox);
    const filled = outlines.map(({ contours, rule }) => ({
      rule,
      polygons: contours.map((one) => flatten(mapContour(one, toGrid), TOLERANCE)),
    }));
    const style = {
      width: 2 * mmToPixels(Math.abs(margin), frame),
      cap: 'round',
      join: 'round',
      miterLimit: 4,
      dashes: [],
      dashOffset: 0,
    } as const;
    return {
      inside: filled,
      rim:
        margin === 0
          ? undefined
          : rimOf(
              filled.flatMap(({ polygons }) => polygons),
              style,
            ),
    };
  });
  const bits = createBits(region.width, region.height);
  for (const { polygons, rule } of inside) fillPolygons(polygons, rule, region, bits);
  if (rim) fillPolygons(piecesIn(rim, region), 'nonzero', region, bits, margin > 0 ? 1 : 0);
  return bits;
}

/** A margin as convex pieces, thousands of them, and of each the box it lies in: left, top, right and foot by turns. */
interface Rim {
  readonly pieces: readonly Polyline[];
  readonly boxes: Float64Array;
}

function rimOf(outlines: readonly Polyline[], style: StrokeStyle): Rim {
  const pieces = outlines.flatMap((line) => strokePolygons({ ...line, closed: true }, style, TOLERANCE));
  const boxes = new Float64Array(4 * pieces.length);
  for (const [k, { points }] of pieces.entries()) {
    const box = [Infinity, Infinity, -Infinity, -Infinity];
    for (let i = 0; i < points.length; i++) {
      const side = i & 1;
      box[side] = Math.min(box[side], points[i]);
      box[side + 2] = Math.max(box[side + 2], points[i]);
    }
    boxes.set(box, 4 * k);
  }
  return { pieces, boxes };
}

/** The pieces that may ink pixels of a region. */
const piecesIn = ({ pieces, boxes }: Rim, { x, y, width, height }: Region): Polyline[] =>
  pieces.filter(
    (_, k) =>
      boxes[4 * k] < x + width &&
      boxes[4 * k + 1] < y + height &&
      boxes[4 * k + 2] > x &&
      boxes[4 * k + 3] > y,
  );

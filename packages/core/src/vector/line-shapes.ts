import { MissingMaterial } from '../base/errors.ts';
import { outlineLettering, type Lettering } from '../lettering/lettering.ts';
import { containerDrawing, containerOutlines } from '../original/mask/container.ts';
import { flatten, mapContour, type Contour } from '../path/contour.ts';
import type { FillRule } from '../path/fill.ts';
import { strokePolygons, type StrokeStyle } from '../path/stroke.ts';
import { gridToBox, placedHeight, boxToPicture } from '../original/placed.ts';
import { lineTones } from '../original/line-work.ts';
import { pictureOf, readOriginal } from '../original/read-original.ts';
import type { OriginalRecipe } from '../recipe/recipe.ts';
import type { Materials } from '../recipe/scene.ts';
import { cutPlane } from '../original/cut/cut-rows.ts';
import { after, inverse, mapPoint, scaled, type Affine } from '../raster/affine.ts';
import { mmToPixels } from '../raster/frame.ts';
import { percentToCoverage } from '../raster/plane.ts';
import type { Rows } from '../raster/rows.ts';
import { areaOfContours, areaOfPolygons, grown, shared, united, without, type Area } from './area.ts';
import { levelPath } from './level-path.ts';
import type { PathData } from './path-data.ts';
import type { Units } from './units.ts';

/** A part of line work: what contours enclose, their curves with them, or an area where that had to be cut. */
export interface LineShape {
  readonly ink: boolean;
  /** Missing once the shape was cut. */
  readonly contours?: readonly Contour[];
  readonly rule: FillRule;
  readonly area: Area;
}

/** Outlines found in a picture stray from its tones by no more than so many of its pixels. */
const STRAYS = 0.05;

const curved = (contours: readonly Contour[], rule: FillRule, ink: boolean, units: Units): LineShape => ({
  ink,
  contours,
  rule,
  area: areaOfContours(contours, rule, units.tolerance),
});

const flat = (area: Area, ink: boolean): LineShape => ({ ink, rule: 'nonzero', area });

/** A stroke along lines, as the area it covers. */
function strokeArea(contours: readonly Contour[], style: StrokeStyle, { tolerance }: Units): Area {
  const pieces = contours.flatMap((contour) => strokePolygons(flatten(contour, tolerance), style, tolerance));
  return areaOfPolygons(pieces, 'nonzero');
}

/** What an original's own box covers. */
export function boxArea(original: OriginalRecipe, materials: Materials, units: Units): Area {
  const toUnits = inverse(boxMap(original, materials, units));
  const corners = [
    [0, 0],
    [1, 0],
    [1, 1],
    [0, 1],
  ].map(([x, y]) => mapPoint(toUnits, x, y));
  return areaOfPolygons(
    [{ closed: true, points: Float64Array.from(corners.flatMap(({ x, y }) => [x, y])) }],
    'nonzero',
  );
}

/** From units to shares of an original's box. */
const boxMap = (original: OriginalRecipe, materials: Materials, units: Units): Affine =>
  gridToBox(original, placedHeight(original, pictureOf(original, materials)), units.frame);

/** What a container holds, its margin with it. */
export function containerArea(original: OriginalRecipe, materials: Materials, units: Units): Area {
  const container = original.container!;
  const drawing = containerDrawing(original, materials);
  const height = placedHeight(original, pictureOf(original, materials));
  const toBox = gridToBox(original, height, units.frame);
  const ratio = height / original.placement.width;
  const whole = containerOutlines(container, drawing, ratio)
    .map(({ contours, rule }) =>
      areaOfContours(
        contours.map((one) => mapContour(one, inverse(toBox))),
        rule,
        units.tolerance,
      ),
    )
    .reduce<Area>((a, b) => united(a, b), []);
  return grown(whole, container.margin * units.perMm, units.tolerance);
}

/** What a hard cut-out leaves of a picture. */
export function cutArea(original: OriginalRecipe, materials: Materials, units: Units): Area {
  const { content, placement } = original;
  if (content.kind !== 'picture' || !content.cut) throw new TypeError('Nothing is cut out of this original.');
  const pyramid = pictureOf(original, materials)!;
  const across = (content.crop.width * pyramid.width) / mmToPixels(placement.width, units.film);
  const { plane, scale } = cutPlane(pyramid, content.cut, across);
  const toPlane = after(
    after(boxMap(original, materials, units), boxToPicture(content.crop, pyramid)),
    scaled(1 / scale),
  );
  const rows = {
    ...plane,
    row: (y: number) => plane.data.subarray(y * plane.width, (y + 1) * plane.width),
  };
  return levelArea(rows, 32768, undefined, inverse(toPlane));
}

/** Where rows reach a level, sent through a map to units. */
function levelArea(
  rows: Rows,
  least: number,
  hidden: ((y: number) => Uint16Array) | undefined,
  map: Affine,
): Area {
  const buffers = [new Float32Array(rows.width), new Float32Array(rows.width)];
  const polygons: { points: Float64Array; closed: boolean }[] = [];
  levelPath(
    {
      edge: 0.5,
      width: rows.width,
      height: rows.height,
      row(y) {
        const out = buffers[y & 1];
        const tones = rows.row(y);
        const opaque = hidden?.(y);
        for (let x = 0; x < out.length; x++) {
          out[x] = tones[x] - least + 0.5;
          if (opaque) out[x] = Math.min(out[x], opaque[x] - 32767.5);
        }
        return out;
      },
    },
    1,
    STRAYS,
    polygonsInto(polygons, map),
  );
  return areaOfPolygons(polygons, 'evenodd');
}

/** A path that gathers its outlines, sent through a map. */
function polygonsInto(polygons: { points: Float64Array; closed: boolean }[], map: Affine): PathData {
  let points: number[] = [];
  const add = (x: number, y: number) => {
    const to = mapPoint(map, x, y);
    points.push(to.x, to.y);
  };
  const never = () => {
    throw new TypeError('Outlines of tones have straight pieces alone.');
  };
  return {
    move(x, y) {
      points = [];
      add(x, y);
    },
    line: add,
    arc: never,
    curve: never,
    close: () => void polygons.push({ points: Float64Array.from(points), closed: true }),
    text: never,
  };
}

/** The letters of lettering, as one area. */
export const lettersOf = (
  original: OriginalRecipe,
  materials: Materials,
  units: Units,
): readonly Contour[] => {
  const content = original.content as Lettering;
  const face = materials.typefaces.get(content.font);
  if (!face) throw new MissingMaterial('typeface', original.name, content.font);
  const { width, height, contours } = outlineLettering(content, face);
  const toUnits = after(scaled(1 / width, 1 / height), inverse(boxMap(original, materials, units)));
  return contours.map((contour) => mapContour({ ...contour, closed: true }, toUnits));
};

/** The parts of lettering that are solid or bare, the lowest first. */
function letteringShapes(original: OriginalRecipe, materials: Materials, units: Units): LineShape[] {
  const content = original.content as Lettering;
  const letters = curved(lettersOf(original, materials, units), 'nonzero', content.fill !== 'bare', units);
  const edge = (mm: number): Area =>
    mm <= 0
      ? []
      : strokeArea(
          letters.contours!,
          {
            width: 2 * mmToPixels(mm, units.frame),
            cap: 'butt',
            join: 'miter',
            miterLimit: 3,
            dashes: [],
            dashOffset: 0,
          },
          units,
        );
  const outline = without(edge(content.outline.width), letters.area);
  const inner = shared(edge(content.inner.width), letters.area);
  const filled = content.fill === 'solid' || content.fill === 'bare';
  return [
    flat(outline, content.outline.paint === 'solid'),
    ...(filled ? [inner.length === 0 ? letters : flat(without(letters.area, inner), letters.ink)] : []),
    flat(inner, content.inner.paint === 'solid'),
  ].filter(({ area }) => area.length > 0);
}

function drawingShapes(original: OriginalRecipe, materials: Materials, units: Units): LineShape[] {
  if (original.content.kind !== 'drawing') throw new TypeError('This original is no drawing.');
  const drawing = materials.drawings.get(original.content.drawing);
  if (!drawing) throw new MissingMaterial('drawing', original.name, original.content.drawing);
  const map = after(
    scaled(1 / drawing.width, 1 / drawing.height),
    inverse(boxMap(original, materials, units)),
  );
  const scale = Math.sqrt(Math.abs(map.xx * map.yy - map.xy * map.yx));
  const onUnits = (contours: readonly Contour[]) => contours.map((one) => mapContour(one, map));
  return drawing.shapes.map(({ contours, rule, stroke, ink, clips }) => {
    const lines = onUnits(contours);
    const shape = stroke
      ? flat(
          strokeArea(
            lines,
            {
              ...stroke,
              width: stroke.width * scale,
              dashes: stroke.dashes.map((length) => length * scale),
              dashOffset: stroke.dashOffset * scale,
            },
            units,
          ),
          ink,
        )
      : curved(lines, rule, ink, units);
    return clips.reduce((one, at) => {
      const clip = drawing.clips[at];
      return flat(shared(one.area, areaOfContours(onUnits(clip.contours), clip.rule, units.tolerance)), ink);
    }, shape);
  });
}

/** Line work out of a picture: where its tones reach the threshold. */
function tracedShapes(original: OriginalRecipe, materials: Materials, units: Units): LineShape[] {
  const { content } = original;
  if (content.kind !== 'picture' || !content.line) throw new TypeError('This original is no line work.');
  const { toSource, source, alpha } = readOriginal(original, materials, units.film);
  const toUnits = scaled(units.frame.resolution / units.film.resolution);
  const { tones, toTones } = lineTones(original, source);
  const least = Math.max(1, percentToCoverage(content.line.threshold));
  const opaque = alpha && tones.width === alpha.width ? (y: number) => alpha.row(y) : undefined;
  const area = levelArea(tones, least, opaque, after(inverse(toTones(toSource)), toUnits));
  const cropped = shared(area, boxArea(original, materials, units));
  return [flat(content.cut ? shared(cropped, cutArea(original, materials, units)) : cropped, true)];
}

/** An original's line work, the lowest first, cut to its container. */
export function lineShapes(original: OriginalRecipe, materials: Materials, units: Units): LineShape[] {
  const { content, container } = original;
  const shapes =
    content.kind === 'lettering'
      ? letteringShapes(original, materials, units)
      : content.kind === 'drawing'
        ? drawingShapes(original, materials, units)
        : tracedShapes(original, materials, units);
  if (!container) return shapes;
  const held = containerArea(original, materials, units);
  return shapes.map(({ area, ink }) => flat(shared(area, held), ink));
}

import { MissingMaterial } from '../base/errors.ts';
import type { LineBits } from '../drawing/paint-drawing.ts';
import { gradientSize, gradientSource } from '../gradient/gradient-source.ts';
import { letteringReach, outlineLettering, type EdgePaint, type Lettering } from '../lettering/lettering.ts';
import { softShape } from './mask/soft-shape.ts';
import { flatten, mapContour, type Polyline } from '../path/contour.ts';
import { fillPolygons } from '../path/fill.ts';
import { strokePolygons } from '../path/stroke.ts';
import { after, inverse, scaled, type Affine } from '../raster/affine.ts';
import { addBits, bitAt, bothOf, clearBits, createBits, type Bits } from '../raster/bits.ts';
import { createPlane, percentToCoverage, SOLID, type Plane } from '../raster/plane.ts';
import type { Region } from '../raster/region.ts';
import { readInto } from '../raster/read-rows.ts';
import { recentBytes, recentOnly } from '../base/recent.ts';
import { toneRows, toTones } from '../tone/tone-rows.ts';
import { mmToPixels, type Frame } from '../raster/frame.ts';
import { gridToBox, regionOf } from './placed.ts';
import { gradientOf } from './read-original.ts';
import type { OriginalRecipe } from '../recipe/recipe.ts';
import type { Materials } from '../recipe/scene.ts';

/** Tones with their opacity (0–65535). */
export interface ToneLayer {
  readonly tone: Plane;
  readonly alpha: Plane;
}

/** What lettering is made of, the lowest first: a glow, screened letters, and solid or bare parts. */
export interface LetteringLayers {
  readonly glow?: ToneLayer;
  readonly fill?: ToneLayer;
  readonly line: LineBits;
}

/** Curves stray from their straight lines by no more than this, in pixels. */
const TOLERANCE = 0.05;

interface Polygons {
  readonly letters: Polyline[];
  readonly outline: Polyline[];
  readonly inner: Polyline[];
}

const recentPolygons = recentOnly<Polygons>(8);

function polygonsOf(original: OriginalRecipe, materials: Materials, toBox: Affine, frame: Frame): Polygons {
  const content = original.content as Lettering;
  const face = materials.typefaces.get(content.font);
  if (!face) throw new MissingMaterial('typeface', original.name, content.font);
  const { width, height, contours } = outlineLettering(content, face);
  const key = JSON.stringify([content, original.placement, frame]);
  return recentPolygons(key, () => {
    const toGrid = after(scaled(1 / width, 1 / height), inverse(toBox));
    const letters = contours.map((contour) => flatten(mapContour(contour, toGrid), TOLERANCE));
    const edge = (mm: number): Polyline[] => {
      if (mm <= 0) return [];
      const style = {
        width: 2 * mmToPixels(mm, frame),
        cap: 'butt',
        join: 'miter',
        miterLimit: 3,
        dashes: [],
        dashOffset: 0,
      } as const;
      return letters.flatMap((line) => strokePolygons(line, style, TOLERANCE));
    };
    return { letters, outline: edge(content.outline.width), inner: edge(content.inner.width) };
  });
}

/** Pixels of letters, of their outline around them, and of the edge within them. */
interface Parts {
  readonly filled: Bits;
  readonly around: Bits;
  readonly within: Bits;
}

/** Every plate has the same letters, and they stay while its screen changes. */
const recentParts = recentBytes<Parts>(16 << 20, ({ filled }) => 3 * filled.data.byteLength);

/** The parts of lettering in a region; they must not be changed. */
function partsOf(
  original: OriginalRecipe,
  materials: Materials,
  toBox: Affine,
  frame: Frame,
  region: Region,
): Parts {
  const { content, placement } = original;
  const { letters, outline, inner } = polygonsOf(original, materials, toBox, frame);
  return recentParts(JSON.stringify([content, placement, frame, region]), () => {
    const painted = (polygons: readonly Polyline[]): Bits => {
      const bits = createBits(region.width, region.height);
      fillPolygons(polygons, 'nonzero', region, bits);
      return bits;
    };
    const [filled, around, within] = [letters, outline, inner].map(painted);
    clearBits(around, filled);
    return { filled, around, within };
  });
}

/** Pixels of a grid that lettering may cover, its outline and glow with it. */
export function letteringRegion(original: OriginalRecipe, frame: Frame): Region {
  const content = original.content as Lettering;
  const box = regionOf(gridToBox(original, original.placement.width * content.ratio, frame));
  // Letters may stand out of their line: a quarter of the box is room enough, even for swashes.
  const spare = mmToPixels(original.placement.width * Math.max(0.05, content.ratio / 4), frame);
  const reach = Math.ceil(mmToPixels(letteringReach(content), frame) + spare);
  return {
    x: box.x - reach,
    y: box.y - reach,
    width: box.width + 2 * reach,
    height: box.height + 2 * reach,
  };
}

/** True for lettering of which nothing is screened: it has no tones and no glow. */
export const isAllLine = ({ fill, glow }: Lettering): boolean => fill !== 'gradient' && !hasGlow(glow);

const hasGlow = ({ strength, reach }: Lettering['glow']): boolean => strength > 0 && reach > 0;

/** Lettering in a region of a grid, drawn at the grid's own resolution. */
export function letteringLayers(
  original: OriginalRecipe,
  materials: Materials,
  frame: Frame,
  region: Region,
): LetteringLayers {
  const content = original.content as Lettering;
  const toBox = gridToBox(original, original.placement.width * content.ratio, frame);
  const { filled, around, within } = partsOf(original, materials, toBox, frame, region);
  const empty = () => createBits(region.width, region.height);
  const line = { ink: empty(), bare: empty() };
  const layerOf = (paint: EdgePaint): Bits => (paint === 'solid' ? line.ink : line.bare);
  addBits(layerOf(content.outline.paint), around);
  addBits(layerOf(content.inner.paint), bothOf(within, filled));
  if (content.fill === 'solid' || content.fill === 'bare') {
    const body = { ...filled, data: filled.data.slice() };
    clearBits(body, within);
    addBits(layerOf(content.fill), body);
  }
  const glow = glowLayer(original, materials, frame, region);
  return {
    line,
    ...(glow ? { glow } : {}),
    ...(content.fill === 'gradient' ? { fill: fillLayer(original, toBox, region, filled) } : {}),
  };
}

/** The gradient over the whole box, seen where the letters are. */
function fillLayer(original: OriginalRecipe, toBox: Affine, region: Region, letters: Bits): ToneLayer {
  const gradient = gradientOf(original.content)!;
  const { width } = original.placement;
  const size = gradientSize(gradient, width);
  const tone = createPlane(region.width, region.height);
  const source = gradientSource(gradient, width, 1);
  const rows = toneRows(source, original.tone);
  readInto(rows, toTones(after(toBox, scaled(size.width, size.height)), source, rows), region, tone);
  const alpha = createPlane(region.width, region.height);
  for (let y = 0, i = 0; y < region.height; y++) {
    for (let x = 0; x < region.width; x++, i++) if (bitAt(letters, x, y)) alpha.data[i] = SOLID;
  }
  return { tone, alpha };
}

function glowLayer(
  original: OriginalRecipe,
  materials: Materials,
  frame: Frame,
  region: Region,
): ToneLayer | undefined {
  const content = original.content as Lettering;
  const { glow, outline, ratio } = content;
  const { placement } = original;
  if (!hasGlow(glow)) return undefined;
  const reach = letteringReach(content) + (placement.width * Math.max(1, ratio)) / 2;
  const box = {
    x: placement.x + placement.width / 2 - 1.5 * reach,
    y: placement.y + (placement.width * ratio) / 2 - 1.5 * reach,
    width: 3 * reach,
    height: 3 * reach,
  };
  const paint = (on: Frame, part: Region): Bits => {
    const toBox = gridToBox(original, placement.width * ratio, on);
    const polygons = polygonsOf(original, materials, toBox, on);
    const bits = createBits(part.width, part.height);
    fillPolygons(polygons.letters, 'nonzero', part, bits);
    fillPolygons(polygons.outline, 'nonzero', part, bits);
    return bits;
  };
  const shape = [content.text, content.font, content.align, content.tracking, content.leading, outline.width];
  const key = JSON.stringify(['glow', shape, placement, ratio]);
  const alpha = softShape(key, box, glow.reach / 2, paint, frame, region);
  // A blur is half as strong at the edge it comes from; a glow is to be as strong as it says just outside.
  const full = (2 * percentToCoverage(glow.strength)) / SOLID;
  const most = percentToCoverage(glow.strength);
  for (let i = 0; i < alpha.data.length; i++)
    alpha.data[i] = Math.min(most, Math.round(alpha.data[i] * full));
  return { tone: createPlane(region.width, region.height, glow.paint === 'solid' ? SOLID : 0), alpha };
}

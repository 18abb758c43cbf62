import { MissingMaterial } from '../base/errors.ts';
import { cache } from '../base/cache.ts';
import { gradientSize, gradientSource } from '../gradient/gradient-source.ts';
import {
  letteringReach,
  outlineLettering,
  type EdgePaint,
  type Lettering,
  type LetteringOutline,
} from '../lettering/lettering.ts';
import { flatten, mapContour, type Polyline } from '../path/contour.ts';
import { fillPolygons } from '../path/fill.ts';
import { strokePolygons } from '../path/stroke.ts';
import { after, inverse, scaled, type Affine } from '../raster/affine.ts';
import { addBits, bitAt, bothOf, clearBits, createBits, type Bits } from '../raster/bits.ts';
import { mmToPixels } from '../raster/frame.ts';
import { createPlane, percentToCoverage, SOLID } from '../raster/plane.ts';
import { readInto } from '../raster/read-rows.ts';
import type { Region } from '../raster/region.ts';
import type { Materials } from '../recipe/scene.ts';
import { toneRows, toTones } from '../tone/tone-rows.ts';
import type { Layers, Placing, ToneLayer } from './content-kind.ts';
import { softShape } from './mask/soft-shape.ts';
import { gridToBox } from './placed.ts';

/** Curves stray from their straight lines by no more than this, in pixels. */
const TOLERANCE = 0.05;

/**
 * Lettering laid out by its typeface.
 *
 * @throws MissingMaterial
 */
export function outlineOf(content: Lettering, name: string, { typefaces }: Materials): LetteringOutline {
  const face = typefaces.get(content.font);
  if (!face) throw new MissingMaterial('typeface', name, content.font);
  return outlineLettering(content, face);
}

/** From pixels of a grid to shares of the lettering's box. */
const letteringBox = ({ ratio }: Lettering, { original, frame }: Placing): Affine =>
  gridToBox(original, original.placement.width * ratio, frame);

interface Polygons {
  readonly letters: Polyline[];
  readonly outline: Polyline[];
  readonly inner: Polyline[];
}

const recentPolygons = cache<Polygons>('letter polygons');

function polygonsOf(content: Lettering, placing: Placing): Polygons {
  const { original, materials, frame } = placing;
  const { width, height, contours } = outlineOf(content, original.name, materials);
  return recentPolygons(JSON.stringify([content, original.placement, frame]), () => {
    const toGrid = after(scaled(1 / width, 1 / height), inverse(letteringBox(content, placing)));
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

/** Pixels of letters, of their outline around them, and of the edge within them where there is one. */
interface Parts {
  readonly filled: Bits;
  readonly around: Bits | undefined;
  readonly within: Bits | undefined;
}

/** Every plate has the same letters, and they stay while its screen changes. */
const recentParts = cache<Parts>('letter pixels');

/** The parts of lettering in a region; they must not be changed. */
function partsOf(content: Lettering, placing: Placing, region: Region): Parts {
  const { letters, outline, inner } = polygonsOf(content, placing);
  const { original, frame } = placing;
  return recentParts(JSON.stringify([content, original.placement, frame, region]), () => {
    const painted = (polygons: readonly Polyline[]): Bits => {
      const bits = createBits(region.width, region.height);
      fillPolygons(polygons, 'nonzero', region, bits);
      return bits;
    };
    const filled = painted(letters);
    const [around, within] = [outline, inner].map((edge) => (edge.length > 0 ? painted(edge) : undefined));
    if (around) clearBits(around, filled);
    return { filled, around, within };
  });
}

/** True when letters have a glow around them. */
export const hasGlow = ({ glow }: Lettering): boolean => glow.strength > 0 && glow.reach > 0;

/** Lettering in a region of a grid, drawn at the grid's own resolution. */
export function letteringLayers(content: Lettering, placing: Placing, region: Region): Layers {
  const { filled, around, within } = partsOf(content, placing, region);
  const empty = () => createBits(region.width, region.height);
  const line = { ink: empty(), bare: empty() };
  const layerOf = (paint: EdgePaint): Bits => (paint === 'solid' ? line.ink : line.bare);
  if (around) addBits(layerOf(content.outline.paint), around);
  if (within) addBits(layerOf(content.inner.paint), bothOf(within, filled));
  if (content.fill === 'solid' || content.fill === 'bare') {
    const body = within ? { ...filled, data: filled.data.slice() } : filled;
    if (within) clearBits(body, within);
    addBits(layerOf(content.fill), body);
  }
  return {
    line,
    ...(hasGlow(content) ? { glow: glowLayer(content, placing, region) } : {}),
    ...(content.fill === 'gradient' ? { fill: fillLayer(content, placing, region, filled) } : {}),
  };
}

/** The gradient over the whole box, seen where the letters are. */
function fillLayer(content: Lettering, placing: Placing, region: Region, letters: Bits): ToneLayer {
  const gradient = { ...content.gradient, ratio: content.ratio };
  const { width } = placing.original.placement;
  const size = gradientSize(gradient, width);
  const tone = createPlane(region.width, region.height);
  const source = gradientSource(gradient, width, 1);
  const rows = toneRows(source, placing.original.tone);
  const toSource = after(letteringBox(content, placing), scaled(size.width, size.height));
  readInto(rows, toTones(toSource, source, rows), region, tone);
  const alpha = createPlane(region.width, region.height);
  for (let y = 0, i = 0; y < region.height; y++) {
    for (let x = 0; x < region.width; x++, i++) if (bitAt(letters, x, y)) alpha.data[i] = SOLID;
  }
  return { tone, alpha };
}

function glowLayer(content: Lettering, placing: Placing, region: Region): ToneLayer {
  const { glow, outline, ratio } = content;
  const { placement } = placing.original;
  const reach = letteringReach(content) + (placement.width * Math.max(1, ratio)) / 2;
  const box = {
    x: placement.x + placement.width / 2 - 1.5 * reach,
    y: placement.y + (placement.width * ratio) / 2 - 1.5 * reach,
    width: 3 * reach,
    height: 3 * reach,
  };
  const paint = (frame: Placing['frame'], part: Region): Bits => {
    const polygons = polygonsOf(content, { ...placing, frame });
    const bits = createBits(part.width, part.height);
    fillPolygons(polygons.letters, 'nonzero', part, bits);
    fillPolygons(polygons.outline, 'nonzero', part, bits);
    return bits;
  };
  const shape = [content.text, content.font, content.align, content.tracking, content.leading, outline.width];
  const key = JSON.stringify(['glow', shape, placement, ratio]);
  const alpha = softShape(key, box, glow.reach / 2, paint, placing.frame, region);
  // A blur is half as strong at the edge it comes from; a glow is to be as strong as it says just outside.
  const full = (2 * percentToCoverage(glow.strength)) / SOLID;
  const most = percentToCoverage(glow.strength);
  for (let i = 0; i < alpha.data.length; i++)
    alpha.data[i] = Math.min(most, Math.round(alpha.data[i] * full));
  return { tone: createPlane(region.width, region.height, glow.paint === 'solid' ? SOLID : 0), alpha };
}

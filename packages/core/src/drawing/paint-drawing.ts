import { flatten, mapContour, type Contour, type Polyline } from '../path/contour.ts';
import { numberOf } from '../base/identity.ts';
import { fillPolygons } from '../path/fill.ts';
import { strokePolygons } from '../path/stroke.ts';
import type { Affine } from '../raster/affine.ts';
import { addBits, clearBits, createBits, keepBits, type Bits } from '../raster/bits.ts';
import type { Region } from '../raster/region.ts';
import { cache } from '../base/cache.ts';
import type { Drawing, Shape } from './drawing.ts';

/** What line work does to a plate: where it prints, and where it leaves bare what lies under it. */
export interface LineBits {
  readonly ink: Bits;
  readonly bare: Bits;
}

/** Curves stray from their straight lines by no more than this, in pixels. */
const TOLERANCE = 0.05;

/** A drawing's polygons on a grid, kept for the many bands of one film. */
const recentPainted = cache<{ clips: Polyline[][]; shapes: Polyline[][] }>('painted drawings');

/** Its pixels in a region: every plate has the same, and they stay while its screen changes. */
const recentBits = cache<LineBits>('drawing pixels', ({ ink }) => 2 * ink.data.byteLength);

/**
 * Paints a drawing into a region of pixels, exactly at their resolution: a pixel is inked when its centre lies in a dark
 * shape that no light one covers.
 *
 * @param map from the drawing's units to pixels
 */
export function paintDrawing(drawing: Drawing, map: Affine, region: Region): LineBits {
  const { ink, bare } = recentBits(`${numberOf(drawing)} ${JSON.stringify([map, region])}`, () =>
    paint(drawing, map, region),
  );
  return { ink: { ...ink, data: ink.data.slice() }, bare: { ...bare, data: bare.data.slice() } };
}

function paint(drawing: Drawing, map: Affine, region: Region): LineBits {
  const painted = recentPainted(`${numberOf(drawing)} ${JSON.stringify(map)}`, () => ({
    clips: drawing.clips.map(({ contours }) => onGrid(contours, map)),
    shapes: drawing.shapes.map((shape) => polygonsOf(shape, map)),
  }));
  const out = { ink: createBits(region.width, region.height), bare: createBits(region.width, region.height) };
  const clipped = new Map<number, Bits>();
  const clipAt = (at: number): Bits => {
    const found = clipped.get(at);
    if (found) return found;
    const bits = createBits(region.width, region.height);
    fillPolygons(painted.clips[at], drawing.clips[at].rule, region, bits);
    clipped.set(at, bits);
    return bits;
  };
  for (const [at, shape] of drawing.shapes.entries()) {
    const polygons = painted.shapes[at];
    const rule = shape.stroke ? 'nonzero' : shape.rule;
    if (shape.clips.length === 0) {
      fillPolygons(polygons, rule, region, out.ink, shape.ink ? 1 : 0);
      fillPolygons(polygons, rule, region, out.bare, shape.ink ? 0 : 1);
      continue;
    }
    const own = createBits(region.width, region.height);
    fillPolygons(polygons, rule, region, own);
    for (const clip of shape.clips) keepBits(own, clipAt(clip));
    lay(shape.ink ? out.ink : out.bare, shape.ink ? out.bare : out.ink, own);
  }
  return out;
}

const onGrid = (contours: readonly Contour[], map: Affine): Polyline[] =>
  contours.map((contour) => flatten(mapContour(contour, map), TOLERANCE));

function polygonsOf({ contours, stroke }: Shape, map: Affine): Polyline[] {
  if (!stroke) return onGrid(contours, map);
  // A drawing is never stretched, so lengths grow alike every way.
  const scale = Math.sqrt(Math.abs(map.xx * map.yy - map.xy * map.yx));
  const style = {
    ...stroke,
    width: stroke.width * scale,
    dashes: stroke.dashes.map((length) => length * scale),
    dashOffset: stroke.dashOffset * scale,
  };
  return onGrid(contours, map).flatMap((line) => strokePolygons(line, style, TOLERANCE));
}

/** Sets bits in one layer and clears them in the other. */
export function lay(set: Bits, clear: Bits, bits: Bits): void {
  addBits(set, bits);
  clearBits(clear, bits);
}

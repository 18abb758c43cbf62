import { gradientSize, gradientSource } from '../../gradient/gradient-source.ts';
import type { Frame } from '../../raster/frame.ts';
import { after, inverse, moved, scaled, type Affine } from '../../raster/affine.ts';
import type { Plane } from '../../raster/plane.ts';
import type { Bits } from '../../raster/bits.ts';
import type { Region } from '../../raster/region.ts';
import type { Rows } from '../../raster/rows.ts';
import { readInto } from '../../raster/read-rows.ts';
import { screened } from '../../screen/screened.ts';
import { paintStroke } from '../../tone/paint-stroke.ts';
import type { Fade } from '../../recipe/fade.ts';
import { toneRows } from '../../tone/tone-rows.ts';
import { NO_TONE } from '../../tone/tone.ts';

/** Tones with the ways to them, and to the original's box, from a grid's pixels. */
export interface PlacedRows {
  readonly rows: Rows;
  readonly map: Affine;
  readonly toBox: Affine;
}

/** The gradient of a fade over a box `width` mm wide and `ratio` times as high. */
export function fadeGradient(fade: Fade, width: number, ratio: number, toBox: Affine): PlacedRows {
  const gradient = { ...fade.gradient, ratio };
  const size = gradientSize(gradient, width);
  return {
    rows: toneRows(gradientSource(gradient, width, 1), NO_TONE),
    map: after(toBox, scaled(size.width, size.height)),
    toBox,
  };
}

/**
 * The dots of a fade in a region of a grid.
 *
 * @param placed its tones on a grid
 * @param ratio  height of the original's box over its width
 */
export const fadeBits = (
  fade: Fade,
  placed: (frame: Frame) => PlacedRows,
  ratio: number,
  frame: Frame,
  region: Region,
): Bits =>
  screened(fade.screen, frame, region, (on, part, tone) => fadeTone(fade, placed(on), ratio, part, tone));

/**
 * How much a fade leaves in a region of a grid: 65535 = all.
 *
 * @param ratio height of the original's box over its width
 * @param out   bare, of the region's size, to be written to and returned
 */
export function fadeTone(
  { strokes }: Fade,
  { rows, map, toBox }: PlacedRows,
  ratio: number,
  region: Region,
  out: Plane,
): Plane {
  readInto(rows, map, region, out);
  const boxToPart = after(inverse(toBox), moved(-region.x, -region.y));
  for (const stroke of strokes) paintStroke(out, stroke, after(scaled(1, 1 / ratio), boxToPart));
  return out;
}

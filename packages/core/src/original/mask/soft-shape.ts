import { gaussian } from '../../filter/gaussian.ts';
import type { Frame } from '../../raster/frame.ts';
import { gridToSheet } from '../../recipe/grid-to-sheet.ts';
import { after, moved, scaled, type Affine } from '../../raster/affine.ts';
import { bitAt, type Bits } from '../../raster/bits.ts';
import { createPlane, SOLID, type Plane } from '../../raster/plane.ts';
import type { Region } from '../../raster/region.ts';
import { rowsOf } from '../../raster/rows.ts';
import { readInto } from '../../raster/read-rows.ts';
import { cache } from '../../base/cache.ts';

/** Pixels of the soft grid for each standard deviation of its blur. */
const PER_SIGMA = 3;
/** Pixels are drawn so many times as fine each way, then averaged. */
const FINE = 4;
/** Most pixels of the soft grid. */
const MOST = 4e6;

interface Box {
  readonly x: number;
  readonly y: number;
  readonly width: number;
  readonly height: number;
}

const recentSoft = cache<{ plane: Plane; left: number; top: number; perMm: number }>('soft shapes');

/**
 * A shape blurred, read on any grid: 65535 well inside, 0 well outside. It is drawn once on a coarse grid that its blur
 * needs no finer, whatever grid it is read on.
 *
 * @param key   equal iff the shape is equal
 * @param box   around the shape on the sheet, mm
 * @param sigma standard deviation of the blur, mm
 * @param paint the shape's bits on a grid
 */
export function softShape(
  key: string,
  box: Box,
  sigma: number,
  paint: (frame: Frame, region: Region) => Bits,
  frame: Frame,
  region: Region,
): Plane {
  const { plane, left, top, perMm } = recentSoft(`${key} ${sigma}`, () => {
    const pad = 4 * sigma;
    const area = (box.width + 2 * pad) * (box.height + 2 * pad);
    const perMm = Math.min(PER_SIGMA / sigma, Math.sqrt(MOST / area));
    const left = Math.floor((box.x - pad) * perMm);
    const top = Math.floor((box.y - pad) * perMm);
    const width = Math.ceil((box.x + box.width + pad) * perMm) - left;
    const height = Math.ceil((box.y + box.height + pad) * perMm) - top;
    const fine: Frame = {
      width: width * FINE,
      height: height * FINE,
      resolution: perMm * FINE * 25.4,
      bleed: 0,
    };
    const plane = createPlane(width, height);
    // A few rows at a time: all of them drawn so fine would take much memory.
    const step = Math.max(1, Math.floor(2e6 / (width * FINE * FINE)));
    for (let y = 0; y < height; y += step) {
      const rows = Math.min(step, height - y);
      const bits = paint(fine, {
        x: left * FINE,
        y: (top + y) * FINE,
        width: width * FINE,
        height: rows * FINE,
      });
      for (let j = 0; j < rows; j++) {
        for (let i = 0; i < width; i++) plane.data[(y + j) * width + i] = shareAt(bits, i, j);
      }
    }
    return { plane: gaussian(plane, sigma * perMm, 0), left, top, perMm };
  });
  const toSoft: Affine = after(after(gridToSheet(frame), scaled(perMm)), moved(-left, -top));
  const out = createPlane(region.width, region.height);
  readInto(rowsOf(plane), toSoft, region, out);
  return out;
}

function shareAt(bits: Bits, x: number, y: number): number {
  let count = 0;
  for (let k = 0; k < FINE * FINE; k++)
    count += bitAt(bits, x * FINE + (k % FINE), y * FINE + Math.floor(k / FINE));
  return Math.round((count * SOLID) / (FINE * FINE));
}

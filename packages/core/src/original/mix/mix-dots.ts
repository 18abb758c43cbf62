import { cache } from '../../base/cache.ts';
import { numberOf } from '../../base/identity.ts';
import { gaussian, gaussianCell, gaussianMargin } from '../../filter/gaussian.ts';
import { bitAt, type Bits } from '../../raster/bits.ts';
import { mmToPixels } from '../../raster/frame.ts';
import { createPlane, SOLID, type Plane } from '../../raster/plane.ts';
import { readInto } from '../../raster/read-rows.ts';
import type { Region } from '../../raster/region.ts';
import { cutRows, rowsOf } from '../../raster/rows.ts';
import { materialsKey } from '../../recipe/materials-key.ts';
import type { Mix } from '../../recipe/mix.ts';
import { screened } from '../../screen/screened.ts';
import { toneRows, toTones } from '../../tone/tone-rows.ts';
import { placeOriginal, type PlacedOriginal } from '../place-original.ts';

/** The dots of its own that an original is mixed with, in a region of its grid. */
export const mixDots = ({ screen }: Mix, placed: PlacedOriginal, region: Region): Bits =>
  screened(screen, placed.frame, region, (frame, part, out) =>
    tonesOf(
      frame === placed.frame
        ? placed
        : placeOriginal({ original: placed.original, materials: placed.materials, frame }),
      part,
      out,
    ),
  );

/** Rows of soft dots made at once: bands of a film are far fewer, and each would blur much around it again. */
const BLOCK = 256;

const recentBlocks = cache<Plane>('soft dots', ({ data }) => data.byteLength);

/** The same with soft edges, as coverage; undefined where the mix has hard ones, in film pixels too. */
export function softMixDots(mix: Mix, placed: PlacedOriginal, region: Region): Plane | undefined {
  const sigma = mmToPixels((mix.softness ?? 0) / SIGMAS, placed.frame);
  const margin = gaussianMargin(sigma);
  if (margin === 0) return undefined;
  const { x, width } = region;
  const rows = BLOCK * Math.max(1, Math.ceil((2 * margin) / BLOCK));
  const key = JSON.stringify([
    numberOf(placed.original),
    materialsKey(placed.materials),
    placed.frame,
    x,
    width,
    rows,
  ]);
  const out = createPlane(width, region.height);
  for (let y = region.y; y < region.y + region.height;) {
    const block = Math.floor(y / rows);
    const soft = recentBlocks(`${key} ${block}`, () =>
      blurredDots(mix, placed, sigma, { x, y: block * rows, width, height: rows }),
    );
    const end = Math.min(region.y + region.height, (block + 1) * rows);
    const from = (y - block * rows) * width;
    out.data.set(soft.data.subarray(from, from + (end - y) * width), (y - region.y) * width);
    y = end;
  }
  return out;
}

function blurredDots(mix: Mix, placed: PlacedOriginal, sigma: number, region: Region): Plane {
  const margin = gaussianMargin(sigma);
  // A wide blur is made on cells; any region lies on them as the whole does.
  const cell = gaussianCell(sigma);
  const x = Math.floor((region.x - margin) / cell) * cell;
  const y = Math.floor((region.y - margin) / cell) * cell;
  const around = {
    x,
    y,
    width: region.x + region.width + margin - x,
    height: region.y + region.height + margin - y,
  };
  const dots = mixDots(mix, placed, around);
  const plane = createPlane(around.width, around.height);
  for (let j = 0, i = 0; j < around.height; j++) {
    for (let k = 0; k < around.width; k++, i++) plane.data[i] = bitAt(dots, k, j) ? SOLID : 0;
  }
  return cutRows(rowsOf(gaussian(plane, sigma, 0)), { ...region, x: region.x - x, y: region.y - y });
}

/** Standard deviations of a blur from dark to light across an edge. */
const SIGMAS = 4;

/** An original's own tones, or those its letters are filled with. */
function tonesOf({ original, tones, layers }: PlacedOriginal, part: Region, out: Plane): Plane {
  if (!tones) return layers?.(part).fill?.tone ?? out;
  const rows = toneRows(tones.source, original.tone);
  readInto(rows, toTones(tones.toSource, tones.source, rows), part, out);
  return out;
}

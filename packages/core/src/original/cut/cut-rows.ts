import { present } from '../../base/present.ts';
import { gaussian } from '../../filter/gaussian.ts';
import { numberOf } from '../../base/identity.ts';
import { naturalLog } from '../../base/power.ts';
import { coverageTable } from '../../raster/coverage-table.ts';
import { createPlane, SOLID, type Plane } from '../../raster/plane.ts';
import type { Picture } from '../../raster/picture.ts';
import type { Pyramid } from '../../raster/pyramid.ts';
import { cache } from '../../base/cache.ts';
import type { CutOut } from '../../recipe/cut-out.ts';
import { findCut } from './find-cut.ts';
import { dropSpecks } from './patches.ts';

/** A cut-out is found on a picture of at most so many pixels: connections need the whole of it at once. */
const MOST_PIXELS = 20e6;
/** Blur that rounds off the steps of a hard edge, pixels. */
const LEAST_BLUR = 0.7;

/** What stays of a picture, but for what is painted by hand: 65535 = stays, 0 = cut away. Each pixel is `scale` pixels of the picture wide. */
export interface CutPlane {
  readonly plane: Plane;
  readonly scale: number;
}

const recentFound = cache<Uint8Array>('cut-outs as found', (found) => found.byteLength);
const recentPlanes = cache<Plane>('cut-outs', ({ data }) => data.byteLength);

/**
 * What stays of a picture, on a grid about as fine as wanted. It is found once on the picture as a whole; coarser grids
 * are means of that. Strokes are left to whoever reads it: painted on the reader's own grid they follow a hand at once.
 *
 * @param wanted pixels of the picture for each pixel of the grid it will be read on
 */
export function cutPlane(pyramid: Pyramid, { strokes: _, ...cut }: CutOut, wanted: number): CutPlane {
  const level = pyramid.levels.findIndex((one) => one && one.width * one.height <= MOST_PIXELS);
  const picture = present(pyramid.levels[level], 'level small enough to find a cut-out in');
  const base = 2 ** level;
  const key = `${numberOf(picture.data)} ${JSON.stringify(cut)}`;
  const whole = () => recentPlanes(key, () => makePlane(picture, base, cut));
  const halvings = Math.max(0, Math.round(Math.log2(Math.max(1, wanted / base))));
  const plane =
    halvings === 0 ? whole() : recentPlanes(`${key} ${halvings}`, () => halvedPlane(whole(), halvings));
  return { plane, scale: base * 2 ** halvings };
}

function makePlane(picture: Picture, scale: number, cut: Omit<CutOut, 'strokes'>): Plane {
  const { width, height } = picture;
  const { softness, choke, ...finding } = cut;
  const found = recentFound(`${numberOf(picture.data)} ${JSON.stringify(finding)}`, () => {
    const mask = findCut(picture, cut);
    dropSpecks(mask, width, height, cut.specks / (scale * scale));
    return mask;
  });
  const plane = createPlane(width, height);
  for (let i = 0; i < found.length; i++) plane.data[i] = found[i] ? 0 : SOLID;
  return moveEdge(plane, choke / scale, softness / scale);
}

/**
 * Moves the edge of a hard mask inwards and gives it its width: across a straight edge a Gaussian blur of σ falls as the
 * normal distribution, so its value says how far off the edge is.
 */
function moveEdge(plane: Plane, choke: number, softness: number): Plane {
  const sigma = Math.max(LEAST_BLUR, softness / 2, Math.abs(choke) * 0.75);
  const blurred = gaussian(plane, sigma, 0);
  const half = Math.max(softness / 2, 0.5);
  const table = coverageTable((value) => {
    const inside = quantile(value / SOLID) * sigma - choke;
    return Math.round(SOLID * Math.min(1, Math.max(0, 0.5 + inside / (2 * half))));
  });
  return { ...blurred, data: blurred.data.map((value) => table[value]) };
}

/** How many standard deviations within the edge a blur of this value (0–1) is; the logistic curve stands for the normal. */
function quantile(value: number): number {
  if (value <= 0.001) return -4;
  if (value >= 0.999) return 4;
  return naturalLog(value / (1 - value)) / 1.702;
}

/** Means over square cells of 2ⁿ pixels; those at the right and lower edge may be smaller. */
function halvedPlane({ width, height, data }: Plane, halvings: number): Plane {
  const size = 1 << halvings;
  const out = createPlane(Math.ceil(width / size), Math.ceil(height / size));
  const sums = new Float64Array(out.width);
  for (let y = 0; y < out.height; y++) {
    sums.fill(0);
    const end = Math.min(height, (y + 1) * size);
    for (let j = y * size; j < end; j++) {
      for (let x = 0; x < width; x++) sums[x >> halvings] += data[j * width + x];
    }
    for (let x = 0; x < out.width; x++) {
      const count = (Math.min(width, (x + 1) * size) - x * size) * (end - y * size);
      out.data[y * out.width + x] = Math.round(sums[x] / count);
    }
  }
  return out;
}

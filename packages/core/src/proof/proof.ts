import { clamp } from '../base/numbers.ts';
import { bitAt, bothOf, type Bits } from '../raster/bits.ts';
import { bands } from '../raster/region.ts';
import { encode8, type LinearRgb } from '../colour/srgb.ts';
import { cache } from '../base/cache.ts';
import { areaSums, blankAreas, boxesOf } from './average.ts';
import { COUNTED_PLATES } from '../kernel/memory.ts';
import { withWorkBits } from '../raster/work-memory.ts';
import { plateBits } from '../plate/evaluate.ts';
import { isEnlarged, type PlatesView, type Shown } from './plates-view.ts';

/** Pixels of bits held at once while averaging. */
const COUNTED_PIXELS = 1 << 22;

/**
 * What the plates look like: where a screen pixel covers one device pixel or more, the mean over exactly its area of
 * the colours of the overprints found there, in linear light; where it covers less, the device pixel under its centre.
 *
 * @param colours of the overprints of just these plates, as `overprints` gives them
 */
export const proof = (request: PlatesView, colours: readonly LinearRgb[]): Shown =>
  isEnlarged(request) ? enlargedProof(request, colours) : averagedProof(request, colours);

/** The range of whole pixels between two positions, kept on the grid. */
function span(from: number, to: number, limit: number): { start: number; size: number } {
  const start = Math.min(limit, Math.max(0, Math.floor(from)));
  return { start, size: Math.max(0, Math.min(limit, Math.ceil(to)) - start) };
}

function averagedProof(request: PlatesView, colours: readonly LinearRgb[]): Shown {
  const { view, rows, plates } = request;
  const { areas, full } = inkedAreas(request);
  const pixels = view.columns * rows.count;
  const rgba = new Uint8ClampedArray(pixels * 4);
  if (plates.length === 1) return { rgba, inked: [paintOne(rgba, areas[1], full, colours) / pixels] };
  const inked = plates.map(() => 0);
  const shares = new Float64Array(colours.length);
  for (let i = 0; i < pixels; i++) {
    sharesAt(areas, full, i, shares);
    for (let k = 0; k < plates.length; k++) inked[k] += areas[1 << k][i] / full;
    paint(rgba, i * 4, shares, colours);
  }
  return { rgba, inked: inked.map((sum) => sum / pixels) };
}

/** For each set of plates (a bit for each) the area of every screen pixel, in device pixels, where at least those have ink. */
export interface InkedAreas {
  readonly areas: readonly Float64Array[];
  /** Area of a screen pixel. */
  readonly full: number;
}

/** @param areas what is added to; blank ones unless given */
export function inkedAreas(
  { scene, frame, view, rows, plates }: PlatesView,
  areas: InkedAreas['areas'] = blankAreas(plates.length, view.columns * rows.count),
): InkedAreas {
  const box = { width: view.width / view.columns, height: view.height / view.rows };
  const top = view.y + rows.first * box.height;
  const across = span(view.x, view.x + view.width, frame.width);
  const down = span(top, top + rows.count * box.height, frame.height);
  const start = { x: view.x - across.start, y: top };
  const boxes = boxesOf(box, start, view.columns, rows.count, across.size);
  const region = { x: across.start, y: down.start, width: across.size, height: down.size };
  const together = plates.length <= COUNTED_PLATES ? areaSums(boxes, plates.length, areas) : undefined;
  const sums = together ? [] : areas.map((area) => areaSums(boxes, 1, [areas[0], area]));
  for (const band of bands(region, COUNTED_PIXELS, 1)) {
    withWorkBits(plates.length, band.width, band.height, (work) => {
      const alone = plates.map((plate, k) => plateBits(scene, plate, frame, band, work[k]));
      together?.add(alone, band.y);
      const sets: Bits[] = [];
      for (let set = 1; set < sums.length; set++) {
        const highest = 31 - Math.clz32(set);
        const rest = set & ~(1 << highest);
        sets[set] = rest === 0 ? alone[highest] : bothOf(alone[highest], sets[rest]);
        sums[set].add([sets[set]], band.y);
      }
    });
  }
  return { areas, full: box.width * box.height };
}

/** Shares of exactly each set of plates in a screen pixel; they sum to one. */
export function sharesAt(
  areas: readonly Float64Array[],
  full: number,
  pixel: number,
  shares: Float64Array,
): void {
  shares[0] = 1;
  for (let set = 1; set < areas.length; set++) shares[set] = areas[set][pixel] / full;
  exclusive(shares);
}

/** Ramps from stock to ink in 65536 steps, three bytes each. */
const recentRamps = cache<Uint8Array>('ink ramps');

/** Paints one ink by its ramp, which is much quicker than mixing every pixel; gives the sum of inked shares. */
function paintOne(
  rgba: Uint8ClampedArray,
  area: Float64Array,
  full: number,
  [stock, ink]: readonly LinearRgb[],
): number {
  const ramp = recentRamps(`${stock.join()} ${ink.join()}`, () => {
    const steps = new Uint8Array(65536 * 3);
    for (let i = 0; i < 65536; i++) {
      for (let k = 0; k < 3; k++) steps[3 * i + k] = encode8(stock[k] + ((ink[k] - stock[k]) * i) / 65535);
    }
    return steps;
  });
  let sum = 0;
  for (let i = 0, at = 0; i < area.length; i++, at += 4) {
    const share = area[i] / full;
    sum += share;
    const step = Math.min(65535, (share * 65535 + 0.5) | 0) * 3;
    rgba[at] = ramp[step];
    rgba[at + 1] = ramp[step + 1];
    rgba[at + 2] = ramp[step + 2];
    rgba[at + 3] = 255;
  }
  return sum;
}

/** Turns "at least these plates" into "exactly these plates" (Möbius inversion over the sets). */
function exclusive(shares: Float64Array): void {
  for (let bit = 1; bit < shares.length; bit <<= 1) {
    for (let set = 0; set < shares.length; set++) if (!(set & bit)) shares[set] -= shares[set | bit];
  }
}

function paint(
  rgba: Uint8ClampedArray,
  at: number,
  shares: Float64Array,
  colours: readonly LinearRgb[],
): void {
  for (let k = 0; k < 3; k++) {
    let light = 0;
    for (let set = 0; set < colours.length; set++) light += shares[set] * colours[set][k];
    rgba[at + k] = encode8(light);
  }
  rgba[at + 3] = 255;
}

function enlargedProof(request: PlatesView, colours: readonly LinearRgb[]): Shown {
  const { view, rows } = request;
  const { sets, counts } = enlargedSets(request);
  const coded = colours.map((colour) => colour.map(encode8));
  const rgba = new Uint8ClampedArray(view.columns * rows.count * 4);
  for (let i = 0; i < sets.length; i++) {
    const [red, green, blue] = coded[sets[i]];
    rgba[i * 4] = red;
    rgba[i * 4 + 1] = green;
    rgba[i * 4 + 2] = blue;
    rgba[i * 4 + 3] = 255;
  }
  return { rgba, inked: counts.map((count) => count / sets.length) };
}

/** Which plates have ink under the middle of each screen pixel, as bits; and how often each has. */
export function enlargedSets({ scene, frame, view, rows, plates }: PlatesView): {
  sets: Uint8Array;
  counts: number[];
} {
  const stepX = view.width / view.columns;
  const stepY = view.height / view.rows;
  const top = view.y + rows.first * stepY;
  const across = span(view.x, view.x + view.width, frame.width);
  const down = span(top, top + rows.count * stepY, frame.height);
  const region = { x: across.start, y: down.start, width: across.size, height: down.size };
  const bits = plates.map((plate) => plateBits(scene, plate, frame, region));
  const sets = new Uint8Array(view.columns * rows.count);
  const counts = plates.map(() => 0);
  for (let j = 0, i = 0; j < rows.count; j++) {
    const y = clamp(Math.floor(view.y + (rows.first + j + 0.5) * stepY) - down.start, 0, down.size - 1);
    for (let column = 0; column < view.columns; column++, i++) {
      const x = clamp(Math.floor(view.x + (column + 0.5) * stepX) - across.start, 0, across.size - 1);
      for (let k = 0; k < bits.length; k++) {
        if (!bitAt(bits[k], x, y)) continue;
        sets[i] |= 1 << k;
        counts[k]++;
      }
    }
  }
  return { sets, counts };
}

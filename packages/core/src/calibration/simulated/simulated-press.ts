import type { LinearRgb } from '../../colour/srgb.ts';
import { randomAt } from '../../base/random.ts';
import type { Bits } from '../../raster/bits.ts';
import { bitAt, isBlank } from '../../raster/bits.ts';
import { MM_PER_INCH, type Frame } from '../../raster/frame.ts';
import type { Region } from '../../raster/region.ts';
import { knockOutThreads } from '../../plate/mesh-bits.ts';
import type { Mesh } from '../../press/press.ts';

/** A press that is only simulated, for learning and for tests: what it does to films. */
export interface SimulatedPress {
  /** How far ink runs at an edge, mm: films are blurred by as much. */
  readonly spread: number;
  /** Share of blurred film from which on ink takes, 0–1: below ½ edges grow, above they shrink. */
  readonly takes: number;
  /** How far ink is dragged down the sheet, mm. */
  readonly slur: number;
  /** Of a screen-printing frame: its threads stop ink. */
  readonly mesh: Mesh | null;
  /** Share by which the ink of large solids is thinner than that of small ones. */
  readonly starvation: number;
  /** How far plates miss one another, mm. */
  readonly register: number;
  /** How uneven the ink is laid, as a standard deviation of its strength, 0–1. */
  readonly noise: number;
  readonly seed: number;
}

/** How soft the edge is at which ink takes, as a share of blurred film. */
const SOFT = 0.16;
/** Film pixels that are printed at once: few enough to stay near the processor. */
const BAND_PIXELS = 1 << 19;
/** Standard deviations that a blur reaches. */
const REACH = 3;

/** Light of a print, three channels of 0–1 and more, row after row. */
export interface LightPicture {
  readonly width: number;
  readonly height: number;
  /** Pixels an inch. */
  readonly ppi: number;
  readonly data: Float32Array;
}

/** Films that are printed. */
export interface PrintedFilms {
  readonly frame: Frame;
  readonly plates: number;
  /** The film of a plate in a region of the sheet. */
  readonly film: (plate: number, region: Region) => Bits;
  /** Light of all overprints, plate i by bit i. */
  readonly colours: readonly LinearRgb[];
  /** Is told what of a plate is inked, 0–1, pixel by pixel, band by band. */
  readonly printed?: (plate: number, inked: Float32Array) => void;
}

/**
 * What is inked of some rows of a film, 0–1, pixel by pixel; `reach` rows and columns more are read all around.
 *
 * @param bits what is left of the film by the mesh's threads
 */
export function inkedRows(
  bits: Bits,
  reach: number,
  press: SimulatedPress,
  resolution: number,
): Float32Array {
  const sigma = (press.spread / MM_PER_INCH) * resolution;
  const { width, height } = bits;
  const plane = new Float32Array(width * height);
  for (let y = 0, i = 0; y < height; y++) for (let x = 0; x < width; x++, i++) plane[i] = bitAt(bits, x, y);
  const blurred = sigma > 0.2 ? blur(plane, width, height, sigma) : plane;
  const [w, h] = [width - 2 * reach, height - 2 * reach];
  const out = new Float32Array(w * h);
  const dragged = draggedRows(press, resolution) * width;
  for (let y = 0, i = 0; y < h; y++)
    for (let x = 0; x < w; x++, i++) {
      const at = (y + reach) * width + x + reach;
      const share = dragged === 0 ? blurred[at] : Math.max(blurred[at], blurred[at - dragged]);
      out[i] = Math.min(1, Math.max(0, (share - press.takes) / SOFT + 0.5));
    }
  return out;
}

/** Rows of film that ink is dragged down. */
const draggedRows = ({ slur }: SimulatedPress, resolution: number): number =>
  Math.round((slur / MM_PER_INCH) * resolution);

/** Film pixels that a press looks at around each. */
export const reachOf = (press: SimulatedPress, resolution: number): number =>
  Math.ceil(((REACH * press.spread) / MM_PER_INCH) * resolution) + draggedRows(press, resolution);

/** What of a film's region the threads of the mesh let through. */
export function throughThreads(bits: Bits, { mesh }: SimulatedPress, frame: Frame, region: Region): Bits {
  if (!mesh) return bits;
  const open = { ...bits, data: bits.data.slice() };
  knockOutThreads(open, mesh, frame, region);
  return open;
}

/**
 * Prints films.
 *
 * @param ppi pixels an inch of the print as a picture; the film's own or fewer
 */
export function simulatedPrint(
  { frame, plates, film, colours, printed }: PrintedFilms,
  press: SimulatedPress,
  ppi: number,
): LightPicture {
  const { width, height, resolution } = frame;
  const step = resolution / ppi;
  const [columns, rows] = [Math.floor(width / step), Math.floor(height / step)];
  const data = new Float32Array(columns * rows * 3);
  const reach = reachOf(press, resolution);
  const high = Math.max(1, Math.floor(BAND_PIXELS / width / step));
  const miss = Array.from({ length: plates }, (_, plate) =>
    [0, 1].map((k) =>
      plate === 0
        ? 0
        : Math.round(
            (((randomAt(press.seed, plate, k) / 2 ** 31 - 1) * press.register) / MM_PER_INCH) * resolution,
          ),
    ),
  );
  for (let from = 0; from < rows; from += high) {
    const count = Math.min(high, rows - from);
    const [top, foot] = [Math.floor(from * step), Math.ceil((from + count) * step)];
    const inked = Array.from({ length: plates }, (_, plate) => {
      const [dx, dy] = miss[plate];
      const part = {
        x: dx - reach,
        y: top + dy - reach,
        width: width + 2 * reach,
        height: foot - top + 2 * reach,
      };
      const bits = film(plate, part);
      const rows = isBlank(bits)
        ? new Float32Array(width * (foot - top))
        : inkedRows(throughThreads(bits, press, frame, part), reach, press, resolution);
      printed?.(plate, rows);
      return rows;
    });
    for (let r = 0; r < count; r++) {
      for (let c = 0; c < columns; c++) {
        mix(
          inked,
          plates,
          colours,
          width,
          { top, from: (from + r) * step, to: (from + r + 1) * step, left: c * step, right: (c + 1) * step },
          data,
          3 * ((from + r) * columns + c),
          press,
        );
      }
    }
  }
  return { width: columns, height: rows, ppi, data };
}

interface Square {
  readonly top: number;
  readonly from: number;
  readonly to: number;
  readonly left: number;
  readonly right: number;
}

/** Mean light of the film pixels in a square: ink that lies in part of a pixel takes part of it. */
function mix(
  inked: readonly Float32Array[],
  plates: number,
  colours: readonly LinearRgb[],
  width: number,
  { top, from, to, left, right }: Square,
  data: Float32Array,
  at: number,
  { noise, seed, starvation }: SimulatedPress,
): void {
  const [y0, y1] = [Math.floor(from) - top, Math.max(Math.floor(from) + 1, Math.floor(to)) - top];
  const [x0, x1] = [Math.floor(left), Math.max(Math.floor(left) + 1, Math.floor(right))];
  // Unevenness changes slowly over the sheet, and finely from place to place.
  const uneven =
    1 + noise * ((randomAt(seed, x0 >> 5, (y0 + top) >> 5) + randomAt(seed + 1, x0, y0 + top)) / 2 ** 32 - 1);
  const count = (y1 - y0) * (x1 - x0);
  let [r, g, b] = [0, 0, 0];
  const shares = new Float64Array(plates);
  for (let y = y0; y < y1; y++) {
    for (let x = x0; x < x1; x++) {
      // Most places have no ink, or one.
      let mask = 0;
      for (let plate = 0; plate < plates; plate++) {
        const full = inked[plate][y * width + x];
        if (full === 0) continue;
        mask |= 1 << plate;
        shares[plate] = Math.min(1, full * (1 - starvation * full * full) * uneven);
      }
      for (let set = mask; ; set = (set - 1) & mask) {
        let share = 1;
        for (let plate = 0; plate < plates; plate++)
          if (mask & (1 << plate)) share *= set & (1 << plate) ? shares[plate] : 1 - shares[plate];
        r += share * colours[set][0];
        g += share * colours[set][1];
        b += share * colours[set][2];
        if (set === 0) break;
      }
    }
  }
  data[at] = r / count;
  data[at + 1] = g / count;
  data[at + 2] = b / count;
}

/** A Gaussian blur of both directions; beyond the plane it goes on as at its edge. */
export function blur(plane: Float32Array, width: number, height: number, sigma: number): Float32Array {
  const reach = Math.ceil(REACH * sigma);
  const weights = Float32Array.from({ length: reach + 1 }, (_, i) =>
    Math.exp(-(i ** 2) / (2 * sigma * sigma)),
  );
  const sum = weights.reduce((total, weight, i) => total + (i === 0 ? weight : 2 * weight), 0);
  for (let i = 0; i <= reach; i++) weights[i] /= sum;
  const across = new Float32Array(plane.length);
  const row = new Float32Array(width + 2 * reach);
  for (let y = 0; y < height; y++) {
    const base = y * width;
    const own = plane.subarray(base, base + width);
    // Much of a film is bare.
    if (own.every((value) => value === 0)) continue;
    row.fill(own[0], 0, reach);
    row.set(own, reach);
    row.fill(own[width - 1], reach + width);
    for (let x = 0; x < width; x++) {
      const middle = x + reach;
      let value = weights[0] * row[middle];
      for (let k = 1; k <= reach; k++) value += weights[k] * (row[middle - k] + row[middle + k]);
      across[base + x] = value;
    }
  }
  const out = new Float32Array(plane.length);
  for (let y = 0; y < height; y++) {
    for (let k = 0; k <= reach; k++) {
      const above = Math.max(0, y - k) * width;
      const below = Math.min(height - 1, y + k) * width;
      const weight = k === 0 ? weights[0] / 2 : weights[k];
      for (let x = 0, to = y * width; x < width; x++, to++)
        out[to] += weight * (across[above + x] + across[below + x]);
    }
  }
  return out;
}

/** What a simulated press prints of a flat tone's film, 0–1. */
export function printedShare(film: Bits, press: SimulatedPress, resolution: number): number {
  const reach = reachOf(press, resolution);
  const inked = inkedRows(film, reach, press, resolution);
  return inked.reduce((sum, share) => sum + share, 0) / inked.length;
}

/**
 * Where ink has to take for a press to gain so much on a film of 50 %.
 *
 * @param gain percent
 */
export function takesForGain(film: Bits, press: SimulatedPress, resolution: number, gain: number): number {
  let [low, high] = [0.02, 0.98];
  for (let turn = 0; turn < 24; turn++) {
    const middle = (low + high) / 2;
    if (printedShare(film, { ...press, takes: middle }, resolution) > 0.5 + gain / 100) low = middle;
    else high = middle;
  }
  return (low + high) / 2;
}

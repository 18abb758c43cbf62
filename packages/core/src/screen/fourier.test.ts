import FFT from 'fft.js';
import { bitAt, type Bits } from '../raster/bits.ts';
import { createPlane, SOLID } from '../raster/plane.ts';
import { screenPlane } from './screen-plane.ts';
import { spotOf } from './spot/index.ts';
import { newScreen, screenerFor, type Screen } from './screen.ts';
import { buildThresholds } from './thresholds.ts';
import { angleDifference, findSupercell } from './supercell.ts';

const SIZE = 1024;

const hann = Float64Array.from(
  { length: SIZE },
  (_, i) => 0.5 - 0.5 * Math.cos((2 * Math.PI * (i + 0.5)) / SIZE),
);

/** Windowed samples of the film, its mean taken away. */
function samples(bits: Bits): Float64Array {
  const out = new Float64Array(SIZE * SIZE);
  let mean = 0;
  for (let i = 0; i < out.length; i++) {
    out[i] = bitAt(bits, i % SIZE, Math.floor(i / SIZE));
    mean += out[i] / out.length;
  }
  for (let i = 0; i < out.length; i++) out[i] = (out[i] - mean) * hann[i % SIZE] * hann[Math.floor(i / SIZE)];
  return out;
}

/** Strongest frequency (cycles a pixel) of the film by a two-dimensional fast Fourier transform. */
function strongestBin(values: Float64Array): { fx: number; fy: number } {
  const fft = new FFT(SIZE);
  const spectrum: number[][] = [];
  for (let y = 0; y < SIZE; y++) {
    const row = fft.createComplexArray() as number[];
    fft.realTransform(row, values.subarray(y * SIZE, (y + 1) * SIZE));
    spectrum.push(row);
  }
  let best = { fx: 0, fy: 0, power: 0 };
  const column = fft.createComplexArray() as number[];
  const out = fft.createComplexArray() as number[];
  for (let x = 0; x <= SIZE / 2; x++) {
    for (let y = 0; y < SIZE; y++) {
      column[2 * y] = spectrum[y][2 * x];
      column[2 * y + 1] = spectrum[y][2 * x + 1];
    }
    fft.transform(out, column);
    for (let y = 0; y < SIZE; y++) {
      const power = out[2 * y] ** 2 + out[2 * y + 1] ** 2;
      if (power > best.power) best = { fx: x / SIZE, fy: (y > SIZE / 2 ? y - SIZE : y) / SIZE, power };
    }
  }
  return best;
}

/** Power at any frequency, by its defining sum. */
function powerAt(values: Float64Array, fx: number, fy: number): number {
  const cos = Float64Array.from({ length: SIZE }, (_, x) => Math.cos(2 * Math.PI * fx * x));
  const sin = Float64Array.from({ length: SIZE }, (_, x) => Math.sin(2 * Math.PI * fx * x));
  let re = 0;
  let im = 0;
  for (let y = 0; y < SIZE; y++) {
    let a = 0;
    let b = 0;
    for (let x = 0; x < SIZE; x++) {
      a += values[y * SIZE + x] * cos[x];
      b -= values[y * SIZE + x] * sin[x];
    }
    const c = Math.cos(2 * Math.PI * fy * y);
    const s = Math.sin(2 * Math.PI * fy * y);
    re += a * c + b * s;
    im += b * c - a * s;
  }
  return re * re + im * im;
}

/** Finds the top of the peak between the bins: parabolas through log power, on ever smaller steps. */
function refine(values: Float64Array, start: { fx: number; fy: number }): { fx: number; fy: number } {
  let { fx, fy } = start;
  const top = (a: number, b: number, c: number) => {
    const [p, q, r] = [Math.log(a), Math.log(b), Math.log(c)];
    return Math.max(-1, Math.min(1, (p - r) / (2 * (p - 2 * q + r))));
  };
  for (const step of [0.5, 0.25, 0.1, 0.05].map((bins) => bins / SIZE)) {
    const here = powerAt(values, fx, fy);
    const dx = top(powerAt(values, fx - step, fy), here, powerAt(values, fx + step, fy)) * step;
    const dy = top(powerAt(values, fx, fy - step), here, powerAt(values, fx, fy + step)) * step;
    fx += dx;
    fy += dy;
  }
  return { fx, fy };
}

/** How far the strongest wave of bits is off a ruling (lpi) and an angle (degrees). */
function offBy(bits: Bits, spot: string, ruling: number, angle: number, dpi: number) {
  const values = samples(bits);
  const { fx, fy } = refine(values, strongestBin(values));
  // A line's waves run across it; a dot screen's four first waves lie along its own two directions.
  const turn = spot === 'line' ? 180 : 90;
  const waves = (Math.atan2(-fy, fx) * 180) / Math.PI - (spot === 'line' ? 90 : 0);
  return {
    ruling: Math.abs(Math.hypot(fx, fy) * dpi - ruling),
    angle: Math.abs((((angleDifference(waves, angle) % turn) + turn + turn / 2) % turn) - turn / 2),
  };
}

describe('ruling and angle read back from the film', () => {
  // One bin is resolution ÷ 1024, over 1 lpi here; the peak is found between bins, far finer than the tolerance.
  it.each([
    ['round', 65, 45, 1200],
    ['ellipse', 65, 15, 1200],
    ['diamond', 53, 75, 1200],
    ['square', 85, 18.4, 2400],
    ['line', 42, 22.5, 1200],
    ['euclidean', 48, 60, 1200],
    ['cross', 37, 30, 1200],
    ['motif', 30, 15, 1200],
    ['round', 133, 7.5, 2400],
  ])('%s, %d lpi at %d° and %d dpi: within 0.05 lpi and 0.02°', (spot, ruling, angle, dpi) => {
    const made = findSupercell(ruling, angle, dpi);
    const bits = screenPlane(
      createPlane(SIZE, SIZE, Math.round(SOLID * 0.3)),
      700,
      300,
      buildThresholds(made, spotOf(spot)),
    );
    const off = offBy(bits, spot, ruling, angle, dpi);
    expect(off.ruling).toBeLessThanOrEqual(0.05);
    expect(off.angle).toBeLessThanOrEqual(0.02);
    expect(offBy(bits, spot, made.ruling, made.angle, dpi).ruling).toBeLessThanOrEqual(0.01);
  });
  it.each<[string, Screen, number]>([
    ['lines of their own, straight', newScreen('lines', { path: 'straight', ruling: 42, angle: 22.5 }), 0.4],
    [
      'dots along straight lines',
      newScreen('lines', { path: 'straight', spot: 'round', ruling: 53, angle: 75 }),
      0.3,
    ],
    ['dots out of size', newScreen('dots', { ruling: 65, angle: 15, size: 40 }), 0.3],
    ['dots a little out of place', newScreen('dots', { ruling: 65, angle: 15, place: 10 }), 0.3],
    ['ragged dots', newScreen('dots', { ruling: 42, angle: 45, ragged: 50 }), 0.3],
  ])('%s: the same', (_, screen, tone) => {
    const dpi = 1200;
    const frame = { width: 4000, height: 4000, resolution: dpi, bleed: 0 };
    const screener = screenerFor(screen, frame);
    if (screener.sequential) throw new TypeError('These are made by place.');
    const region = { x: 900, y: 700, width: SIZE, height: SIZE };
    const bits = screener.screen(createPlane(SIZE, SIZE, Math.round(SOLID * tone)), region);
    const { spot, ruling, angle } = screen.settings as { spot: string; ruling: number; angle: number };
    const off = offBy(bits, spot, ruling, angle, dpi);
    expect(off.ruling).toBeLessThanOrEqual(0.05);
    expect(off.angle).toBeLessThanOrEqual(screen.settings.place ? 0.05 : 0.02);
  });
});

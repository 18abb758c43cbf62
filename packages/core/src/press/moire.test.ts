import FFT from 'fft.js';
import { bitAt, type Bits } from '../raster/bits.ts';
import { createPlane, SOLID } from '../raster/plane.ts';
import { present } from '../base/present.ts';
import { latticeOf, newScreen, screenerFor, type Screen } from '../screen/screen.ts';
import { dotGrating, meshGrating, type Grating } from './grating.ts';
import { beatsOf, type Beat } from './moire.ts';
import type { Mesh } from './press.ts';

/** Films of 4096 × 4096 pixels at 1200 dpi, looked at in squares of 8 × 8. */
const RESOLUTION = 1200;
const [FILM, TIMES] = [4096, 8];
const SIZE = FILM / TIMES;
const MM = (TIMES * 25.4) / RESOLUTION;

function flat(screen: Screen, tone: number): Bits {
  const frame = { width: FILM, height: FILM, resolution: RESOLUTION, bleed: 0 };
  const screener = screenerFor(screen, frame);
  if (screener.sequential) throw new Error('not by place');
  return screener.screen(createPlane(FILM, FILM, Math.round(tone * SOLID)), {
    x: 0,
    y: 0,
    width: FILM,
    height: FILM,
  });
}

/** Light of what two films let through together, by squares, its mean taken away, under a Hann window. */
function light(first: Bits, second: (x: number, y: number) => number): Float64Array {
  const out = new Float64Array(SIZE * SIZE);
  for (let y = 0; y < FILM; y++) {
    for (let x = 0; x < FILM; x++) {
      if (bitAt(first, x, y))
        out[Math.floor(y / TIMES) * SIZE + Math.floor(x / TIMES)] += second(x, y) / TIMES ** 2;
    }
  }
  const mean = out.reduce((sum, value) => sum + value, 0) / out.length;
  const hann = (k: number) => 0.5 - 0.5 * Math.cos((2 * Math.PI * (k + 0.5)) / SIZE);
  return out.map((value, i) => (value - mean) * hann(i % SIZE) * hann(Math.floor(i / SIZE)));
}

function spectrum(values: Float64Array): (fx: number, fy: number) => number {
  const fft = new FFT(SIZE);
  const rows = Array.from({ length: SIZE }, (_, y) => {
    const out = fft.createComplexArray() as number[];
    const row = fft.createComplexArray() as number[];
    for (let x = 0; x < SIZE; x++) row[2 * x] = values[y * SIZE + x];
    fft.transform(out, row);
    return out;
  });
  const columns = Array.from({ length: SIZE }, (_, x) => {
    const column = fft.createComplexArray() as number[];
    rows.forEach((row, y) => {
      column[2 * y] = row[2 * x];
      column[2 * y + 1] = row[2 * x + 1];
    });
    const out = fft.createComplexArray() as number[];
    fft.transform(out, column);
    return out;
  });
  const wrapped = (k: number) => ((k % SIZE) + SIZE) % SIZE;
  return (fx, fy) => {
    const column = columns[wrapped(fx)];
    const at = 2 * wrapped(fy);
    return Math.hypot(column[at], column[at + 1]);
  };
}

/** The peak nearest to where one is predicted: its frequency in cycles a mm, and what it goes up and down by, halved. */
function peakNear(power: (fx: number, fy: number) => number, { period, angle }: Beat) {
  const turn = (angle * Math.PI) / 180;
  const span = SIZE * MM;
  const wanted = [(span * Math.cos(turn)) / period, (-span * Math.sin(turn)) / period].map(Math.round);
  let best = { x: 0, y: 0, power: 0 };
  for (let y = wanted[1] - 3; y <= wanted[1] + 3; y++)
    for (let x = wanted[0] - 3; x <= wanted[0] + 3; x++)
      if (power(x, y) > best.power) best = { x, y, power: power(x, y) };
  const top = (a: number, b: number, c: number) => {
    const [p, q, r] = [a, b, c].map((value) => Math.log(value + 1e-12));
    return (0.5 * (p - r)) / (p - 2 * q + r);
  };
  const x = best.x + top(power(best.x - 1, best.y), best.power, power(best.x + 1, best.y));
  const y = best.y + top(power(best.x, best.y - 1), best.power, power(best.x, best.y + 1));
  // A Hann window halves what there is, each way; a peak between bins is as high as its window says.
  const window = (off: number) => {
    const at = Math.abs(off) < 1e-6 ? 1 : Math.sin(Math.PI * off) / (Math.PI * off);
    return Math.abs(at / (1 - off * off));
  };
  const height = best.power / (window(x - best.x) * window(y - best.y));
  return { x: x / span, y: y / span, contrast: (2 * height) / (SIZE * SIZE * 0.25) };
}

const SEEN = { shortest: 1.2, longest: 12, contrast: 0.004 };

function expectAsPredicted(
  gratings: readonly Grating[],
  orders: readonly number[],
  seen: Float64Array,
): void {
  const [strongest] = beatsOf(gratings, 1, orders, SEEN);
  expect(strongest).toBeDefined();
  const found = peakNear(spectrum(seen), strongest);
  const frequency = Math.hypot(found.x, found.y);
  expect(Math.abs(1 / frequency / strongest.period - 1)).toBeLessThan(0.02);
  const turn = (strongest.angle * Math.PI) / 180;
  const across = Math.abs(found.x * -Math.sin(turn) - found.y * Math.cos(turn)) / frequency;
  // Degrees off, at most 2.
  expect((Math.asin(Math.min(1, across)) * 180) / Math.PI).toBeLessThan(2);
  expect(Math.abs(found.contrast / strongest.contrast - 1)).toBeLessThan(0.3);
}

const made = (screen: Screen) => present(latticeOf(screen)?.supercell, 'straight lattice')(RESOLUTION);

const PAIRS: readonly (readonly [string, number, number, number, number, number, number])[] = [
  // Shape; ruling, angle, tone of the one; ruling, angle, tone of the other.
  ['round', 30, 0, 0.5, 30, 5, 0.5],
  ['round', 30, 45, 0.5, 30, 51, 0.4],
  ['round', 45, 15, 0.5, 45, 21, 0.5],
  ['round', 45, 15, 0.3, 50, 15, 0.6],
  ['round', 60, 0, 0.5, 60, 7.5, 0.5],
  ['square', 40, 22.5, 0.5, 40, 29, 0.5],
  ['square', 30, 0, 0.25, 33, 3, 0.5],
  ['euclidean', 45, 45, 0.5, 45, 52, 0.5],
  ['euclidean', 30, 10, 0.4, 27, 10, 0.4],
  ['line', 40, 0, 0.5, 40, 6, 0.5],
  ['line', 30, 30, 0.3, 33, 30, 0.5],
  ['round', 30, 0, 0.5, 60, 4, 0.5],
  ['round', 25, 45, 0.7, 25, 53, 0.7],
  ['ellipse', 40, 20, 0.5, 40, 27, 0.5],
  ['diamond', 35, 60, 0.5, 37, 66, 0.4],
];

const MESHES: readonly (readonly [string, number, number, number, Mesh])[] = [
  ['round', 45, 0, 0.5, { count: 36, angle: 4, thread: 80 }],
  ['round', 45, 45, 0.5, { count: 36, angle: 40, thread: 80 }],
  ['round', 55, 22.5, 0.5, { count: 43, angle: 18, thread: 80 }],
  ['round', 55, 10, 0.4, { count: 43, angle: 6, thread: 60 }],
  ['square', 50, 0, 0.35, { count: 40, angle: 5, thread: 70 }],
  ['square', 60, 30, 0.3, { count: 48, angle: 26, thread: 70 }],
  ['euclidean', 60, 15, 0.35, { count: 48, angle: 11, thread: 60 }],
  ['line', 60, 0, 0.3, { count: 48, angle: 4, thread: 60 }],
  ['line', 50, 45, 0.3, { count: 40, angle: 41, thread: 80 }],
  ['round', 65, 0, 0.5, { count: 54, angle: 3, thread: 64 }],
  ['round', 65, 75, 0.6, { count: 54, angle: 71, thread: 64 }],
  ['round', 50, 7.5, 0.5, { count: 43, angle: 4, thread: 80 }],
  ['diamond', 50, 20, 0.35, { count: 40, angle: 16, thread: 70 }],
  ['ellipse', 55, 35, 0.5, { count: 43, angle: 31, thread: 80 }],
  ['round', 40, 0, 0.5, { count: 30, angle: 4, thread: 100 }],
];

describe('a beat is where, and as strong as, the Fourier transform of both films together has it', () => {
  it.each(PAIRS)('%s at %d lpi %d°, %d, and %d lpi %d°, %d', (spot, r1, a1, t1, r2, a2, t2) => {
    const screens = [
      newScreen('dots', { spot, ruling: r1, angle: a1 }),
      newScreen('dots', { spot, ruling: r2, angle: a2 }),
    ];
    const [first, second] = [flat(screens[0], t1), flat(screens[1], t2)];
    const gratings = screens.map((screen, i) =>
      dotGrating(present(latticeOf(screen), 'lattice'), made(screen), [t1, t2][i]),
    );
    expectAsPredicted(
      gratings,
      [3, 3],
      light(first, (x, y) => bitAt(second, x, y)),
    );
  });
  it.each(MESHES)('%s at %d lpi %d°, %d, on mesh %j', (spot, ruling, angle, tone, mesh) => {
    const screen = newScreen('dots', { spot, ruling, angle });
    const turn = (mesh.angle * Math.PI) / 180;
    const [cos, sin] = [Math.cos(turn), Math.sin(turn)];
    const [pitch, thread] = [10 / mesh.count, mesh.thread / 1000];
    const pixel = 25.4 / RESOLUTION;
    const isOpen = (along: number): boolean => {
      const at = ((along % pitch) + pitch) % pitch;
      return at >= thread;
    };
    const open = (x: number, y: number) => {
      const [u, v] = [(x + 0.5) * pixel, (y + 0.5) * pixel];
      return isOpen(u * cos - v * sin) && isOpen(u * sin + v * cos) ? 1 : 0;
    };
    const gratings = [
      dotGrating(present(latticeOf(screen), 'lattice'), made(screen), tone),
      meshGrating(mesh, thread / pitch),
    ];
    expectAsPredicted(gratings, [6, 3], light(flat(screen, tone), open));
  });
});

it('two gratings of lines at an angle beat as geometry says', () => {
  // Parallel lines of equal pitch p turned by α make bands p ÷ (2 sin ½α) apart, across the half of the angle between them.
  const lines = (angle: number) =>
    dotGrating(
      present(latticeOf(newScreen('dots', { spot: 'line', ruling: 25.4, angle })), 'lattice'),
      { ruling: 25.4, angle },
      0.5,
    );
  for (const angle of [4, 8, 12]) {
    const [beat] = beatsOf([lines(0), lines(angle)], 1, [1, 1], {
      shortest: 1,
      longest: 100,
      contrast: 0.01,
    });
    expect(beat.period).toBeCloseTo(1 / (2 * Math.sin((angle * Math.PI) / 360)), 6);
  }
});

import FFT from 'fft.js';
import { bitAt, type Bits } from '../raster/bits.ts';
import { createPlane, percentToCoverage } from '../raster/plane.ts';
import { bayerRanks } from './bayer.ts';
import { voidAndCluster } from './noise/void-and-cluster.ts';
import { newScreen, screenerFor, type Screen } from './screen.ts';

const SIDE = 256;
const RUN_IN = 64;

/** Spots of a screen at a flat tone, one a pixel. */
function spots(screen: Screen, percent: number): Bits {
  const frame = { width: SIDE, height: SIDE + RUN_IN, resolution: 600, bleed: 0 };
  const coverage = createPlane(SIDE, SIDE + RUN_IN, percentToCoverage(percent));
  const screener = screenerFor(screen, frame);
  return screener.sequential
    ? screener.start(SIDE, SIDE + RUN_IN).rows(coverage)
    : screener.screen(coverage, { x: 0, y: 0, width: SIDE, height: SIDE + RUN_IN });
}

/**
 * Mean power of rings of frequencies (bin r: r ÷ 256 cycles a spot), over that of white noise of the same tone; and how much
 * directions differ: the power along rows and columns over that along the diagonals.
 */
function spectrum(bits: Bits): { rings: number[]; upright: number } {
  const fft = new FFT(SIDE);
  const rows: number[][] = [];
  let mean = 0;
  for (let y = 0; y < SIDE; y++)
    for (let x = 0; x < SIDE; x++) mean += bitAt(bits, x, y + RUN_IN) / SIDE ** 2;
  for (let y = 0; y < SIDE; y++) {
    const row = fft.createComplexArray() as number[];
    fft.transform(
      row,
      fft.toComplexArray(
        Array.from({ length: SIDE }, (_, x) => bitAt(bits, x, y + RUN_IN) - mean),
        null,
      ) as number[],
    );
    rows.push(row);
  }
  const sums = new Float64Array(SIDE);
  const counts = new Float64Array(SIDE);
  const ways = { upright: 0, uprights: 0, slanted: 0, slants: 0 };
  const column = fft.createComplexArray() as number[];
  const out = fft.createComplexArray() as number[];
  for (let x = 0; x < SIDE; x++) {
    for (let y = 0; y < SIDE; y++) {
      column[2 * y] = rows[y][2 * x];
      column[2 * y + 1] = rows[y][2 * x + 1];
    }
    fft.transform(out, column);
    for (let y = 0; y < SIDE; y++) {
      const [fx, fy] = [x > SIDE / 2 ? x - SIDE : x, y > SIDE / 2 ? y - SIDE : y];
      const r = Math.round(Math.hypot(fx, fy));
      const power = (out[2 * y] ** 2 + out[2 * y + 1] ** 2) / (SIDE ** 2 * mean * (1 - mean));
      sums[r] += power;
      counts[r]++;
      if (r < 30 || r > 120) continue;
      const way = Math.abs(((Math.atan2(fy, fx) * 180) / Math.PI) % 90);
      if (way < 15 || way > 75) {
        ways.upright += power;
        ways.uprights++;
      } else if (way > 30 && way < 60) {
        ways.slanted += power;
        ways.slants++;
      }
    }
  }
  const rings = Array.from({ length: SIDE / 2 }, (_, r) => sums[r] / Math.max(1, counts[r]));
  return { rings, upright: ways.upright / ways.uprights / (ways.slanted / ways.slants) };
}

const meanOf = (list: number[], from: number, to: number) =>
  list.slice(from, to).reduce((a, b) => a + b, 0) / (to - from);
const peakOf = (rings: number[]) => {
  // Smoothed over five rings, so that one loud bin is no peak.
  const smooth = rings.map((_, r) => meanOf(rings, Math.max(1, r - 2), Math.min(rings.length, r + 3)));
  return smooth.indexOf(Math.max(...smooth.slice(4)));
};

describe('blue noise', () => {
  it.each([10, 30, 50])('at %p %% has next to no power at low frequencies, and no direction', (percent) => {
    const { rings, upright } = spectrum(spots(newScreen('blue'), percent));
    // Ulichney 1993: below about half the principal frequency √g there is nearly none.
    const principal = SIDE * Math.sqrt(percent / 100);
    expect(meanOf(rings, 2, Math.floor(principal * 0.35))).toBeLessThan(0.12);
    expect(meanOf(rings, Math.floor(Math.min(0.48 * SIDE, principal)), SIDE / 2)).toBeGreaterThan(0.7);
    expect(upright).toBeGreaterThan(0.6);
    expect(upright).toBeLessThan(1.7);
  });
  it('made anew for a small tile, ranks every pixel once, and its first ones stand well apart', () => {
    const order = voidAndCluster(32, 3);
    expect([...order].sort((a, b) => a - b)).toEqual(Array.from({ length: 1024 }, (_, i) => i));
    let least = Infinity;
    for (let i = 0; i < 20; i++) {
      for (let j = 0; j < i; j++) {
        const wrap = (d: number) => Math.min(Math.abs(d), 32 - Math.abs(d));
        const dx = wrap((order[i] % 32) - (order[j] % 32));
        const dy = wrap(Math.floor(order[i] / 32) - Math.floor(order[j] / 32));
        least = Math.min(least, Math.hypot(dx, dy));
      }
    }
    // 20 points on 1024 pixels as a triangular lattice would be 7.7 apart.
    expect(least).toBeGreaterThan(4.5);
  });
});

describe('clumps', () => {
  it('peak at ever lower frequencies the more they gather, with less power below and above', () => {
    const peaks = [0.5, 1.2, 2].map((gather) => {
      const { rings } = spectrum(spots(newScreen('clumps', { gather }), 30));
      const peak = peakOf(rings);
      expect(meanOf(rings, 2, 8)).toBeLessThan(rings[peak] * 0.35);
      return peak;
    });
    expect(peaks[1]).toBeLessThan(peaks[0]);
    expect(peaks[2]).toBeLessThan(peaks[1] * 0.8);
  });
});

describe('a loosened diffusion', () => {
  it('has less of a direction at a third of the tone than a strict one, and still no low frequencies', () => {
    const strict = spectrum(spots(newScreen('diffused', { loosen: 0 }), 33));
    const loose = spectrum(spots(newScreen('diffused', { loosen: 60 }), 33));
    const off = ({ upright }: { upright: number }) => Math.abs(Math.log(upright));
    expect(off(loose)).toBeLessThan(off(strict));
    expect(meanOf(loose.rings, 2, 30)).toBeLessThan(0.2);
  });
});

describe('ordered patterns', () => {
  it('are Bayer’s matrices as published for 2 × 2 and 4 × 4', () => {
    // B. E. Bayer 1973; the 4 × 4 as in J. Foley et al., Computer Graphics: Principles and Practice, 2nd ed., 13.1.2.
    expect(bayerRanks(2)).toEqual([0, 2, 3, 1]);
    expect(bayerRanks(4)).toEqual([0, 8, 2, 10, 12, 4, 14, 6, 3, 11, 1, 9, 15, 7, 13, 5]);
  });
  it.each([2, 4, 8, 16])('of %p hold every rank once', (side) => {
    expect(bayerRanks(side).sort((a, b) => a - b)).toEqual(Array.from({ length: side * side }, (_, i) => i));
  });
});

describe('a threshold', () => {
  it('drops specks and fills holes that are smaller than asked, and leaves larger ones', () => {
    const frame = { width: 120, height: 60, resolution: 254, bleed: 0 };
    const coverage = createPlane(120, 60);
    const box = (x: number, y: number, size: number, value: number) => {
      for (let j = 0; j < size; j++)
        for (let i = 0; i < size; i++) coverage.data[(y + j) * 120 + x + i] = value;
    };
    box(5, 5, 4, 65535); // 0.4 mm: a speck
    box(20, 5, 12, 65535); // 1.2 mm: stays
    box(50, 5, 40, 65535);
    box(55, 10, 4, 0); // a hole of 0.4 mm
    box(70, 20, 12, 0); // one of 1.2 mm: stays
    const screener = screenerFor(newScreen('threshold', { specks: 0.8, holes: 0.8 }), frame);
    if (!screener.sequential) throw new Error('It looks at the whole.');
    const carrying = screener.start(120, 60);
    const bits = carrying.rows(coverage);
    carrying.finish!(bits);
    expect([bitAt(bits, 6, 6), bitAt(bits, 25, 10), bitAt(bits, 56, 11), bitAt(bits, 75, 25)]).toEqual([
      0, 1, 1, 0,
    ]);
  });
});

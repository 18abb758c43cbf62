import fc from 'fast-check';
import { createPlane, percentToCoverage, SOLID } from '../raster/plane.ts';
import { brickColumn, brickOf } from './brick.ts';
import { cellRanks } from './cell-order.ts';
import { curveTransfer, foldThresholds, inTurn, limitsTransfer, STRAIGHT_TRANSFER } from './transfer.ts';
import { screenPlane } from './screen-plane.ts';
import { SCREEN_KINDS } from './kinds/index.ts';
import { greyLevels, newScreen } from './screen.ts';
import { countInk } from '../raster/bits.ts';
import { filmFrame } from '../recipe/frame.ts';
import { plateBits } from '../plate/evaluate.ts';
import { greyPicture, sceneOf } from '../testing.ts';
import { spotOf, SPOTS } from './spot/index.ts';
import { round } from './spot/round.ts';
import { ANGLE_TOLERANCE, findSupercell, RULING_TOLERANCE } from './supercell.ts';
import { buildThresholds } from './thresholds.ts';

describe('facts of the trade', () => {
  it('2400 dpi at 150 lpi gives 257 greys a cell (common practice, no source)', () => {
    expect(greyLevels(2400, 150)).toBe(257);
  });
  it('15 lpi at 72 ppi is a cell of 4.8 pixels (arithmetic)', () => {
    const { pixels, cells } = findSupercell(15, 45, 72);
    expect(Math.sqrt(pixels / cells)).toBeCloseTo(4.8, 1);
    expect(72 / 15).toBeCloseTo(4.8, 10);
  });
});

describe('supercells', () => {
  it('meet ruling and angle nearly always, come close else, and say what they truly make', () => {
    const samples = fc.sample(
      fc.tuple(
        fc.double({ min: 8, max: 150, noNaN: true }),
        fc.oneof(fc.constantFrom(0, 15, 45, 75), fc.double({ min: -180, max: 180, noNaN: true })),
        fc.constantFrom(600, 1200, 2400),
      ),
      { numRuns: 2000, seed: 3 },
    );
    let beyond = 0;
    for (const [ruling, angle, dpi] of samples) {
      const made = findSupercell(ruling, angle, dpi);
      const offRuling = Math.abs(made.ruling - ruling);
      const offAngle = Math.abs(((made.angle - angle + 540) % 360) - 180);
      if (offRuling > RULING_TOLERANCE + 1e-6 || offAngle > ANGLE_TOLERANCE + 1e-6) beyond++;
      expect(offRuling).toBeLessThan(0.2);
      expect(offAngle).toBeLessThan(0.1);
      // The cell's own first vector: the tile's edge divided by m + in, as complex numbers.
      const { m, n, ax, ay, cells } = made;
      const ex = (ax * m + ay * n) / cells;
      const ey = (ay * m - ax * n) / cells;
      expect(dpi / Math.hypot(ex, ey)).toBeCloseTo(made.ruling, 9);
      expect(Math.sin((made.angle * Math.PI) / 180)).toBeCloseTo(-ey / Math.hypot(ex, ey), 9);
    }
    expect(beyond / samples.length).toBeLessThan(0.005);
  });
  it('never make a cell of fewer than two pixels across', () => {
    const { pixels, cells } = findSupercell(300, 45, 72);
    expect(pixels / cells).toBeGreaterThan(3.5);
  });
});

describe('bricks', () => {
  it('give every point of the plane one column, the same for points a lattice vector apart', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: -60, max: 60 }),
        fc.integer({ min: -60, max: 60 }),
        fc.integer({ min: -500, max: 500 }),
        fc.integer({ min: -500, max: 500 }),
        (a, b, x, y) => {
          fc.pre(a !== 0 || b !== 0);
          const brick = brickOf(a, b);
          expect(brick.width * brick.height).toBe(a * a + b * b);
          const column = brickColumn(brick, x, y);
          expect(brickColumn(brick, x + a, y + b)).toBe(column);
          expect(brickColumn(brick, x - b, y + a)).toBe(column);
        },
      ),
      { seed: 1 },
    );
  });
});

describe('the order of cells', () => {
  it('is a permutation whose first cells stand further apart than chance puts them', () => {
    const [m, n] = [16, 3];
    const ranks = cellRanks(m, n);
    const count = m * m + n * n;
    expect([...ranks].sort((a, b) => a - b)).toEqual(Array.from({ length: count }, (_, i) => i));
    const brick = brickOf(m, n);
    const nearest = (chosen: number[]) => {
      let least = Infinity;
      for (const p of chosen) {
        for (const q of chosen) {
          if (p === q) continue;
          for (let dy = -3; dy <= 3; dy++) {
            for (let dx = -3; dx <= 3; dx++) {
              const row = (((Math.floor(p / brick.width) + dy) % brick.height) + brick.height) % brick.height;
              const at = brickColumn(brick, (p % brick.width) + dx, Math.floor(p / brick.width) + dy);
              if (row * brick.width + at === q) least = Math.min(least, Math.hypot(dx, dy));
            }
          }
        }
      }
      return least;
    };
    const first = Array.from({ length: 20 }, (_, rank) => ranks.indexOf(rank));
    expect(nearest(first)).toBeGreaterThanOrEqual(2);
  });
});

describe('screening', () => {
  it('screens any part as that part of the whole', () => {
    const thresholds = buildThresholds(findSupercell(47, 18.4, 600), round);
    const whole = screenPlane(createPlane(300, 120, 24000), 0, 0, thresholds);
    const part = screenPlane(createPlane(131, 40, 24000), 77, 55, thresholds);
    for (let y = 0; y < 40; y++) {
      for (let x = 0; x < 131; x++) {
        const wholeBit = (whole.data[(y + 55) * whole.stride + ((x + 77) >> 3)] >> (7 - ((x + 77) & 7))) & 1;
        expect((part.data[y * part.stride + (x >> 3)] >> (7 - (x & 7))) & 1).toBe(wholeBit);
      }
    }
  });
});

describe('smallest and largest dot', () => {
  it('worked into thresholds do what they do to coverage', () => {
    const thresholds = buildThresholds(findSupercell(40, 30, 600), spotOf('ellipse'));
    fc.assert(
      fc.property(
        fc.integer({ min: 0, max: 40 }),
        fc.integer({ min: 50, max: 100 }),
        fc.nat(SOLID),
        (smallest, largest, coverage) => {
          const transfer = limitsTransfer({ smallest, largest });
          const limited = { ...thresholds, data: foldThresholds(thresholds.data, transfer) };
          const direct = screenPlane(createPlane(64, 8, transfer.made(coverage)), 0, 0, thresholds);
          const worked = screenPlane(createPlane(64, 8, coverage), 0, 0, limited);
          expect(worked.data).toEqual(direct.data);
        },
      ),
      { seed: 4 },
    );
  });
  it('make a tone beyond them the dot at the limit, or bare or solid, whichever is nearer', () => {
    const { made: film } = limitsTransfer({ smallest: 4, largest: 90 });
    expect(film(percentToCoverage(1.9))).toBe(0);
    expect(film(percentToCoverage(2.1))).toBe(percentToCoverage(4));
    expect(film(percentToCoverage(94.9))).toBe(percentToCoverage(90));
    expect(film(percentToCoverage(95.1))).toBe(SOLID);
    expect(film(SOLID)).toBe(SOLID);
  });
  it('leave nothing solid where dots are to stay apart', () => {
    const { made: film } = limitsTransfer({ smallest: 4, largest: 70, open: true });
    for (const percent of [71, 86, 100]) expect(film(percentToCoverage(percent))).toBe(percentToCoverage(70));
  });
  it.each(SCREEN_KINDS.map(({ kind }) => kind))(
    'a solid of %s has no pinhole, whatever the largest dot',
    (kind) => {
      const scene = sceneOf(
        greyPicture(8, 8, () => 0),
        { width: 12, height: 12, resolution: 600 },
        newScreen(kind, {}, { smallest: 3, largest: 90 }),
      );
      const bits = plateBits(scene, 0, filmFrame(scene.recipe), { x: 0, y: 0, width: 250, height: 250 });
      expect(countInk(bits)).toBe(250 * 250);
    },
  );
});

describe('a transfer', () => {
  /** Curves that rise from nothing, with flat parts among them. */
  const rising = fc
    .array(fc.tuple(fc.integer({ min: 1, max: 99 }), fc.integer({ min: 0, max: 100 })), { maxLength: 5 })
    .map((points) => {
      const ins = [...new Set(points.map(([at]) => at))].sort((a, b) => a - b);
      const outs = ins.map((_, i) => points[i][1]).sort((a, b) => a - b);
      return [{ in: 0, out: 0 }, ...ins.map((at, i) => ({ in: at, out: outs[i] })), { in: 100, out: 100 }];
    });
  it('folded into thresholds inks what comparing what it makes would', () => {
    const thresholds = buildThresholds(findSupercell(53, 17, 600), spotOf('round'));
    fc.assert(
      fc.property(
        rising,
        fc.integer({ min: -100, max: 100 }),
        fc.integer({ min: 0, max: 30 }),
        fc.array(fc.nat(SOLID), { minLength: 64, maxLength: 64 }),
        (curve, weight, smallest, tones) => {
          const limits = limitsTransfer({ smallest, largest: 95 });
          const transfer = inTurn(curveTransfer(curve, weight), limits);
          expect(transfer.foldable).toBe(true);
          const plane = { width: 64, height: 1, data: Uint16Array.from(tones) };
          const made = { ...plane, data: plane.data.map((asked) => transfer.made(asked)) };
          const folded = { ...thresholds, data: foldThresholds(thresholds.data, transfer) };
          expect(screenPlane(plane, 3, 5, folded).data).toEqual(screenPlane(made, 3, 5, thresholds).data);
        },
      ),
      { seed: 11, numRuns: 60 },
    );
  });
  it('that falls, or inks what nothing is asked of, is not folded', () => {
    const falling = curveTransfer(
      [
        { in: 0, out: 100 },
        { in: 100, out: 0 },
      ],
      0,
    );
    const tinted = curveTransfer(
      [
        { in: 0, out: 8 },
        { in: 100, out: 100 },
      ],
      0,
    );
    for (const transfer of [falling, tinted]) {
      expect(transfer.foldable).toBe(false);
      expect(() => foldThresholds(new Uint16Array(4), transfer)).toThrow('rises from nothing');
    }
    expect(inTurn(falling, falling).foldable).toBe(true);
  });
  it('that changes nothing costs nothing', () => {
    const straight = curveTransfer(
      [
        { in: 0, out: 0 },
        { in: 100, out: 100 },
      ],
      0,
    );
    expect(straight).toBe(STRAIGHT_TRANSFER);
    expect(inTurn(straight, limitsTransfer({ smallest: 0, largest: 100 }))).toBe(STRAIGHT_TRANSFER);
    expect(straight.made(1234)).toBe(1234);
  });
});

it('dot sizes come from the area of the shape', () => {
  expect(spotOf('round').size(Math.PI / 4)).toBeCloseTo(1, 10);
  expect(spotOf('line').size(0.3)).toBeCloseTo(0.3, 10);
  for (const { size } of SPOTS) expect(size(0.4)).toBeGreaterThan(size(0.1));
  expect(() => spotOf('heart')).toThrow('no dot shape');
});

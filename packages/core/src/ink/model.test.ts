import fc from 'fast-check';
import { difference2000 } from '../colour/difference.ts';
import { labToXyz, type Lab } from '../colour/lab.ts';
import { WIDE_TO_XYZ } from '../colour/wide-rgb.ts';
import { testInk } from '../testing.ts';
import { fountainAt, fountainInks } from './fountain.ts';
import { anyAmounts, invert } from './invert.ts';
import { inkModel, predict, predictInto, slopesInto } from './model.ts';

/** Shares of the 2^count overprints for amounts of the inks, 0–1 each, as they were first given (E. Demichel, Le Procédé 26, 1924). */
function demichel(amounts: ArrayLike<number>): Float64Array {
  const shares = new Float64Array(1 << amounts.length);
  shares[0] = 1;
  for (let i = 0; i < amounts.length; i++) {
    for (let set = 0; set < 1 << i; set++) {
      shares[set | (1 << i)] = shares[set] * amounts[i];
      shares[set] *= 1 - amounts[i];
    }
  }
  return shares;
}

const STOCK = { lab: [95, 0, -2] as Lab, yuleNielsen: 1 };
const PROCESS = [
  testInk('c', [56, -37, -49]),
  testInk('m', [49, 75, -2]),
  testInk('y', [92, -5, 95]),
  testInk('k', [16, 0, 0]),
];
const model = inkModel(STOCK, PROCESS);
const thick = inkModel({ ...STOCK, yuleNielsen: 1.8 }, PROCESS);

const amounts = (count: number) =>
  fc.array(fc.double({ min: 0, max: 1, noNaN: true }), { minLength: count, maxLength: count });

describe('the ink model', () => {
  it('gives every overprint its share, and they sum to one', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 1, max: 8 }).chain((count) => amounts(count)),
        (given) => {
          const shares = demichel(given);
          expect(shares.length).toBe(2 ** given.length);
          expect(shares.every((share) => share >= 0)).toBe(true);
          expect(shares.reduce((sum, share) => sum + share, 0)).toBeCloseTo(1, 12);
          // The area under one ink is what was asked for.
          const first = shares.reduce((sum, share, set) => sum + (set & 1 ? share : 0), 0);
          expect(first).toBeCloseTo(given[0], 12);
        },
      ),
    );
  });
  it('is the mean of all overprints’ light for n = 1, each by that share', () => {
    fc.assert(
      fc.property(amounts(PROCESS.length), (given) => {
        const shares = demichel(given);
        const light = [0, 1, 2].map((channel) =>
          shares.reduce((sum, share, set) => sum + share * model.primaries[3 * set + channel], 0),
        );
        const made = labToXyz(predict(model, given));
        made.forEach((one, k) => {
          const wanted = light.reduce((sum, value, channel) => sum + WIDE_TO_XYZ[3 * k + channel] * value, 0);
          expect(one).toBeCloseTo(wanted, 9);
        });
      }),
    );
  });
  it('is the mean of light for n = 1, weighed by those shares', () => {
    // Worked by hand: half a solid black of Y = 0.02 on a stock of Y = 0.8 reflects Y = 0.41.
    const stock: Lab = [91.68, 0, 0];
    const one = inkModel({ lab: stock, yuleNielsen: 1 }, [testInk('k', [15.49, 0, 0])]);
    const [, paper] = labToXyz(stock);
    const [, solid] = labToXyz(predict(one, [1]));
    const [, half] = labToXyz(predict(one, [0.5]));
    expect(half).toBeCloseTo((paper + solid) / 2, 9);
  });
  it('with n = 2 is the square of the mean root (Yule & Nielsen 1951)', () => {
    const one = inkModel({ lab: [100, 0, 0], yuleNielsen: 2 }, [testInk('k', [30, 0, 0])]);
    const [, solid] = labToXyz([30, 0, 0]);
    const [, made] = labToXyz(predict(one, [0.3]));
    expect(made).toBeCloseTo((0.7 + 0.3 * Math.sqrt(solid)) ** 2, 6);
  });
  it('darkens the middle as n grows, and leaves the ends', () => {
    expect(predict(thick, [0.5, 0.5, 0.5, 0])[0]).toBeLessThan(predict(model, [0.5, 0.5, 0.5, 0])[0] - 3);
    for (const set of [0, 3, 7, 15]) {
      const solid = PROCESS.map((_, i) => (set >> i) & 1);
      expect(difference2000(predict(thick, solid), predict(model, solid))).toBeLessThan(1e-6);
    }
  });
  it.each([
    ['n = 1', model],
    ['n = 1.8', thick],
  ])('%s: knows how colours change with each ink', (_, one) => {
    const lab = new Float64Array(3);
    const slopes = new Float64Array(12);
    fc.assert(
      fc.property(
        fc.array(fc.double({ min: 0.05, max: 0.95, noNaN: true }), { minLength: 4, maxLength: 4 }),
        (given) => {
          const amounts = Float64Array.from(given);
          predictInto(one, amounts, lab);
          slopesInto(one, amounts, slopes);
          const own = [...slopes];
          for (let i = 0; i < 4; i++) {
            const step = 1e-5;
            const more = predict(
              one,
              given.map((value, k) => (k === i ? value + step : value)),
            );
            const less = predict(
              one,
              given.map((value, k) => (k === i ? value - step : value)),
            );
            for (let k = 0; k < 3; k++)
              expect(own[3 * i + k]).toBeCloseTo((more[k] - less[k]) / (2 * step), 2);
          }
        },
      ),
      { numRuns: 40 },
    );
  });
});

describe('its inversion', () => {
  const six = inkModel({ lab: [17, 1, 2], yuleNielsen: 1 }, [
    testInk('w', [96, 0, 1], 0.97),
    testInk('o', [72, 22, 58], 0.5),
    testInk('r', [46, 60, 28], 0.5),
    testInk('b', [40, -10, -38], 0.5),
    testInk('g', [58, -40, 30], 0.5),
    testInk('p', [44, 42, -36], 0.5),
  ]);
  it.each([
    ['four process inks', model],
    ['the same on thick paper', thick],
    ['six covering inks on dark cloth', six],
  ])('%s: any colour within reach comes back within 0.5 ΔE00', (_, one) => {
    const bounds = anyAmounts(one.count);
    fc.assert(
      fc.property(amounts(one.count), (given) => {
        const target = predict(one, given);
        const found = new Float64Array(one.count);
        let left = Infinity;
        // From a few starts, as tables are made.
        for (const start of [0.1, 0.5, 0.8]) {
          const trial = new Float64Array(one.count).fill(start);
          const error = invert(one, target, bounds, trial, 1e-4);
          if (error < left) {
            left = error;
            found.set(trial);
          }
        }
        expect(difference2000(predict(one, found), target)).toBeLessThan(0.5);
      }),
      { numRuns: 150 },
    );
  });
  it('keeps to its bounds and its limit as nearly as colour allows', () => {
    const bounds = {
      ...anyAmounts(4, 2.4),
      lower: Float64Array.of(0, 0, 0, 0.5),
      upper: Float64Array.of(1, 1, 1, 0.5),
    };
    const found = new Float64Array(4);
    invert(model, [5, 0, 0], bounds, found, 1e-4);
    expect(found[3]).toBe(0.5);
    expect(found.every((one) => one >= 0 && one <= 1)).toBe(true);
    expect(found.reduce((a, b) => a + b)).toBeLessThan(2.41);
  });
});

describe('a blended ink', () => {
  const fountain = {
    angle: 0,
    stops: [
      { at: 20, lab: [20, 0, 0] as Lab },
      { at: 60, lab: [60, 40, -20] as Lab },
      { at: 80, lab: [80, 0, 0] as Lab },
    ],
  };
  it('runs from stop to stop, and stays at its ends', () => {
    expect(fountainAt(fountain, 0)).toEqual([20, 0, 0]);
    expect(fountainAt(fountain, 0.4)).toEqual([40, 20, -10]);
    expect(fountainAt(fountain, 0.6)).toEqual([60, 40, -20]);
    expect(fountainAt(fountain, 1)).toEqual([80, 0, 0]);
    const [plain, blended] = fountainInks(
      [testInk('a', [1, 2, 3]), { ...testInk('b', [0, 0, 0]), fountain }],
      [0.5, 0.4],
    );
    expect(plain.lab).toEqual([1, 2, 3]);
    expect(blended.lab).toEqual([40, 20, -10]);
  });
});

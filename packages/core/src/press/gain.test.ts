import fc from 'fast-check';
import { SOLID } from '../raster/plane.ts';
import { gainCurve, gainTable, inverseGain, type Gain } from './gain.ts';

const byNumber = (middle: number, shape = 1): Gain => ({ by: 'number', middle, shape });

const anyGain: fc.Arbitrary<Gain> = fc.oneof(
  fc.record({
    by: fc.constant('number' as const),
    middle: fc.double({ min: -40, max: 40, noNaN: true }),
    shape: fc.double({ min: 0.5, max: 2, noNaN: true }),
  }),
  fc.array(fc.integer({ min: 1, max: 99 }), { minLength: 1, maxLength: 12 }).chain((films) => {
    const tones = [...new Set(films)].sort((a, b) => a - b);
    return fc
      .array(fc.double({ min: 0, max: 100, noNaN: true }), {
        minLength: tones.length,
        maxLength: tones.length,
      })
      .map((prints): Gain => ({
        by: 'points',
        points: [
          { in: 0, out: 0 },
          ...prints.sort((a, b) => a - b).map((out, i) => ({ in: tones[i], out })),
          { in: 100, out: 100 },
        ],
      }));
  }),
);

describe('a gain', () => {
  it.each([-20, 0, 6, 14, 28, 40])('of %d %% makes just so much more of 50 %%', (middle) => {
    for (const shape of [0.5, 1, 2])
      expect(100 * gainCurve(byNumber(middle, shape))(0.5) - 50).toBeCloseTo(middle, 9);
  });
  it('without a shape is alike in light and dark tones: what bare loses is what ink gains', () => {
    const more = gainCurve(byNumber(20));
    const less = gainCurve(byNumber(-20));
    for (let film = 0; film <= 1; film += 0.05) expect(1 - more(1 - film)).toBeCloseTo(less(film), 12);
  });
  it('gains most in light tones below shape 1, in dark ones above', () => {
    const at = (shape: number, film: number) => gainCurve(byNumber(20, shape))(film) - film;
    expect(at(0.6, 0.2)).toBeGreaterThan(at(1, 0.2));
    expect(at(1.8, 0.2)).toBeLessThan(at(1, 0.2));
    expect(at(1.8, 0.8)).toBeGreaterThan(at(0.6, 0.8));
  });
  it('never falls, whatever it is, and keeps bare bare and solid solid', () => {
    fc.assert(
      fc.property(anyGain, (gain) => {
        const table = gainTable(gain);
        expect([table[0], table[SOLID]]).toEqual([0, SOLID]);
        expect(table.every((printed, film) => film === 0 || printed >= table[film - 1])).toBe(true);
      }),
      { numRuns: 60 },
    );
  });
});

describe('the film against a gain', () => {
  const tones = Array.from({ length: 101 }, (_, percent) => Math.round((percent * SOLID) / 100));

  it('prints what is asked within 0.2 % at 101 tones, rising, with fixed ends', () => {
    fc.assert(
      fc.property(anyGain, (gain) => {
        const printed = gainTable(gain);
        const film = inverseGain(printed);
        // A press that jumps over tones cannot print these: of curves by points, those that climb at most forty times as fast as the film.
        const steepest = Math.max(...tones.slice(1).map((tone, i) => printed[tone] - printed[tones[i]]));
        for (const asked of tones) {
          if (steepest < 0.4 * SOLID)
            expect(Math.abs(printed[film[asked]] - asked)).toBeLessThanOrEqual(0.002 * SOLID);
          expect(asked === 0 || film[asked] >= film[asked - 1]).toBe(true);
        }
        expect([film[0], film[SOLID]]).toEqual([0, SOLID]);
      }),
      { numRuns: 60 },
    );
  });
  it('is the inverse in closed form where the gain is a number', () => {
    // Odds of what is asked, divided by the factor: from p = k f ÷ (1 + (k − 1) f).
    const k = 0.78 / 0.22;
    const film = inverseGain(gainTable(byNumber(28)));
    for (const asked of tones) {
      const share = asked / SOLID;
      expect(film[asked] / SOLID).toBeCloseTo(share / (k - (k - 1) * share), 4);
    }
  });
});

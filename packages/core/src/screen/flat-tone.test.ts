import fc from 'fast-check';
import { countInk } from '../raster/bits.ts';
import { createPlane, SOLID } from '../raster/plane.ts';
import { brickOf } from './brick.ts';
import { screenPlane } from './screen-plane.ts';
import { SPOTS } from './spot/index.ts';
import { findSupercell } from './supercell.ts';
import { buildThresholds } from './thresholds.ts';

/** Ink in one whole supercell of flat coverage, screened at any place of the film. */
function inkOfFlat(
  spot: (typeof SPOTS)[number],
  ruling: number,
  angle: number,
  dpi: number,
  coverage: number,
  at = 0,
) {
  const supercell = findSupercell(ruling, angle, dpi);
  const { width, height } = brickOf(supercell.ax, supercell.ay);
  const bits = screenPlane(
    createPlane(width, height, coverage),
    at,
    3 * at,
    buildThresholds(supercell, spot),
  );
  return { ink: countInk(bits), pixels: supercell.pixels };
}

describe('flat tone', () => {
  it.each(SPOTS.map((spot) => [spot.id, spot] as const))(
    '%s inks as many pixels of a supercell as asked, for any ruling, angle and resolution',
    (_id, spot) => {
      fc.assert(
        fc.property(
          fc.double({ min: 5, max: 150, noNaN: true }),
          fc.double({ min: -90, max: 180, noNaN: true }),
          fc.constantFrom(72, 300, 600, 720, 1200, 1440, 2400),
          fc.integer({ min: 0, max: SOLID }),
          fc.integer({ min: 0, max: 5000 }),
          (ruling, angle, dpi, coverage, at) => {
            const { ink, pixels } = inkOfFlat(spot, ruling, angle, dpi, coverage, at);
            expect(Math.abs(ink - (coverage / SOLID) * pixels)).toBeLessThanOrEqual(1);
          },
        ),
        { numRuns: 12, seed: 5 },
      );
    },
  );

  it.each(SPOTS.map((spot) => [spot.id, spot] as const))(
    '%s: 0 %% inks nothing, 100 %% everything',
    (_id, spot) => {
      for (const [ruling, angle, dpi] of [
        [30, 45, 1200],
        [65, 22.5, 1200],
        [15, 0, 72],
        [150, 75, 2400],
      ]) {
        expect(inkOfFlat(spot, ruling, angle, dpi, 0).ink).toBe(0);
        const solid = inkOfFlat(spot, ruling, angle, dpi, SOLID);
        expect(solid.ink).toBe(solid.pixels);
      }
    },
  );
});

import { createPlane, percentToCoverage } from '../raster/plane.ts';
import { countPatches } from '../testing.ts';
import { screenPlane } from './screen-plane.ts';
import { spotOf } from './spot/index.ts';
import { findSupercell } from './supercell.ts';
import { buildThresholds } from './thresholds.ts';

/** Patches of ink in 4 × 4 cells of 300 pixels, at a flat tone in percent. A gap of 1 % of a cell is 3 pixels. */
function patches(spot: string, percent: number): number {
  return countPatches(
    screenPlane(
      createPlane(1200, 1200, percentToCoverage(percent)),
      0,
      0,
      buildThresholds(findSupercell(8, 0, 2400), spotOf(spot)),
    ),
  );
}

describe('joining tones', () => {
  // Circles of a square lattice touch at π/4 of its area: geometry.
  it('round dots stay apart up to 78.5 % and join there', () => {
    expect(patches('round', 77.8)).toBe(16);
    expect(patches('round', 79.2)).toBe(1);
  });
  it('square dots join at 50 %, as a checkerboard', () => {
    expect(patches('square', 49.2)).toBeGreaterThanOrEqual(16);
    expect(patches('square', 50.8)).toBe(1);
  });
  it('ellipses join end to end at 56.5 % into chains, then side to side', () => {
    expect(patches('ellipse', 55.8)).toBe(16);
    expect(patches('ellipse', 57.5)).toBe(4);
    expect(patches('ellipse', 97)).toBe(1);
  });
  it('diamonds join end to end at 40 %, side to side at 60 %', () => {
    expect(patches('diamond', 39)).toBe(16);
    expect(patches('diamond', 41)).toBe(4);
    expect(patches('diamond', 59)).toBe(4);
    expect(patches('diamond', 61)).toBe(1);
  });
  it('lines never join across', () => {
    for (const percent of [5, 50, 95, 99]) expect(patches('line', percent)).toBe(4);
  });
});

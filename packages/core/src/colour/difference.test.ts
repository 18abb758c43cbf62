import { differenceCiede2000 } from 'culori';
import { difference2000 } from './difference.ts';
import { hexToLab, labToHex, labToXyz, linearToXyz, xyzToLab, xyzToLinear, WHITE, type Lab } from './lab.ts';
import { labToWide, wideToXyz } from './wide-rgb.ts';

/**
 * All 34 pairs of table 1 in G. Sharma, W. Wu and E. N. Dalal, "The CIEDE2000 Color-Difference Formula: Implementation
 * Notes, Supplementary Test Data, and Mathematical Observations" (2005); written down *from memory*, which another
 * library's own formula bears out below.
 */
const PAIRS: readonly (readonly number[])[] = [
  [50, 2.6772, -79.7751, 50, 0, -82.7485, 2.0425],
  [50, 3.1571, -77.2803, 50, 0, -82.7485, 2.8615],
  [50, 2.8361, -74.02, 50, 0, -82.7485, 3.4412],
  [50, -1.3802, -84.2814, 50, 0, -82.7485, 1],
  [50, -1.1848, -84.8006, 50, 0, -82.7485, 1],
  [50, -0.9009, -85.5211, 50, 0, -82.7485, 1],
  [50, 0, 0, 50, -1, 2, 2.3669],
  [50, -1, 2, 50, 0, 0, 2.3669],
  [50, 2.49, -0.001, 50, -2.49, 0.0009, 7.1792],
  [50, 2.49, -0.001, 50, -2.49, 0.001, 7.1792],
  [50, 2.49, -0.001, 50, -2.49, 0.0011, 7.2195],
  [50, 2.49, -0.001, 50, -2.49, 0.0012, 7.2195],
  [50, -0.001, 2.49, 50, 0.0009, -2.49, 4.8045],
  [50, -0.001, 2.49, 50, 0.001, -2.49, 4.8045],
  [50, -0.001, 2.49, 50, 0.0011, -2.49, 4.7461],
  [50, 2.5, 0, 50, 0, -2.5, 4.3065],
  [50, 2.5, 0, 73, 25, -18, 27.1492],
  [50, 2.5, 0, 61, -5, 29, 22.8977],
  [50, 2.5, 0, 56, -27, -3, 31.903],
  [50, 2.5, 0, 58, 24, 15, 19.4535],
  [50, 2.5, 0, 50, 3.1736, 0.5854, 1],
  [50, 2.5, 0, 50, 3.2972, 0, 1],
  [50, 2.5, 0, 50, 1.8634, 0.5757, 1],
  [50, 2.5, 0, 50, 3.2592, 0.335, 1],
  [60.2574, -34.0099, 36.2677, 60.4626, -34.1751, 39.4387, 1.2644],
  [63.0109, -31.0961, -5.8663, 62.8187, -29.7946, -4.0864, 1.263],
  [61.2901, 3.7196, -5.3901, 61.4292, 2.248, -4.962, 1.8731],
  [35.0831, -44.1164, 3.7933, 35.0232, -40.0716, 1.5901, 1.8645],
  [22.7233, 20.0904, -46.694, 23.0331, 14.973, -42.5619, 2.0373],
  [36.4612, 47.858, 18.3852, 36.2715, 50.5065, 21.2231, 1.4146],
  [90.8027, -2.0831, 1.441, 91.1528, -1.6435, 0.0447, 1.4441],
  [90.9257, -0.5406, -0.9208, 88.6381, -0.8985, -0.7239, 1.5381],
  [6.7747, -0.2908, -2.4247, 5.8714, -0.0985, -2.2286, 0.6377],
  [2.0776, 0.0795, -1.135, 0.9033, -0.0636, -0.5514, 0.9082],
];

describe('CIEDE2000', () => {
  const reference = differenceCiede2000();
  it.each(PAIRS)('%d %d %d and %d %d %d', (l1, a1, b1, l2, a2, b2, wanted) => {
    expect(difference2000([l1, a1, b1], [l2, a2, b2]).toFixed(4)).toBe(wanted.toFixed(4));
    expect(difference2000([l2, a2, b2], [l1, a1, b1]).toFixed(4)).toBe(wanted.toFixed(4));
    const other = reference({ mode: 'lab65', l: l1, a: a1, b: b1 }, { mode: 'lab65', l: l2, a: a2, b: b2 });
    expect(other.toFixed(4)).toBe(wanted.toFixed(4));
  });
  it('of a colour and itself is nothing', () => {
    expect(difference2000([40, 0, 0], [40, 0, 0])).toBe(0);
    expect(difference2000([40, 12, -30], [40, 12, -30])).toBe(0);
  });
});

describe('Lab, XYZ and sRGB', () => {
  // Values of the examples in CSS Color 4 (W3C): `red`, `green` and white under D50.
  it.each<[string, Lab]>([
    ['#ff0000', [54.2905, 80.8049, 69.891]],
    ['#008000', [46.2777, -47.5521, 48.5864]],
    ['#ffffff', [100, 0, 0]],
    ['#000000', [0, 0, 0]],
  ])('%s', (hex, [l, a, b]) => {
    const made = hexToLab(hex);
    expect(Math.abs(made[0] - l)).toBeLessThan(0.02);
    expect(Math.abs(made[1] - a)).toBeLessThan(0.03);
    expect(Math.abs(made[2] - b)).toBeLessThan(0.03);
    expect(labToHex(made)).toBe(hex);
  });
  it('white is D50 as ICC.1:2022 has it (0.9642, 1, 0.8249)', () => {
    expect(WHITE[0]).toBeCloseTo(0.9642, 3);
    expect(WHITE[1]).toBeCloseTo(1, 9);
    expect(WHITE[2]).toBeCloseTo(0.8249, 3);
  });
  it('lead back to where they came from', () => {
    for (let i = 0; i < 300; i++) {
      const lab: Lab = [(i * 37) % 101, ((i * 53) % 161) - 80, ((i * 71) % 161) - 80];
      const back = xyzToLab(labToXyz(lab));
      const wide = xyzToLab(wideToXyz(labToWide(lab)));
      const rgb = xyzToLab(linearToXyz(xyzToLinear(labToXyz(lab))));
      lab.forEach((one, k) => {
        expect(back[k]).toBeCloseTo(one, 8);
        expect(rgb[k]).toBeCloseTo(one, 8);
      });
      // What lies beyond the wide primaries is held at their edge; all others come back too.
      if (Math.hypot(lab[1], lab[2]) < 40 && lab[0] > 40)
        lab.forEach((one, k) => expect(wide[k]).toBeCloseTo(one, 6));
    }
  });
});

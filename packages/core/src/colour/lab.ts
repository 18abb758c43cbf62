import { power } from '../power.ts';

/** CIE L*a*b* (CIE 15:2018) under D50. */
export type Lab = readonly [l: number, a: number, b: number];

/** Linear sRGB to XYZ under D50: the matrices of sRGB and of Bradford's adaptation, as in CSS Color 4 (W3C), section 18. */
const TO_XYZ = (() => {
  const toD65 = [
    [506752 / 1228815, 87881 / 245763, 12673 / 70218],
    [87098 / 409605, 175762 / 245763, 12673 / 175545],
    [7918 / 409605, 87881 / 737289, 1001167 / 1053270],
  ];
  const toD50 = [
    [1.0479297925449969, 0.022946870601609652, -0.05019226628920524],
    [0.02962780877005599, 0.9904344267538799, -0.017073799063418826],
    [-0.009243040646204504, 0.015055191490298152, 0.7518742814281371],
  ];
  return toD50.map((row) => [0, 1, 2].map((k) => row.reduce((sum, one, i) => sum + one * toD65[i][k], 0)));
})();

/** What white gives, so that it is neutral to the last digit. */
const WHITE = TO_XYZ.map((row) => row[0] + row[1] + row[2]);

const f = (t: number): number => (t > 216 / 24389 ? power(t, 1 / 3) : ((24389 / 27) * t + 16) / 116);

/** A colour in linear light (0–1) as Lab. */
export function linearToLab(red: number, green: number, blue: number): Lab {
  const [x, y, z] = TO_XYZ.map((row, i) => f((row[0] * red + row[1] * green + row[2] * blue) / WHITE[i]));
  return [116 * y - 16, 500 * (x - y), 200 * (y - z)];
}

/** Entries of the table that pictures are read through. */
const STEPS = 4096;
const CURVE = Float64Array.from({ length: STEPS + 2 }, (_, i) => f(i / STEPS));
const SCALED = TO_XYZ.map((row, i) => row.map((one) => (one * STEPS) / WHITE[i]));

const curveAt = (at: number): number => {
  const low = at <= 0 ? 0 : at >= STEPS ? STEPS : Math.floor(at);
  return CURVE[low] + (CURVE[low + 1] - CURVE[low]) * (at - low);
};

/** The same through a table, for many pixels; within 0.1 of it in each part. */
export function quickLab(red: number, green: number, blue: number, out: Float64Array): void {
  const x = curveAt(SCALED[0][0] * red + SCALED[0][1] * green + SCALED[0][2] * blue);
  const y = curveAt(SCALED[1][0] * red + SCALED[1][1] * green + SCALED[1][2] * blue);
  const z = curveAt(SCALED[2][0] * red + SCALED[2][1] * green + SCALED[2][2] * blue);
  out[0] = 116 * y - 16;
  out[1] = 500 * (x - y);
  out[2] = 200 * (y - z);
}

import { rounded } from '../base/numbers.ts';
import { power } from '../base/power.ts';
import { inverted, times, type Matrix } from './matrix.ts';
import { encode8, hexToLinear, type LinearRgb } from './srgb.ts';

/** CIE L*a*b* (CIE 15:2018) under D50. */
export type Lab = readonly [l: number, a: number, b: number];

/** CIE XYZ (CIE 15:2018) under D50, white having Y = 1. */
export type Xyz = readonly [x: number, y: number, z: number];

/** Bradford's adaptation from D65 to D50, as in CSS Color 4 (W3C), section 18. */
export const D65_TO_D50: Matrix = [
  [1.0479297925449969, 0.022946870601609652, -0.05019226628920524],
  [0.02962780877005599, 0.9904344267538799, -0.017073799063418826],
  [-0.009243040646204504, 0.015055191490298152, 0.7518742814281371],
];

/** Linear sRGB to XYZ under D50: the matrix of sRGB (CSS Color 4, section 18), adapted. */
const TO_XYZ = times(D65_TO_D50, [
  [506752 / 1228815, 87881 / 245763, 12673 / 70218],
  [87098 / 409605, 175762 / 245763, 12673 / 175545],
  [7918 / 409605, 87881 / 737289, 1001167 / 1053270],
]);
const FROM_XYZ = inverted(TO_XYZ);

/** What white gives, so that it is neutral to the last digit. */
export const WHITE: Xyz = [0, 1, 2].map((i) => TO_XYZ[i][0] + TO_XYZ[i][1] + TO_XYZ[i][2]) as never;

const LIMIT = 216 / 24389;
const SLOPE = 24389 / 27;

const f = (t: number): number => (t > LIMIT ? power(t, 1 / 3) : (SLOPE * t + 16) / 116);
const fBack = (u: number): number => (u * u * u > LIMIT ? u * u * u : (116 * u - 16) / SLOPE);

/** A colour in linear light (0–1) as Lab. */
export function linearToLab(red: number, green: number, blue: number): Lab {
  const [x, y, z] = TO_XYZ.map((row, i) => f((row[0] * red + row[1] * green + row[2] * blue) / WHITE[i]));
  return [116 * y - 16, 500 * (x - y), 200 * (y - z)];
}

/** CIE L*a*b* (D50) of XYZ whose Y is 1 for white (ISO/CIE 11664-4). */
export function xyzToLab([x, y, z]: Xyz): Lab {
  const [u, v, w] = [f(x / WHITE[0]), f(y / WHITE[1]), f(z / WHITE[2])];
  return [116 * v - 16, 500 * (u - v), 200 * (v - w)];
}

/**
 * Lab of XYZ with how it changes with each of X, Y and Z.
 *
 * @param slopes dL, da, db with X, then with Y, then with Z
 */
export function labWithSlopes(xyz: Float64Array, lab: Float64Array, slopes: Float64Array): void {
  let [u, v, w] = [0, 0, 0];
  let [du, dv, dw] = [0, 0, 0];
  for (let i = 0; i < 3; i++) {
    const value = f(xyz[i] / WHITE[i]);
    const slope = (xyz[i] / WHITE[i] > LIMIT ? 1 / (3 * value * value) : SLOPE / 116) / WHITE[i];
    if (i === 0) [u, du] = [value, slope];
    else if (i === 1) [v, dv] = [value, slope];
    else [w, dw] = [value, slope];
  }
  lab[0] = 116 * v - 16;
  lab[1] = 500 * (u - v);
  lab[2] = 200 * (v - w);
  slopes[0] = 0;
  slopes[1] = 500 * du;
  slopes[2] = 0;
  slopes[3] = 116 * dv;
  slopes[4] = -500 * dv;
  slopes[5] = 200 * dv;
  slopes[6] = 0;
  slopes[7] = 0;
  slopes[8] = -200 * dw;
}

/** The way back: XYZ whose Y is 1 for white. */
export function labToXyz([l, a, b]: Lab): Xyz {
  const v = (l + 16) / 116;
  return [fBack(v + a / 500) * WHITE[0], fBack(v) * WHITE[1], fBack(v - b / 200) * WHITE[2]];
}

const through = (matrix: Matrix, one: readonly number[]): readonly [number, number, number] => [
  matrix[0][0] * one[0] + matrix[0][1] * one[1] + matrix[0][2] * one[2],
  matrix[1][0] * one[0] + matrix[1][1] * one[1] + matrix[1][2] * one[2],
  matrix[2][0] * one[0] + matrix[2][1] * one[1] + matrix[2][2] * one[2],
];

/** XYZ to linear sRGB; outside 0–1 where sRGB does not reach. */
export const xyzToLinear = (xyz: Xyz): LinearRgb => through(FROM_XYZ, xyz);
export const linearToXyz = (rgb: LinearRgb): Xyz => through(TO_XYZ, rgb);

/** The nearest `#rrggbb` to a colour, for screens. */
export const labToHex = (lab: Lab): string =>
  `#${xyzToLinear(labToXyz(lab))
    .map((channel) => encode8(channel).toString(16).padStart(2, '0'))
    .join('')}`;

/** `#rrggbb` as Lab, to two decimals. */
export function hexToLab(hex: string): Lab {
  const [l, a, b] = linearToLab(...hexToLinear(hex));
  return [rounded(l, 2), rounded(a, 2), rounded(b, 2)];
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

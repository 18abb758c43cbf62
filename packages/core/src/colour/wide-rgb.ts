import { D65_TO_D50, labToXyz, type Lab, type Xyz } from './lab.ts';
import { inverted, times } from './matrix.ts';

/**
 * Linear light in three channels narrow enough that inks may be multiplied in them, and wide enough that every ink has
 * some of each: the primaries of Recommendation ITU-R BT.2020-2 (red 0.708, 0.292; green 0.170, 0.797; blue 0.131,
 * 0.046; white D65), under D50 by Bradford's adaptation.
 */
export type WideRgb = readonly [number, number, number];

const TO_XYZ = (() => {
  const primaries = [
    [0.708, 0.292],
    [0.17, 0.797],
    [0.131, 0.046],
  ].map(([x, y]) => [x / y, 1, (1 - x - y) / y]);
  const columns = [0, 1, 2].map((i) => primaries.map((one) => one[i]));
  const white = [0.3127 / 0.329, 1, (1 - 0.3127 - 0.329) / 0.329];
  const shares = inverted(columns).map((row) => row[0] * white[0] + row[1] * white[1] + row[2] * white[2]);
  return times(
    D65_TO_D50,
    columns.map((row) => row.map((one, k) => one * shares[k])),
  );
})();
const FROM_XYZ = inverted(TO_XYZ);

/** Wide RGB to XYZ: nine factors, row by row. */
export const WIDE_TO_XYZ: readonly number[] = TO_XYZ.flat();

export function xyzToWide([x, y, z]: Xyz): WideRgb {
  const channel = (i: number) => FROM_XYZ[i][0] * x + FROM_XYZ[i][1] * y + FROM_XYZ[i][2] * z;
  return [channel(0), channel(1), channel(2)];
}

/** CIE XYZ (D50, Y = 1 for white) of light in the wide channels. */
export function wideToXyz([r, g, b]: WideRgb): Xyz {
  const one = (i: number) => TO_XYZ[i][0] * r + TO_XYZ[i][1] * g + TO_XYZ[i][2] * b;
  return [one(0), one(1), one(2)];
}

/** No ink takes all the light of a channel. */
const DARKEST = 1e-5;

/** What a printed colour reflects in each channel. */
export function labToWide(lab: Lab): WideRgb {
  const [r, g, b] = xyzToWide(labToXyz(lab));
  return [Math.max(DARKEST, r), Math.max(DARKEST, g), Math.max(DARKEST, b)];
}

import { linearToXyz, WHITE, xyzToLab, type Lab, type Xyz } from '../colour/lab.ts';
import { srgbToLinear } from '../colour/srgb.ts';
import { wideToXyz } from '../colour/wide-rgb.ts';
import { anyAmounts, invert } from '../ink/invert.ts';
import type { InkModel } from '../ink/model.ts';
import { power } from '../base/power.ts';

/** The colour that a colour of a picture should print as. */
export type Target = (red: number, green: number, blue: number) => Lab;

/**
 * Fits the colours of pictures between the lightest and the darkest that inks on a stock can be: white becomes the one,
 * black as dark as the other, and all that lies between keeps its place, by a straight line in XYZ. Relative colorimetry
 * with black point compensation (ISO 18619:2015).
 *
 * @param limit most of all inks together, 1 for one ink's solid
 * @returns a function of sRGB, 0–1 each
 */
export function targetOf(model: InkModel, limit: number): Target {
  const { count, n, primaries } = model;
  const xyz = Array.from({ length: 1 << count }, (_, set) => {
    const band = (k: number) => (n === 1 ? primaries[3 * set + k] : power(primaries[3 * set + k], n));
    return wideToXyz([band(0), band(1), band(2)]);
  });
  const solids = xyz.map((_, set) => {
    let inks = 0;
    for (let bit = set; bit; bit >>= 1) inks += bit & 1;
    return inks;
  });
  let white = xyz[0];
  let black = xyz[0];
  xyz.forEach((one, set) => {
    if (solids[set] > limit + 1e-9) return;
    if (one[1] > white[1]) white = one;
    if (one[1] < black[1]) black = one;
  });
  const dark = darkestNeutral(model, limit, white, black[1] / white[1]);
  return (red, green, blue) => {
    const light = linearToXyz([srgbToLinear(red), srgbToLinear(green), srgbToLinear(blue)]);
    const fitted = (k: 0 | 1 | 2) => white[k] * (dark + (1 - dark) * (light[k] / WHITE[k]));
    return xyzToLab([fitted(0), fitted(1), fitted(2)]);
  };
}

/** ΔE within which a colour counts as neutral. */
const NEUTRAL = 0.5;

/**
 * Light of the darkest that is as neutral as the lightest, as a share of that; of inks that make no dark neutral at all, of
 * the darkest they make.
 */
function darkestNeutral(model: InkModel, limit: number, white: Xyz, darkest: number): number {
  const amounts = new Float64Array(model.count);
  const bounds = anyAmounts(model.count, limit);
  const isMade = (share: number): boolean => {
    amounts.fill(0.5);
    const wanted = xyzToLab([white[0] * share, white[1] * share, white[2] * share]);
    invert(model, wanted, bounds, amounts, 0.05);
    return invert(model, wanted, bounds, amounts, 1e-4) <= NEUTRAL;
  };
  if (isMade(darkest)) return darkest;
  let [good, bad] = [0.5, darkest];
  if (!isMade(good)) return darkest;
  for (let i = 0; i < 12; i++) {
    const middle = (good + bad) / 2;
    if (isMade(middle)) good = middle;
    else bad = middle;
  }
  return good;
}

import { xyzToLinear } from './lab.ts';
import { wideToXyz } from './wide-rgb.ts';

/** Wide RGB to linear sRGB, nine factors. */
export const WIDE_TO_SRGB = (() => {
  const columns = [
    xyzToLinear(wideToXyz([1, 0, 0])),
    xyzToLinear(wideToXyz([0, 1, 0])),
    xyzToLinear(wideToXyz([0, 0, 1])),
  ];
  return Float64Array.from({ length: 9 }, (_, i) => columns[i % 3][Math.floor(i / 3)]);
})();

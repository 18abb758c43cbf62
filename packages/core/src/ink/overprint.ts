import { hexToLinear, type LinearRgb } from '../colour/srgb.ts';

/** An ink as it looks printed solid on a pure white stock. */
export interface Ink {
  readonly id: string;
  readonly name: string;
  /** `#rrggbb`, sRGB. */
  readonly colour: string;
  /** 0 = wholly transparent (multiplies what lies under it), 1 = covers it. */
  readonly opacity: number;
}

/**
 * Colours of every overprint of the inks, laid down in the order given on the stock. Entry `mask` has ink i where
 * bit i of `mask` is set: entry 0 is the bare stock. A transparent ink multiplies reflectances, a covering one
 * replaces them, and opacity stands between.
 *
 * @returns 2ⁿ colours in linear light
 */
export function overprints(stock: string, inks: readonly Ink[]): LinearRgb[] {
  let colours: LinearRgb[] = [hexToLinear(stock)];
  for (const ink of inks) {
    const solid = hexToLinear(ink.colour);
    const over = (under: LinearRgb): LinearRgb => {
      const mix = (k: 0 | 1 | 2) => solid[k] * (ink.opacity + (1 - ink.opacity) * under[k]);
      return [mix(0), mix(1), mix(2)];
    };
    colours = [...colours, ...colours.map(over)];
  }
  return colours;
}

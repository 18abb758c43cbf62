import { xyzToLinear } from '../colour/lab.ts';
import type { LinearRgb } from '../colour/srgb.ts';
import { labToWide, wideToXyz, type WideRgb } from '../colour/wide-rgb.ts';
import type { Ink, Overprint, Stock } from './ink.ts';

/** Which inks of a list, as bits. */
const maskOf = (inks: readonly Ink[], ids: readonly string[]): number =>
  ids.reduce((mask, id) => {
    const at = inks.findIndex((ink) => ink.id === id);
    return at < 0 || mask < 0 ? -1 : mask | (1 << at);
  }, 0);

/**
 * What every overprint of the inks reflects, laid down in the order given on the stock. Entry `mask` has ink i where bit
 * i of `mask` is set: entry 0 is the bare stock. Overprints that were measured are taken from there; of the rest, a
 * transparent ink multiplies reflectances, a covering one replaces them, and opacity stands between.
 *
 * @returns 2ⁿ colours
 */
export function overprintLight(
  stock: Pick<Stock, 'lab'>,
  inks: readonly Ink[],
  measured: readonly Overprint[] = [],
): WideRgb[] {
  const paper = labToWide(stock.lab);
  const known = new Map(measured.map(({ inks: ids, lab }) => [maskOf(inks, ids), labToWide(lab)]));
  const colours: WideRgb[] = [paper];
  for (const [i, ink] of inks.entries()) {
    const solid = labToWide(ink.lab);
    for (let rest = 0; rest < 1 << i; rest++) {
      const under = colours[rest];
      const found = rest === 0 ? undefined : known.get(rest | (1 << i));
      const channel = (k: 0 | 1 | 2) =>
        found ? paper[k] * found[k] : solid[k] * (ink.opacity + (1 - ink.opacity) * under[k]);
      colours.push([channel(0), channel(1), channel(2)]);
    }
  }
  return colours;
}

/** The same in linear sRGB, which some inks lie outside of. */
export const overprints = (
  stock: Pick<Stock, 'lab'>,
  inks: readonly Ink[],
  measured: readonly Overprint[] = [],
): LinearRgb[] => overprintLight(stock, inks, measured).map((light) => xyzToLinear(wideToXyz(light)));

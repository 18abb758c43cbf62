import { labWithSlopes, type Lab } from '../colour/lab.ts';
import { WIDE_TO_XYZ } from '../colour/wide-rgb.ts';
import { power } from '../base/power.ts';
import type { Ink, Overprint, Stock } from './ink.ts';
import { overprintLight } from './overprint.ts';

/**
 * What inks look like screened over one another: the colours of their overprints, each to its share of the area. Shares
 * are those of screens that know nothing of one another (Demichel); light that spreads in the stock is met by the
 * Yule–Nielsen factor n.
 *
 * Sources: H. E. J. Neugebauer, "Die theoretischen Grundlagen des Mehrfarbenbuchdrucks" (1937); E. Demichel, Le Procédé
 * 26 (1924); J. A. C. Yule and W. J. Nielsen, "The Penetration of Light into Paper and Its Effect on Halftone
 * Reproduction", Proc. TAGA (1951); J. A. S. Viggiano, "Modeling the Color of Multi-Colored Halftones", Proc. TAGA
 * (1990) for the two together.
 */
export interface InkModel {
  /** Number of inks. */
  readonly count: number;
  readonly n: number;
  /** 2^count overprints in three channels, each to the power 1/n. */
  readonly primaries: Float64Array;
}

/**
 * What inks on a stock look like, prepared for many predictions.
 *
 * @param measured overprints that were measured; the rest are predicted from the solids
 */
export function inkModel(
  stock: Pick<Stock, 'lab' | 'yuleNielsen'>,
  inks: readonly Ink[],
  measured: readonly Overprint[] = [],
): InkModel {
  const n = stock.yuleNielsen;
  const light = overprintLight(stock, inks, measured).flat();
  return {
    count: inks.length,
    n,
    primaries: Float64Array.from(light, (one) => (n === 1 ? one : power(one, 1 / n))),
  };
}

/** Shares of the 2^count overprints for amounts of the inks, 0–1 each; they sum to one. */
export function demichel(amounts: ArrayLike<number>): Float64Array {
  const shares = new Float64Array(1 << amounts.length);
  shares[0] = 1;
  for (let i = 0; i < amounts.length; i++) {
    for (let set = 0; set < 1 << i; set++) {
      shares[set | (1 << i)] = shares[set] * amounts[i];
      shares[set] *= 1 - amounts[i];
    }
  }
  return shares;
}

const fold = new Float64Array(3 << 8);
const channel = new Float64Array(3);
const xyz = new Float64Array(3);
const labSlopes = new Float64Array(9);

/** Mixes the primaries ink by ink; for one ink their difference instead, if asked. */
function folded({ count, primaries }: InkModel, amounts: Float64Array, differed: number): void {
  fold.set(primaries);
  for (let i = count - 1; i >= 0; i--) {
    const half = 3 << i;
    const amount = amounts[i];
    if (i === differed) for (let k = 0; k < half; k++) fold[k] = fold[half + k] - fold[k];
    else for (let k = 0; k < half; k++) fold[k] += amount * (fold[half + k] - fold[k]);
  }
}

/**
 * Colour of amounts of the inks, 0–1 each.
 *
 * @param lab    three numbers, filled
 * @param slopes dL, da, db with each ink, filled if given
 */
export function predictInto(
  model: InkModel,
  amounts: Float64Array,
  lab: Float64Array,
  slopes?: Float64Array,
): void {
  const { count, n } = model;
  folded(model, amounts, -1);
  for (let k = 0; k < 3; k++) channel[k] = fold[k];
  const light = (k: number) => (n === 1 ? channel[k] : power(channel[k], n));
  const [r, g, b] = [light(0), light(1), light(2)];
  for (let i = 0; i < 3; i++)
    xyz[i] = WIDE_TO_XYZ[3 * i] * r + WIDE_TO_XYZ[3 * i + 1] * g + WIDE_TO_XYZ[3 * i + 2] * b;
  labWithSlopes(xyz, lab, labSlopes);
  if (!slopes) return;
  const steep = (k: number, value: number) => (n === 1 ? 1 : (n * value) / channel[k]);
  const [sr, sg, sb] = [steep(0, r), steep(1, g), steep(2, b)];
  for (let j = 0; j < count; j++) {
    folded(model, amounts, j);
    const [dr, dg, db] = [fold[0] * sr, fold[1] * sg, fold[2] * sb];
    let [l, a, bb] = [0, 0, 0];
    for (let i = 0; i < 3; i++) {
      const d = WIDE_TO_XYZ[3 * i] * dr + WIDE_TO_XYZ[3 * i + 1] * dg + WIDE_TO_XYZ[3 * i + 2] * db;
      l += d * labSlopes[3 * i];
      a += d * labSlopes[3 * i + 1];
      bb += d * labSlopes[3 * i + 2];
    }
    slopes[3 * j] = l;
    slopes[3 * j + 1] = a;
    slopes[3 * j + 2] = bb;
  }
}

/** Colour of amounts of the inks, 0–1 each. */
export function predict(model: InkModel, amounts: ArrayLike<number>): Lab {
  const lab = new Float64Array(3);
  predictInto(model, Float64Array.from(amounts), lab);
  return [lab[0], lab[1], lab[2]];
}

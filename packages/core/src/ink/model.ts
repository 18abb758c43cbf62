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

/** Most inks of a model. */
const MOST = 8;
/** Primaries mixed ink by ink, the last first: what is left once inks from a place on are mixed, at that place. */
const mixed = Array.from({ length: MOST + 1 }, (_, inks) => new Float64Array(3 << inks));
const differed = new Float64Array(3 << (MOST - 1));
/** Light of the last prediction in three channels: to the power 1/n, and as it is. */
const channel = new Float64Array(3);
const light = new Float64Array(3);
const xyz = new Float64Array(3);
const labSlopes = new Float64Array(9);

/** Mixes pairs of colours that lie `half` numbers apart. */
function mix(from: Float64Array, half: number, amount: number, to: Float64Array): void {
  for (let k = 0; k < half; k++) to[k] = from[k] + amount * (from[half + k] - from[k]);
}

/**
 * Colour of amounts of the inks, 0–1 each.
 *
 * @param lab three numbers, filled
 */
export function predictInto(
  { count, n, primaries }: InkModel,
  amounts: Float64Array,
  lab: Float64Array,
): void {
  let from = primaries;
  for (let i = count - 1; i >= 0; i--) {
    mix(from, 3 << i, amounts[i], mixed[i]);
    from = mixed[i];
  }
  for (let k = 0; k < 3; k++) {
    channel[k] = from[k];
    light[k] = n === 1 ? from[k] : power(from[k], n);
  }
  const [r, g, b] = light;
  for (let i = 0; i < 3; i++)
    xyz[i] = WIDE_TO_XYZ[3 * i] * r + WIDE_TO_XYZ[3 * i + 1] * g + WIDE_TO_XYZ[3 * i + 2] * b;
  labWithSlopes(xyz, lab, labSlopes);
}

/**
 * How the colour that was predicted last changes with each ink.
 *
 * @param amounts and model as they were then
 * @param slopes  dL, da, db with each ink, filled
 */
export function slopesInto(
  { count, n, primaries }: InkModel,
  amounts: Float64Array,
  slopes: Float64Array,
): void {
  for (let j = 0; j < count; j++) {
    const from = j === count - 1 ? primaries : mixed[j + 1];
    const half = 3 << j;
    for (let k = 0; k < half; k++) differed[k] = from[half + k] - from[k];
    for (let i = j - 1; i >= 0; i--) mix(differed, 3 << i, amounts[i], differed);
    let l = 0;
    let a = 0;
    let b = 0;
    for (let k = 0; k < 3; k++) differed[k] *= n === 1 ? 1 : (n * light[k]) / channel[k];
    for (let i = 0; i < 3; i++) {
      const d =
        WIDE_TO_XYZ[3 * i] * differed[0] +
        WIDE_TO_XYZ[3 * i + 1] * differed[1] +
        WIDE_TO_XYZ[3 * i + 2] * differed[2];
      l += d * labSlopes[3 * i];
      a += d * labSlopes[3 * i + 1];
      b += d * labSlopes[3 * i + 2];
    }
    slopes[3 * j] = l;
    slopes[3 * j + 1] = a;
    slopes[3 * j + 2] = b;
  }
}

/** Colour of amounts of the inks, 0–1 each. */
export function predict(model: InkModel, amounts: ArrayLike<number>): Lab {
  const lab = new Float64Array(3);
  predictInto(model, Float64Array.from(amounts), lab);
  return [lab[0], lab[1], lab[2]];
}

import { cache } from '../base/cache.ts';
import { coverageTable } from '../raster/coverage-table.ts';
import { percentToCoverage, SOLID } from '../raster/plane.ts';
import type { CurvePoint } from '../tone/curve.ts';
import { curveTable } from '../tone/curve-table.ts';

/**
 * The smallest dot that holds and the largest that stays open, in percent. A tone below the smallest dot is made as it or left bare, one above
 * the largest as it or solid, whichever is nearer.
 */
export interface DotLimits {
  readonly smallest: number;
  readonly largest: number;
  /** True where nothing is solid: all above the largest dot is made as it, so that dots stay apart. */
  readonly open?: boolean;
}

export const NO_LIMITS: DotLimits = { smallest: 0, largest: 100 };

/**
 * A monotone map of coverages 0–65535: from what is *asked*, which is to be on the print, to what the *film* carries, or on to what is *printed*
 * of that. Without a press the three are one.
 */
export interface Transfer {
  /** Cache key: equal iff the transfers are equal. */
  readonly key: string;
  /** 65536 coverages by what is asked; undefined when all are made as asked. */
  readonly table: Uint16Array | undefined;
  /** What is made of a whole coverage that is asked for. */
  readonly made: (asked: number) => number;
  /** True when more is never made as less and nothing stays bare: it can then be folded into thresholds. */
  readonly foldable: boolean;
  /** For screens that do something between the two: what a press has to do with it, and the limits of dots; undefined where limits are all. */
  readonly parts?: { readonly gain: Transfer; readonly limits: Transfer };
}

/** A transfer of coverages that need not be whole. */
export function smoothly({ table }: Transfer): (asked: number) => number {
  if (!table) return same;
  return (asked) => {
    if (asked >= SOLID) return table[SOLID] + (asked - SOLID);
    if (asked <= 0) return asked;
    const low = Math.floor(asked);
    return table[low] + (table[low + 1] - table[low]) * (asked - low);
  };
}

const same = (coverage: number): number => coverage;

/** All is made as it is asked for. */
export const STRAIGHT_TRANSFER: Transfer = {
  key: '',
  table: undefined,
  made: same,
  foldable: true,
};

const recentTransfers = cache<Transfer>('transfers');

const rises = (table: Uint16Array): boolean => {
  for (let i = 1; i <= SOLID; i++) if (table[i] < table[i - 1]) return false;
  return table[0] === 0;
};

/**
 * A transfer by its table.
 *
 * @param key equal iff the tables are equal
 */
export const transferByTable = (key: string, make: () => Uint16Array): Transfer =>
  recentTransfers(key, () => {
    const table = make();
    return { key, table, made: (asked) => table[asked], foldable: rises(table) };
  });

/** What the limits of dots do. */
export function limitsTransfer(limits: DotLimits): Transfer {
  const { smallest, largest, open = false } = limits;
  if (smallest === 0 && largest === 100) return STRAIGHT_TRANSFER;
  return transferByTable(`${smallest} to ${largest}${open ? ', open' : ''}`, () =>
    coverageTable(limiter(limits)),
  );
}

/** What limits make of a coverage that is asked for. */
export function limiter({ smallest, largest, open = false }: DotLimits): (asked: number) => number {
  const least = percentToCoverage(smallest);
  const most = percentToCoverage(largest);
  const solid = open ? Infinity : (most + SOLID) / 2;
  return (asked) => {
    if (asked < least) return 2 * asked < least ? 0 : least;
    return asked <= most ? asked : asked > solid ? SOLID : most;
  };
}

const isStraight = (curve: readonly CurvePoint[]): boolean =>
  curve.length === 2 && curve[1].in === 100 && curve.every((point) => point.in === point.out);

/** Points of a curve that is made lighter or heavier in its middle. */
const WEIGHED = 21;

/** What a plate's own curve does, and its weight: lighter (to −100) or heavier (to 100) in the middle tones. */
export function curveTransfer(curve: readonly CurvePoint[], weight: number): Transfer {
  if (weight === 0 && isStraight(curve)) return STRAIGHT_TRANSFER;
  return transferByTable(JSON.stringify([curve, weight]), () => {
    if (weight === 0) return curveTable(curve);
    const own = curveTable(curve);
    return curveTable(
      Array.from({ length: WEIGHED }, (_, i) => {
        const at = own[Math.round((i / (WEIGHED - 1)) * SOLID)] / SOLID;
        return { in: (100 * i) / (WEIGHED - 1), out: 100 * (at + (weight / 100) * at * (1 - at)) };
      }),
    );
  });
}

/** One transfer after another. */
export function inTurn(first: Transfer, second: Transfer): Transfer {
  const [a, b] = [first.table, second.table];
  if (!a) return second;
  if (!b) return first;
  return transferByTable(`${first.key} then ${second.key}`, () => a.map((asked) => b[asked]));
}

const recentInverses = cache<Uint16Array>('inverse transfers');

/** For each film coverage the most that can be asked for and be made as no more. The transfer must rise. */
const inverseOf = (key: string, table: Uint16Array): Uint16Array =>
  recentInverses(key, () => {
    let asked = 0;
    return coverageTable((film) => {
      while (asked < SOLID && table[asked + 1] <= film) asked++;
      return asked;
    });
  });

/**
 * Thresholds with a transfer folded in, so that comparing needs no further step: asked > new threshold exactly where film > old threshold.
 *
 * @throws RangeError when the transfer is not `foldable`
 */
export function foldThresholds(thresholds: Uint16Array, { key, table, foldable }: Transfer): Uint16Array {
  if (!table) return thresholds;
  if (!foldable)
    throw new RangeError('Only a transfer that rises from nothing can be folded into thresholds.');
  const inverse = inverseOf(key, table);
  return thresholds.map((threshold) => inverse[threshold]);
}

import { rounded } from '../base/numbers.ts';
import type { Ink, Stock } from '../ink/ink.ts';
import { sameName, type InkGain, type Press } from '../press/press.ts';
import type { Screen } from '../screen/screen.ts';
import { fitGain, type FittedGain, type ToneReading } from './fit-gain.ts';
import { targetLayout, type TargetLayout } from './target-layout.ts';

/** How a printed target was read. */
export type ReadingSource = 'typed' | 'table' | 'scan' | 'instrument';

/** What the ladders of a target say of an ink, mm; null where it cannot be told. */
export interface LadderReading {
  /** The smallest dot, and the thinnest line, that are there. */
  readonly leastDot: number | null;
  readonly leastLine: number | null;
  /** How far edges grew. */
  readonly edgeGain: number | null;
}

/** What a target says of one ink in its screen. */
export interface CalibratedInk {
  readonly ink: Ink;
  readonly screen: Screen;
  /** Empty until it is read. */
  readonly readings: readonly ToneReading[];
  /** Readings that were left out by hand, by their places. */
  readonly without: readonly number[];
  readonly ladders: LadderReading | null;
}

/** A press measured by a printed target: on one stock, each ink in one screen. */
export interface Calibration {
  /** Id of the press in the press room. */
  readonly press: string;
  readonly stock: Stock;
  /** Of the target's films, dots per inch. */
  readonly resolution: number;
  readonly inks: readonly CalibratedInk[];
  /** Null until it is read. */
  readonly source: ReadingSource | null;
  /** Percent that the simulated press gains at 50 %, where that printed it; null for a real press. */
  readonly simulatedGain: number | null;
  /** SHA-256 of the picture that was read, where one was. */
  readonly scan: string | null;
  /** When its target was made, ISO 8601. */
  readonly made: string;
  /** When it was taken for the press, ISO 8601; null while it is not. */
  readonly taken: string | null;
}

/** The target that is printed for it. */
export function layoutOf({ inks, stock }: Pick<Calibration, 'inks' | 'stock'>): TargetLayout {
  const off = inks.map(({ ink }) => Math.abs(ink.lab[0] - stock.lab[0]));
  return targetLayout(inks.length, off.indexOf(Math.max(...off)));
}

/** Readings by which a curve is no guess any more. */
export const LEAST_READINGS = 5;

/** The curve of an ink; undefined until it is read. */
export const fittedGain = ({ readings, without }: CalibratedInk): FittedGain | undefined =>
  readings.length - without.length < LEAST_READINGS ? undefined : fitGain(readings, without);

/**
 * A press with what was measured: the curves of the inks that were read, in the place of those they had.
 *
 * @param date     when, ISO 8601
 * @param ladders  true to take over the smallest dot, the thinnest line and the edge gain too, the worst ink deciding
 */
export function calibrated(press: Press, { inks }: Calibration, date: string, ladders: boolean): Press {
  const gains = inks.flatMap((one): InkGain[] => {
    const fitted = fittedGain(one);
    if (!fitted) return [];
    return [{ ink: one.ink.name, gain: { by: 'points', points: fitted.points }, calibrated: date }];
  });
  const kept = press.inkGains.filter(({ ink }) => gains.every((one) => !sameName(one.ink, ink)));
  const worst = (what: keyof LadderReading): number | undefined => {
    const all = inks.flatMap((one) => one.ladders?.[what] ?? []);
    return ladders && all.length > 0 ? Math.max(...all) : undefined;
  };
  const [dot, line, edge] = [worst('leastDot'), worst('leastLine'), worst('edgeGain')];
  return {
    ...press,
    inkGains: [...kept, ...gains],
    leastDot: dot === undefined ? press.leastDot : rounded(1000 * dot, 0),
    leastLine: line === undefined ? press.leastLine : rounded(line, 3),
    edgeGain: edge === undefined ? press.edgeGain : rounded(edge, 3),
  };
}

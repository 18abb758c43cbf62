import { gainTable, inverseGain, type Gain } from '../../press/gain.ts';
import { MM_PER_INCH } from '../../raster/frame.ts';
import { percentToCoverage, SOLID } from '../../raster/plane.ts';
import type { Bits } from '../../raster/bits.ts';
import { newScreen, type Screen } from '../../screen/screen.ts';
import { fitGain, type ToneReading } from '../fit-gain.ts';
import { flatPatch } from '../../screen/flat-patch.ts';
import { readScan } from '../read-scan.ts';
import { PATCH, TARGET_TONES, targetLayout } from '../target-layout.ts';
import { targetFilm, targetFrame } from '../target-bits.ts';
import { normalOf } from './normal.ts';
import {
  inkedRows,
  reachOf,
  simulatedPrint,
  takesForGain,
  throughThreads,
  type LightPicture,
  type SimulatedPress,
} from './simulated-press.ts';
import { simulatedScan, STRAIGHT_SCAN, type SimulatedScan } from './simulated-scan.ts';

/** Worst differences of printed tones from those that are asked for, percent, over all steps of a target. */
export interface LoopResult {
  /** As films are made without a press. */
  readonly before: number;
  /** After one calibration by a simulated scan. */
  readonly scan: number;
  /** The same by a simulated instrument. */
  readonly instrument: number;
}

/** How noisy the simulated instrument reads, percent of tone. */
export const INSTRUMENT_NOISE = 0.25;
/** Least side of the flat tones that a print is judged by, film pixels. */
const LEAST_SIDE = 320;

/** What is printed, and read, in one turn of the loop. */
export interface Loop {
  readonly screen: Screen;
  readonly resolution: number;
  readonly press: SimulatedPress;
  readonly scan?: Partial<SimulatedScan>;
}

/** One before it is known how much the press gains: coarse dots, and a press as on a table. */
export const COARSE_LOOP: Loop = {
  screen: newScreen('dots', { ruling: 45, angle: 22.5 }),
  resolution: 720,
  press: {
    spread: 0.06,
    takes: 0.5,
    slur: 0,
    mesh: null,
    starvation: 0.05,
    register: 0,
    noise: 0.02,
    seed: 3,
  },
};

/** Film of a flat tone in percent, with room around it for a press to look at. */
function flatFilm({ screen, resolution, press }: Loop, percent: number): Bits {
  const side = Math.max(LEAST_SIDE, Math.round((PATCH / MM_PER_INCH) * resolution));
  const size = side + 2 * reachOf(press, resolution);
  const frame = { width: size, height: size, resolution, bleed: 0 };
  const whole = { x: 0, y: 0, width: size, height: size };
  return throughThreads(flatPatch(screen, frame, percentToCoverage(percent), whole), press, frame, whole);
}

/** Percent printed by tones of the film, by Murray and Davies from what is truly inked. */
export function truthOf(loop: Loop): (film: number) => number {
  const { press, resolution } = loop;
  const inked = (percent: number): number => {
    const rows = inkedRows(flatFilm(loop, percent), reachOf(press, resolution), press, resolution);
    // Ink that is laid thicker is thinner for it: as in `simulatedPrint`.
    return rows.reduce((sum, full) => sum + full * (1 - press.starvation * full * full), 0) / rows.length;
  };
  const solid = inked(100);
  return (film) => (100 * inked(film)) / solid;
}

/** A press that gains so much at 50 %, in percent, of a loop's screen. */
export const pressOfGain = (loop: Loop, gain: number): SimulatedPress => ({
  ...loop.press,
  takes: takesForGain(flatFilm(loop, 50), loop.press, loop.resolution, gain),
});

/** The print of a target of one ink. */
export function printedTarget({ screen, resolution, press }: Loop, ppi: number): LightPicture {
  const layout = targetLayout(1);
  return simulatedPrint(
    {
      frame: targetFrame(layout, resolution),
      plates: 1,
      film: (_plate, region) => targetFilm(layout, 0, screen, resolution, region),
      colours: [
        [0.92, 0.91, 0.86],
        [0.03, 0.035, 0.05],
      ],
    },
    press,
    ppi,
  );
}

/** Prints the target, reads it both ways, and prints by the curves that are found. */
export function pressLoop(loop: Loop): LoopResult {
  const layout = targetLayout(1);
  const truth = truthOf(loop);
  const worst = (film: (asked: number) => number): number =>
    Math.max(...TARGET_TONES.map((asked) => Math.abs(truth(film(asked)) - asked)));
  const against = (readings: readonly ToneReading[]): ((asked: number) => number) => {
    const gain: Gain = { by: 'points', points: fitGain(readings).points };
    const table = inverseGain(gainTable(gain));
    return (asked) => (100 * table[percentToCoverage(asked)]) / SOLID;
  };
  const print = printedTarget(loop, 600);
  const picture = simulatedScan(print, { ...STRAIGHT_SCAN, ...loop.scan });
  const scanned = readScan(picture, layout).patches.map(({ tone, printed }) => ({ film: tone, printed }));
  const measured = layout.patches
    .filter(({ tone }) => tone > 0)
    .map(({ tone }, i) => ({
      film: tone,
      printed: truth(tone) + INSTRUMENT_NOISE * normalOf(loop.press.seed, i, 7),
    }));
  return {
    before: worst((asked) => asked),
    scan: worst(against(scanned)),
    instrument: worst(against(measured)),
  };
}

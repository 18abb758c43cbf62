import type { Calibration, Press, TargetReading } from '@brachytone/core';
import { calibrationOfJob, pressOf, SHIPPED_PRESSES } from '@brachytone/job';
import { TOTE_PRINT } from './dusk-tote.ts';

/** Percent that the simulated press of the demo gains at 50 %: less than is usual on such a table. */
export const TOTE_GAIN = 21;
const [MADE, TAKEN] = ['2026-11-20T09:30:00.000Z', '2026-11-20T16:10:00.000Z'];

/** What was read off the scan of the tote's target, ink by ink. */
export type ToteReadings = TargetReading['inks'];

/** The table that the tote is pulled on. */
export function totePress(): Press {
  const found = SHIPPED_PRESSES.find(({ id }) => id === 'hand-table-cloth');
  if (!found) throw new RangeError('There is no press for the tote.');
  return { ...pressOf(found), name: 'Table by the window, dark cloth' };
}

/** The target of the tote's inks, not read yet. */
export const toteTarget = (press: string): Calibration => calibrationOfJob(TOTE_PRINT, press, MADE);

/**
 * The calibration of the table by the window: printed and scanned by simulation.
 *
 * @param press id in the press room
 * @param scan  SHA-256 of the scan
 */
export function toteCalibration(press: string, scan: string, readings: ToteReadings): Calibration {
  const target = toteTarget(press);
  return {
    ...target,
    inks: target.inks.map((one, i) => ({ ...one, ...readings[i] })),
    source: 'scan',
    simulatedGain: TOTE_GAIN,
    scan,
    taken: TAKEN,
  };
}

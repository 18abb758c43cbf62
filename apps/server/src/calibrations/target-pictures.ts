import {
  encode8,
  layoutOf,
  readScan,
  simulatedPressFor,
  simulatedScan,
  simulatedTarget,
  STRAIGHT_SCAN,
  straightScan,
  targetReading,
  type TargetReading,
  UnreadableScan,
  type Calibration,
  type LightPicture,
  type Picture,
} from '@brachytone/core';
import sharp from 'sharp';
import { Problem } from '../http/problem.ts';
import type { SimulatedOn } from '../work/tasks.ts';

/** Pixels an inch of the target laid straight, to be looked at. */
const SHOWN_PPI = 110;
/** Pixels an inch of a simulated print, and of its scan. */
const [PRINT_PPI, SCAN_PPI] = [360, 200];

/** A picture that cannot be read is refused with its sentence. */
function orProblem<Read>(read: () => Read): Read {
  try {
    return read();
  } catch (problem) {
    if (!(problem instanceof UnreadableScan)) throw problem;
    throw new Problem(422, 'Target not read', `${problem.message} What was read before is kept.`);
  }
}

/** What a picture of a printed target says. */
export const readingOf = (calibration: Calibration, picture: Picture): TargetReading =>
  orProblem(() => targetReading(picture, layoutOf(calibration)));

/** The target of a picture laid straight, as PNG. */
export async function straightenedTarget(calibration: Calibration, picture: Picture): Promise<Uint8Array> {
  const layout = layoutOf(calibration);
  const { map } = orProblem(() => readScan(picture, layout));
  return png(straightScan(picture, map, layout, SHOWN_PPI));
}

/** A scan, a little askew, of the target as the simulated press prints it. */
export function scanOfSimulation(calibration: Calibration, { gain, mesh }: SimulatedOn): Promise<Uint8Array> {
  const print = simulatedTarget(calibration, simulatedPressFor(calibration, gain, mesh), PRINT_PPI);
  return png(simulatedScan(print, { ...STRAIGHT_SCAN, ppi: SCAN_PPI, turn: 1.5, uneven: 0.1 }));
}

/** Light as an sRGB picture, PNG. */
export function lightPng({ width, height, data }: LightPicture): Promise<Uint8Array> {
  const samples = new Uint8Array(data.length);
  for (let i = 0; i < data.length; i++) samples[i] = encode8(Math.min(1, Math.max(0, data[i])));
  return png({ width, height, channels: 3, data: samples });
}

const png = ({ width, height, data }: Picture): Promise<Uint8Array> =>
  sharp(data, { raw: { width, height, channels: 3 } })
    .png()
    .toBuffer();

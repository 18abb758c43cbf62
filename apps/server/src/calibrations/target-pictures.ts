import {
  encode8,
  layoutOf,
  readLadders,
  readScan,
  simulatedPressFor,
  simulatedScan,
  simulatedTarget,
  STRAIGHT_SCAN,
  straightScan,
  UnreadableScan,
  type Calibration,
  type LightPicture,
  type Picture,
  type ScanReading,
} from '@brachytone/core';
import type { TargetReading } from '@brachytone/job';
import sharp from 'sharp';
import { Problem } from '../http/problem.ts';

/** Pixels an inch of the target laid straight, to be looked at. */
const SHOWN_PPI = 110;
/** Pixels an inch of a simulated print, and of its scan. */
const [PRINT_PPI, SCAN_PPI] = [360, 200];

/** A picture that cannot be read is refused with its sentence. */
function scanned(calibration: Calibration, picture: Picture): ScanReading {
  try {
    return readScan(picture, layoutOf(calibration));
  } catch (problem) {
    if (!(problem instanceof UnreadableScan)) throw problem;
    throw new Problem(422, 'Target not read', `${problem.message} What was read before is kept.`);
  }
}

/** What a picture of a printed target says. */
export function targetReading(calibration: Calibration, picture: Picture): TargetReading {
  const { patches, ladder, ppi } = scanned(calibration, picture);
  const limited = (percent: number): number => Number(Math.min(100, Math.max(0, percent)).toFixed(2));
  return {
    ppi: Math.round(ppi),
    inks: calibration.inks.map((_, ink) => ({
      readings: patches
        .filter((patch) => patch.ink === ink)
        .map(({ tone, printed }) => ({ film: tone, printed: limited(printed) })),
      ladders: readLadders(ladder, ink),
    })),
  };
}

/** The target of a picture laid straight, as PNG. */
export async function straightenedTarget(calibration: Calibration, picture: Picture): Promise<Uint8Array> {
  const { map } = scanned(calibration, picture);
  return png(straightScan(picture, map, layoutOf(calibration), SHOWN_PPI));
}

/** A scan, a little askew, of the target as the simulated press prints it. */
export function scanOfSimulation(calibration: Calibration, gain: number): Promise<Uint8Array> {
  const print = simulatedTarget(calibration, simulatedPressFor(calibration, gain), PRINT_PPI);
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

import { rounded } from '../base/numbers.ts';
import type { Picture } from '../raster/picture.ts';
import type { LadderReading } from './calibration.ts';
import type { ToneReading } from './fit-gain.ts';
import { readLadders, readScan } from './read-scan.ts';
import type { TargetLayout } from './target-layout.ts';

/** What a picture of a printed target says, ink by ink. */
export interface TargetReading {
  /** Readings stand in the order of the ink's patches. */
  readonly inks: readonly { readonly readings: readonly ToneReading[]; readonly ladders: LadderReading }[];
  /** Pixels an inch that the target has in the picture. */
  readonly ppi: number;
}

/**
 * Reads a picture of a printed target, as a calibration keeps it.
 *
 * @throws UnreadableScan with a sentence when the picture is not good enough
 */
export function targetReading(picture: Picture, layout: TargetLayout): TargetReading {
  const { patches, ladder, ppi } = readScan(picture, layout);
  const limited = (percent: number): number => rounded(Math.min(100, Math.max(0, percent)), 2);
  return {
    ppi: Math.round(ppi),
    inks: Array.from({ length: layout.inks }, (_, ink) => ({
      readings: patches
        .filter((patch) => patch.ink === ink)
        .map(({ tone, printed }) => ({ film: tone, printed: limited(printed) })),
      ladders: readLadders(ladder, ink),
    })),
  };
}

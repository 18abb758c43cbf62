import { coverageTable } from '../raster/coverage-table.ts';
import { percentToCoverage, SOLID } from '../raster/plane.ts';
import type { Thresholds } from './thresholds.ts';

/**
 * The smallest dot that holds and the largest that stays open, in percent. A tone below the smallest dot is made as it,
 * or left bare when it asks for less than half of it; a tone above the largest dot, solids included, is made as it.
 */
export interface DotLimits {
  readonly smallest: number;
  readonly largest: number;
}

/** The coverage (0–65535) that a coverage is made as. */
export function limitCoverage(limits: DotLimits, coverage: number): number {
  const smallest = percentToCoverage(limits.smallest);
  const largest = percentToCoverage(limits.largest);
  if (coverage < smallest) return Math.min(largest, 2 * coverage < smallest ? 0 : smallest);
  return Math.min(largest, coverage);
}

/**
 * The same limits worked into an array of thresholds, so that comparing needs no further step: coverage > new threshold
 * exactly where limitCoverage(coverage) > old threshold.
 */
export function limitData(data: Uint16Array, limits: DotLimits): Uint16Array {
  const smallest = percentToCoverage(limits.smallest);
  const largest = percentToCoverage(limits.largest);
  if (smallest === 0 && largest === SOLID) return data;
  const half = Math.ceil(smallest / 2) - 1;
  const limited = new Uint16Array(data.length);
  for (let i = 0; i < data.length; i++) {
    const threshold = data[i];
    limited[i] = threshold >= largest ? SOLID : threshold < smallest ? half : threshold;
  }
  return limited;
}

/** The same for thresholds in a tile. */
export function limitThresholds(thresholds: Thresholds, limits: DotLimits): Thresholds {
  const data = limitData(thresholds.data, limits);
  return data === thresholds.data ? thresholds : { ...thresholds, data };
}

/** What every coverage is made as, or undefined when all of them stay as they are. */
export function limitTable(limits: DotLimits): Uint16Array | undefined {
  if (limits.smallest === 0 && limits.largest === 100) return undefined;
  return coverageTable((coverage) => limitCoverage(limits, coverage));
}

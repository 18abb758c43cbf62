/**
 * One ink's coverage: `data[y * width + x]`, 0 = no ink, 65535 = solid.
 */
export interface Plane {
  readonly width: number;
  readonly height: number;
  readonly data: Uint16Array;
}

/** Full coverage, 100 %. */
export const SOLID = 65535;

/** Coverage, or opacity, from which on something counts as there. */
export const HALF = 32768;

/** A plane of the given size in pixels, bare unless `value` (0–65535) is given. */
export function createPlane(width: number, height: number, value = 0): Plane {
  const data = new Uint16Array(width * height);
  if (value !== 0) data.fill(value);
  return { width, height, data };
}

/** Percent (0–100) to coverage (0–65535). */
export const percentToCoverage = (percent: number): number =>
  Math.round((Math.min(100, Math.max(0, percent)) * SOLID) / 100);

/** Coverage (0–65535) to percent (0–100). */
export const coverageToPercent = (coverage: number): number => (coverage * 100) / SOLID;

import { cache } from '../base/cache.ts';
import { coverageTable } from '../raster/coverage-table.ts';
import { SOLID } from '../raster/plane.ts';
import { monotoneCurve, type CurvePoint } from './curve.ts';

const recentCurves = cache<Uint16Array>('tone curves');

/** A tone curve as 65536 coverages. */
export const curveTable = (curve: readonly CurvePoint[]): Uint16Array =>
  recentCurves(JSON.stringify(curve), () => {
    const map = monotoneCurve(curve);
    return coverageTable((i) =>
      Math.round(Math.min(100, Math.max(0, map((i / SOLID) * 100))) * (SOLID / 100)),
    );
  });

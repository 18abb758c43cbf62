import { limitThresholds, type DotLimits } from './dot-limits.ts';
import type { PlaceScreener } from './kinds/kind.ts';
import { screenPlane } from './screen-plane.ts';
import type { Thresholds } from './thresholds.ts';

/** A screen made of one tile of thresholds. */
export function tiled(thresholds: Thresholds, limits: DotLimits): PlaceScreener {
  const limited = limitThresholds(thresholds, limits);
  return {
    sequential: false,
    margin: 0,
    thresholds: limited,
    screen: (coverage, { x, y }) => screenPlane(coverage, x, y, limited),
  };
}

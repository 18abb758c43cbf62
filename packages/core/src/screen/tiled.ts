import type { PlaceScreener } from './kinds/kind.ts';
import { screenPlane } from './screen-plane.ts';
import type { Thresholds } from './thresholds.ts';
import { foldThresholds, type Transfer } from './transfer.ts';

/** A screen made of one tile of thresholds, with a transfer folded in. */
export function tiled(tile: Thresholds, transfer: Transfer): PlaceScreener {
  const thresholds = { ...tile, data: foldThresholds(tile.data, transfer) };
  return {
    sequential: false,
    margin: 0,
    thresholds,
    screen: (coverage, { x, y }) => screenPlane(coverage, x, y, thresholds),
  };
}

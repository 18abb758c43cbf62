import { tileOf } from '../tile.ts';
import type { Thresholds } from '../thresholds.ts';
import { BLUE_NOISE } from './blue-noise.ts';

declare function atob(text: string): string;

let tile: Thresholds | undefined;

/** The tile of blue noise that ships. */
export function blueTile(): Thresholds {
  if (!tile) {
    const bytes = Uint8Array.from(atob(BLUE_NOISE.order), (letter) => letter.charCodeAt(0));
    const order = Uint16Array.from(
      { length: bytes.length / 2 },
      (_, i) => bytes[2 * i] | (bytes[2 * i + 1] << 8),
    );
    tile = tileOf(BLUE_NOISE.side, BLUE_NOISE.side, order);
  }
  return tile;
}

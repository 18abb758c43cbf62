import { toneRows, type ToneSource } from './tone-rows.ts';
import type { Tone } from './tone.ts';

/**
 * Shares of pixels (summing to 1) in equal bins of coverage, from bare to solid, over the cropped part of a source.
 * Transparent pixels count too.
 *
 * @param crop in shares of the source's width and height
 */
export function toneHistogram(
  source: ToneSource,
  crop: { x: number; y: number; width: number; height: number },
  tone: Tone,
  bins = 64,
): number[] {
  const rows = toneRows(source, tone);
  const x = Math.floor(crop.x * rows.width);
  const y = Math.floor(crop.y * rows.height);
  const width = Math.max(1, Math.min(rows.width - x, Math.round(crop.width * rows.width)));
  const height = Math.max(1, Math.min(rows.height - y, Math.round(crop.height * rows.height)));
  const counts = new Array<number>(bins).fill(0);
  for (let j = 0; j < height; j++) {
    const row = rows.row(y + j);
    for (let i = x; i < x + width; i++) counts[Math.min(bins - 1, Math.floor((row[i] * bins) / 65535))]++;
  }
  return counts.map((count) => count / (width * height));
}

import type { Picture } from '../raster/picture.ts';
import { greyCoverage } from './grey.ts';
import { toneTable, type Tone, type ToneStage } from './tone-table.ts';

/**
 * Shares of pixels (summing to 1) in equal bins of coverage, from bare to solid, over the cropped part of a picture.
 * Transparent pixels count too.
 *
 * @param crop in shares of the picture's width and height
 */
export function toneHistogram(
  picture: Picture,
  crop: { x: number; y: number; width: number; height: number },
  tone: Tone,
  stage: ToneStage,
  bins = 64,
): number[] {
  const x = Math.floor(crop.x * picture.width);
  const y = Math.floor(crop.y * picture.height);
  const region = {
    x,
    y,
    width: Math.max(1, Math.min(picture.width - x, Math.round(crop.width * picture.width))),
    height: Math.max(1, Math.min(picture.height - y, Math.round(crop.height * picture.height))),
  };
  const { data } = greyCoverage(picture, tone.weights, toneTable(tone, stage), region);
  const counts = new Array<number>(bins).fill(0);
  for (let i = 0; i < data.length; i++) counts[Math.min(bins - 1, Math.floor((data[i] * bins) / 65535))]++;
  return counts.map((count) => count / data.length);
}

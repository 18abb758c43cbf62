import type { Picture } from '../raster/picture.ts';
import { toneHistogram } from './histogram.ts';
import { levelEnds } from './level-ends.ts';
import { pictureSource } from './picture-source.ts';
import { NO_TONE } from './tone.ts';

/** Percent of a picture's pixels that may become bare, and as many solid. */
const CLIPPED = 0.4;
/** What is dark or light all over stays so: ends move in so far at most, percent. */
const MOST_BARE = 30;
const LEAST_SOLID = 62;

/** Tones between which nearly all of a picture lies, percent: what levels begin with where nobody set them. */
export function pictureEnds(picture: Picture): { bare: number; solid: number } {
  const all = { x: 0, y: 0, width: 1, height: 1 };
  const { bare, solid } = levelEnds(toneHistogram(pictureSource(picture, 1, 72), all, NO_TONE, 256), CLIPPED);
  return { bare: Math.min(MOST_BARE, bare), solid: Math.max(LEAST_SOLID, solid) };
}

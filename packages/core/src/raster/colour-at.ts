import { present } from '../base/present.ts';
import { fullSample } from './picture.ts';
import { chooseLevel, type Pyramid } from './pyramid.ts';

/** Pixels across a picture that a colour is picked from: fine enough to aim, coarse enough not to hit noise. */
const ACROSS = 1500;

/** Colour of a picture at a place in shares of its width and height, `#rrggbb`: the mean of 3 × 3 pixels. */
export function colourAt(pyramid: Pyramid, place: { x: number; y: number }): string {
  const picture = present(
    pyramid.levels[chooseLevel(pyramid, pyramid.width / ACROSS)],
    'level of the picture',
  );
  const { width, height, channels, data } = picture;
  const column = Math.floor(Math.min(0.999999, Math.max(0, place.x)) * width);
  const row = Math.floor(Math.min(0.999999, Math.max(0, place.y)) * height);
  const sums = [0, 0, 0];
  let count = 0;
  for (let y = Math.max(0, row - 1); y <= Math.min(height - 1, row + 1); y++) {
    for (let x = Math.max(0, column - 1); x <= Math.min(width - 1, column + 1); x++, count++) {
      for (let k = 0; k < 3; k++) sums[k] += data[(y * width + x) * channels + (channels < 3 ? 0 : k)];
    }
  }
  const scale = 255 / fullSample(picture) / count;
  return `#${sums
    .map((sum) =>
      Math.round(sum * scale)
        .toString(16)
        .padStart(2, '0'),
    )
    .join('')}`;
}

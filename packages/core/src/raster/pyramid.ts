import { createLike, hasAlpha, type Allocate, type Picture } from './picture.ts';

/**
 * A picture at full size (level 0) and at every half of it: pixel (x, y) of level n is the mean of the four
 * pixels (2x, 2y) … (2x + 1, 2y + 1) of level n − 1. Levels that are not at hand yet are missing from the
 * front (`levels[0]` undefined while only a small one has arrived).
 */
export interface Pyramid {
  /** Size of level 0 in pixels. */
  readonly width: number;
  readonly height: number;
  readonly levels: readonly (Picture | undefined)[];
}

/** Edge length in pixels below which no further level is made. */
const SMALLEST_EDGE = 64;

/** Number of levels a picture of this size has. */
export function levelCount(width: number, height: number): number {
  let count = 1;
  for (let edge = Math.min(width, height); edge >= 2 * SMALLEST_EDGE; edge = Math.ceil(edge / 2)) count++;
  return count;
}

/** The mean of each 2 × 2 block; a last odd row or column stands for itself. Colours weigh by their alpha. */
export function halve(picture: Picture, allocate?: Allocate): Picture {
  const { width, height } = picture;
  const out = createLike(picture, (width + 1) >> 1, (height + 1) >> 1, allocate);
  (hasAlpha(picture) ? weighedHalves : plainHalves)(picture, out);
  return out;
}

function plainHalves({ width, height, channels, data }: Picture, { data: out }: Picture): void {
  const length = width * channels;
  const odd = width & 1 ? channels : 0;
  let at = 0;
  for (let y = 0; y < height; y += 2) {
    const above = data.subarray(y * length, (y + 1) * length);
    const below = y + 1 < height ? data.subarray((y + 1) * length, (y + 2) * length) : above;
    const mean = (i: number) => (above[i] + above[i + channels] + below[i] + below[i + channels] + 2) >> 2;
    let i = 0;
    // Colours are the usual case, and take half the time without a loop of their own.
    if (channels === 3) {
      for (; i + 6 <= length; i += 6) {
        out[at++] = mean(i);
        out[at++] = mean(i + 1);
        out[at++] = mean(i + 2);
      }
    }
    for (; i + odd < length; i += channels) for (const end = i + channels; i < end; i++) out[at++] = mean(i);
    for (; i < length; i++) out[at++] = (above[i] + below[i] + 1) >> 1;
  }
}

function weighedHalves({ width, height, channels, data }: Picture, out: Picture): void {
  const alpha = channels - 1;
  let at = 0;
  for (let y = 0; y < out.height; y++) {
    const above = 2 * y * width;
    const below = Math.min(2 * y + 1, height - 1) * width;
    for (let x = 0; x < out.width; x++) {
      const left = 2 * x;
      const right = Math.min(2 * x + 1, width - 1);
      const a = (above + left) * channels;
      const b = (above + right) * channels;
      const c = (below + left) * channels;
      const d = (below + right) * channels;
      const wa = data[a + alpha];
      const wb = data[b + alpha];
      const wc = data[c + alpha];
      const wd = data[d + alpha];
      const weight = wa + wb + wc + wd;
      for (let k = 0; k < alpha; k++) {
        const sum = data[a + k] * wa + data[b + k] * wb + data[c + k] * wc + data[d + k] * wd;
        out.data[at++] = weight === 0 ? 0 : Math.round(sum / weight);
      }
      out.data[at++] = (weight + 2) >> 2;
    }
  }
}

/** All levels of a picture, halving from the picture itself down. */
export function buildPyramid(picture: Picture, allocate?: Allocate): Pyramid {
  const levels = [picture];
  for (let n = 1; n < levelCount(picture.width, picture.height); n++) {
    levels.push(halve(levels[n - 1], allocate));
  }
  return { width: picture.width, height: picture.height, levels };
}

/**
 * The level to read for a wanted scale (pixels of level 0 for one output pixel): the one whose own pixels are
 * nearest in size to the output's. Falls back to the nearest level at hand.
 *
 * @throws Error where no level has samples
 */
export function chooseLevel(pyramid: Pyramid, pixelsPerOutput: number): number {
  const count = pyramid.levels.length;
  const wanted = Math.min(count - 1, Math.max(0, Math.round(Math.log2(Math.max(1, pixelsPerOutput)))));
  for (let distance = 0; distance < count; distance++) {
    for (const level of [wanted - distance, wanted + distance]) {
      if (level >= 0 && level < count && pyramid.levels[level]) return level;
    }
  }
  throw new Error('The picture has no samples at any size.');
}

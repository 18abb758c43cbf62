import { LUMA_709 } from '../colour/luma.ts';
import { fullSample, type Picture } from '../raster/picture.ts';
import { weightsOf, type HueWeights } from './grey.ts';

/** Pixels that are looked at. */
const LOOKS = 40_000;

/**
 * Weights for red, green and blue along which a picture's colours differ most: the first principal component of their
 * covariance (K. Pearson, 1901), its negative parts left out, adding up to 100 %. Undefined where there is no colour.
 */
export function weightsThatPart(picture: Picture): HueWeights | undefined {
  const { data, channels, width, height } = picture;
  if (channels < 3) return undefined;
  const scale = 1 / fullSample(picture);
  const every = Math.max(1, Math.floor((width * height) / LOOKS));
  const mean = [0, 0, 0];
  const products = new Float64Array(9);
  let count = 0;
  for (let i = 0; i < width * height; i += every) {
    const pixel = [0, 1, 2].map((k) => data[i * channels + k] * scale);
    for (let a = 0; a < 3; a++) {
      mean[a] += pixel[a];
      for (let b = 0; b < 3; b++) products[3 * a + b] += pixel[a] * pixel[b];
    }
    count++;
  }
  const covariance = products.map(
    (sum, i) => sum / count - (mean[i % 3] / count) * (mean[Math.floor(i / 3)] / count),
  );
  let axis: number[] = [...LUMA_709];
  for (let turn = 0; turn < 200; turn++) {
    const next = [0, 1, 2].map((a) => axis.reduce((sum, value, b) => sum + covariance[3 * a + b] * value, 0));
    const length = Math.sqrt(next.reduce((sum, value) => sum + value * value, 0));
    if (length < 1e-9) return undefined;
    axis = next.map((value) => value / length);
  }
  const way = axis.reduce((a, b) => a + b, 0) < 0 ? -1 : 1;
  const kept = axis.map((value) => Math.max(0, value * way));
  const sum = kept.reduce((a, b) => a + b, 0);
  const [red, green] = kept.map((value) => Math.round((value / sum) * 100) / 100);
  return weightsOf(red, green, Math.max(0, Math.round((1 - red - green) * 100) / 100));
}

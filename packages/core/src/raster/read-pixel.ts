import { fullSample, hasAlpha, type Picture } from './picture.ts';

/** Red, green, blue and alpha (0–255) of a picture between its pixels' centres; beyond its edge the outermost repeat. */
export function readPixel(picture: Picture, u: number, v: number, out: Float64Array): void {
  const { channels, data, width, height } = picture;
  const left = Math.floor(u);
  const top = Math.floor(v);
  const scale = 255 / fullSample(picture);
  const alphaAt = hasAlpha(picture) ? channels - 1 : -1;
  let weight = 0;
  out.fill(0);
  for (let k = 0; k < 4; k++) {
    const x = Math.min(width - 1, Math.max(0, left + (k & 1)));
    const y = Math.min(height - 1, Math.max(0, top + (k >> 1)));
    const near = (k & 1 ? u - left : 1 - u + left) * (k >> 1 ? v - top : 1 - v + top);
    const at = (y * width + x) * channels;
    const alpha = alphaAt < 0 ? 1 : (data[at + alphaAt] * scale) / 255;
    // Colours weigh by their alpha, so that clear pixels do not darken an edge.
    for (let c = 0; c < 3; c++) out[c] += data[at + (channels < 3 ? 0 : c)] * scale * near * alpha;
    weight += near * alpha;
  }
  if (weight > 0) for (let c = 0; c < 3; c++) out[c] /= weight;
  out[3] = weight * 255;
}

import { numberOf } from '../base/identity.ts';
import type { Picture } from '../raster/picture.ts';
import { greyCoverage } from './grey.ts';
import type { ToneSource } from './tone-rows.ts';

/** A picture as a source of tones; see `ToneSource` for scale and ppi. */
export const pictureSource = (picture: Picture, scale: number, ppi: number): ToneSource => ({
  key: `picture ${numberOf(picture.data)}`,
  width: picture.width,
  height: picture.height,
  scale,
  ppi,
  picture,
  coverage: (tone, table, region, out) => greyCoverage(picture, tone.grey.weights, table, region, out),
});

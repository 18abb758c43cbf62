import type { Picture } from '../raster/picture.ts';
import { greyCoverage } from './grey.ts';
import type { ToneSource } from './tone-rows.ts';

let pictures = 0;
const numbers = new WeakMap<object, number>();

/** A number of its own for each picture's samples. */
function numberOf(picture: Picture): number {
  let number = numbers.get(picture.data);
  if (number === undefined) numbers.set(picture.data, (number = ++pictures));
  return number;
}

/** A picture as a source of tones; see `ToneSource` for scale and ppi. */
export const pictureSource = (picture: Picture, scale: number, ppi: number): ToneSource => ({
  key: `picture ${numberOf(picture)}`,
  width: picture.width,
  height: picture.height,
  scale,
  ppi,
  picture,
  coverage: (tone, table, region) => greyCoverage(picture, tone.grey.weights, table, region),
});

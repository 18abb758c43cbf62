import { cache } from '../base/cache.ts';
import { numberOf } from '../base/identity.ts';
import { MissingMaterial } from '../base/errors.ts';
import { encode8, linearOf8, srgbToLinear } from '../colour/srgb.ts';
import type { StockPicture } from '../ink/ink.ts';
import { textureAt } from '../ink/texture.ts';
import { chooseLevel, type Pyramid } from '../raster/pyramid.ts';
import { readPixel } from '../raster/read-pixel.ts';
import type { Recipe } from '../recipe/recipe.ts';
import { placeOnSheet } from './place-on-sheet.ts';
import type { SceneView } from './plates-view.ts';

/** Light that a stock's surface leaves of what is printed on it, for each screen pixel: factors of linear red, green and blue. */
export type Surface = readonly [Float32Array, Float32Array, Float32Array];

/** True for a stock whose surface is seen; from afar its texture is not. */
export const hasSurface = ({ stock }: Pick<Recipe, 'stock'>, distance: number): boolean =>
  stock.picture !== undefined || (stock.texture !== 'smooth' && distance === 0);

/** Surfaces of stocks as they are looked at: they stay while screens and inks change. */
const recentSurfaces = cache<Surface>(
  'stock surfaces',
  (planes) => planes[0].byteLength * new Set(planes).size,
);

/**
 * The surface of the stock in some rows of a view.
 *
 * @param perMm    screen pixels a millimetre
 * @param distance m; 0 for as near as one likes
 * @throws MissingMaterial when the stock's picture is not at hand
 */
export function surfaceOf(request: SceneView, perMm: number, distance: number): Surface {
  const { scene, frame, view, rows } = request;
  const { name, texture, textureStrength = 100, picture } = scene.recipe.stock;
  const pyramid = picture && scene.pictures.get(picture.picture);
  if (picture && !pyramid) throw new MissingMaterial('picture', name, picture.picture);
  const [across, down] = [view.width / view.columns, view.height / view.rows];
  const shown = distance === 0 ? texture : 'smooth';
  const key = JSON.stringify([
    shown,
    textureStrength,
    picture,
    pyramid && numberOf(pyramid),
    frame,
    view,
    rows,
  ]);
  return recentSurfaces(key, () => {
    const onSheet = placeOnSheet(request);
    const taken = picture && pyramid ? pictureFactors(picture, pyramid, perMm) : undefined;
    const red = new Float32Array(view.columns * rows.count);
    const [green, blue] = taken ? [red.slice(), red.slice()] : [red, red];
    const factors = new Float64Array(3);
    for (let y = 0, i = 0; y < rows.count; y++) {
      for (let x = 0; x < view.columns; x++, i++) {
        const here = onSheet(view.x + (x + 0.5) * across, view.y + (rows.first + y + 0.5) * down);
        const by = 1 + (textureStrength / 100) * (textureAt(shown, here.x, here.y, perMm) - 1);
        red[i] = by;
        if (!taken) continue;
        taken(here.x, here.y, factors);
        red[i] = by * factors[0];
        green[i] = by * factors[1];
        blue[i] = by * factors[2];
      }
    }
    return [red, green, blue] as const;
  });
}

/** What a stock's picture leaves of light at a place of the sheet in mm: linear red, green and blue. */
function pictureFactors({ width, strength }: StockPicture, pyramid: Pyramid, perMm: number) {
  const level = chooseLevel(pyramid, pyramid.width / (width * perMm));
  const picture = pyramid.levels[level];
  if (!picture) throw new RangeError(`Level ${level} of the picture has no samples.`);
  const perUnit = picture.width / width;
  const pixel = new Float64Array(4);
  const share = strength / 100;
  return (x: number, y: number, out: Float64Array): void => {
    readPixel(picture, mirrored(x * perUnit, picture.width), mirrored(y * perUnit, picture.height), pixel);
    const opaque = share * (pixel[3] / 255);
    for (let k = 0; k < 3; k++) out[k] = 1 - opaque * (1 - srgbToLinear(pixel[k] / 255));
  };
}

/** A place along a row of pictures, every other one mirrored, in pixels from the first one's first centre. */
function mirrored(at: number, length: number): number {
  const turn = ((at % (2 * length)) + 2 * length) % (2 * length);
  return (turn < length ? turn : 2 * length - turn) - 0.5;
}

/** Lays a surface over a picture of 8-bit sRGB. */
export function laySurface(rgba: Uint8ClampedArray, surface: Surface): void {
  for (let i = 0; i < rgba.length; i += 4) {
    for (let k = 0; k < 3; k++) rgba[i + k] = encode8(linearOf8(rgba[i + k]) * surface[k][i >> 2]);
  }
}

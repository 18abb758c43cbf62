import { bands, type Region } from '../raster/region.ts';
import { filmFrame } from '../recipe/frame.ts';
import type { Sheet } from '../recipe/recipe.ts';
import type { Scene } from '../recipe/scene.ts';
import { MM_PER_INCH, mmToPixels } from '../raster/frame.ts';
import type { View } from './plates-view.ts';
import { PLAIN_LOOK, pressProof } from './press-proof.ts';
import { plainStock, transparentProof } from './transparent-proof.ts';

/** A picture of a print that leaves as a file. */
export interface PictureWish {
  /** Pixels per inch of the print. */
  readonly ppi: number;
  /** True without the stock, clear where there is no ink. */
  readonly transparent: boolean;
  /** True with the bleed. */
  readonly bleed: boolean;
}

/** Its size. */
export interface PictureSize {
  readonly columns: number;
  readonly rows: number;
  /** Pixels per inch that it really has. */
  readonly ppi: number;
  /** Its pixels, each way, of one of the film's; undefined where film pixels are smaller. */
  readonly times: number | undefined;
}

/** Size of a picture. Where it has more pixels than the film, each of the film's becomes a square of whole pixels with hard edges. */
export function pictureSize(sheet: Sheet, { ppi, bleed }: Pick<PictureWish, 'ppi' | 'bleed'>): PictureSize {
  const { width, height } = areaOf(sheet, bleed);
  const times = ppi >= sheet.resolution ? Math.max(1, Math.round(ppi / sheet.resolution)) : undefined;
  const own = times ? times * sheet.resolution : ppi;
  const pixels = (film: number) =>
    Math.max(1, times ? Math.round(film) * times : Math.round((film * ppi) / sheet.resolution));
  return { columns: pixels(width), rows: pixels(height), ppi: own, times };
}

/** The part of the film that is shown, in its pixels; whole ones where it is enlarged. */
function areaOf(sheet: Sheet, bleed: boolean): { x: number; y: number; width: number; height: number } {
  const frame = filmFrame({ sheet });
  const edge = bleed ? 0 : Math.round(mmToPixels(sheet.bleed, frame));
  return { x: edge, y: edge, width: frame.width - 2 * edge, height: frame.height - 2 * edge };
}

/** Pixels made at once. */
const BAND_PIXELS = 1 << 21;

/**
 * Makes a picture of the print from top to bottom, a band of rows at a time.
 *
 * @param plates by their places; one alone is seen in its own ink
 * @returns bands of 8-bit sRGB with alpha, and where each lies
 */
export function* picture(
  given: Scene,
  plates: readonly number[],
  wish: PictureWish,
): Generator<{ readonly band: Region; readonly rgba: Uint8ClampedArray<ArrayBuffer> }> {
  const { sheet, stock } = given.recipe;
  const { columns, rows, times } = pictureSize(sheet, wish);
  // Squares with hard edges are in the inks' colours and nothing between.
  const scene = times ? { ...given, recipe: { ...given.recipe, stock: plainStock(stock) } } : given;
  yield* pictureBands(scene, plates, { ...areaOf(sheet, wish.bleed), columns, rows }, wish.transparent);
}

/** The same of any part of the film, as a view shows it. */
export function* pictureBands(
  scene: Scene,
  plates: readonly number[],
  view: View,
  transparent = false,
): Generator<{ readonly band: Region; readonly rgba: Uint8ClampedArray<ArrayBuffer> }> {
  const frame = filmFrame(scene.recipe);
  const { columns, rows } = view;
  const least = Math.max(1, Math.min(rows, Math.floor(BAND_PIXELS / columns)));
  for (const band of bands({ x: 0, y: 0, width: columns, height: rows }, 1, least)) {
    const request = { scene, frame, view, rows: { first: band.y, count: band.height }, plates };
    yield { band, rgba: transparent ? transparentProof(request) : pressProof(request, PLAIN_LOOK).rgba };
  }
}

/** Pixels per inch at which a picture's longer side has so many pixels. */
export const ppiOfPixels = ({ width, height, bleed }: Sheet, withBleed: boolean, pixels: number): number =>
  (pixels * MM_PER_INCH) / (Math.max(width, height) + (withBleed ? 2 * bleed : 0));

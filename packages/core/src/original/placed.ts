import { after, inverse, mapPoint, moved, scaled, type Affine } from '../raster/affine.ts';
import type { Region } from '../raster/region.ts';
import { turnOf } from '../base/turn.ts';
import { MM_PER_INCH, type Frame } from '../raster/frame.ts';
import { gridToSheet } from '../recipe/grid-to-sheet.ts';
import type { Crop, OriginalRecipe } from '../recipe/recipe.ts';
import type { Size } from './content-kind.ts';

/** Effective resolution: pixels of a picture on each inch of the sheet. */
export const effectiveResolution = (crop: Crop, width: number, picture: { width: number }): number =>
  (crop.width * picture.width) / (width / MM_PER_INCH);

/** A turn about (0, 0), degrees anticlockwise as seen with y running down. */
export function turned(degrees: number): Affine {
  const { cos, sin } = turnOf(degrees);
  return { xx: cos, xy: sin, x0: 0, yx: -sin, yy: cos, y0: 0 };
}

/** From the sheet, in mm, to an original's box, as shares of its width and height. */
export function sheetToBox({ placement }: OriginalRecipe, height: number): Affine {
  const { x, y, width, turn, mirrored } = placement;
  const about = after(moved(-x - width / 2, -y - height / 2), turned(-turn));
  return after(after(about, scaled((mirrored ? -1 : 1) / width, 1 / height)), moved(0.5, 0.5));
}

/** The four corners of an original's box on the sheet, in mm, from its own left top on. */
export function boxCorners(original: OriginalRecipe, height: number): { x: number; y: number }[] {
  const toSheet = inverse(sheetToBox(original, height));
  return [mapPoint(toSheet, 0, 0), mapPoint(toSheet, 1, 0), mapPoint(toSheet, 1, 1), mapPoint(toSheet, 0, 1)];
}

/** From an original's box, in shares, to the picture it is cropped from, in pixels. */
export function boxToPicture(crop: Crop, picture: Size): Affine {
  const size = { width: crop.width * picture.width, height: crop.height * picture.height };
  const about = after(after(moved(-0.5, -0.5), scaled(size.width, size.height)), turned(crop.turn));
  return after(
    about,
    moved((crop.x + crop.width / 2) * picture.width, (crop.y + crop.height / 2) * picture.height),
  );
}

/**
 * The pixels of a grid that a box may cover: those whose centres lie in it when it is straight, and all around it when it
 * is turned.
 *
 * @param toBox from pixels to shares of the box
 */
export function regionOf(toBox: Affine): Region {
  const toGrid = inverse(toBox);
  const corners = [
    mapPoint(toGrid, 0, 0),
    mapPoint(toGrid, 1, 0),
    mapPoint(toGrid, 1, 1),
    mapPoint(toGrid, 0, 1),
  ];
  const xs = corners.map(({ x }) => x);
  const ys = corners.map(({ y }) => y);
  // A hair's breadth more or less from the way there and back must not move an edge that falls on a pixel's middle.
  const firstAfter = (value: number) => Math.ceil(value - 0.5 - 1e-6);
  const x = firstAfter(Math.min(...xs));
  const y = firstAfter(Math.min(...ys));
  return { x, y, width: firstAfter(Math.max(...xs)) - x, height: firstAfter(Math.max(...ys)) - y };
}

/** From pixels of a grid to an original's box. */
export const gridToBox = (original: OriginalRecipe, height: number, frame: Frame): Affine =>
  after(gridToSheet(frame), sheetToBox(original, height));

import { after, moved, scaled, type Affine } from '../raster/affine.ts';
import { mmToPixels, type Frame } from '../raster/frame.ts';

/** From pixels of a grid to the sheet, in mm from the trimmed sheet's corner. */
export const gridToSheet = (frame: Frame): Affine =>
  after(scaled(1 / mmToPixels(1, frame)), moved(-frame.bleed, -frame.bleed));

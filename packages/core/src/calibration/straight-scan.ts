import type { Picture } from '../raster/picture.ts';
import { MM_PER_INCH } from '../raster/frame.ts';
import { mapThrough, type Homography } from './homography.ts';
import type { TargetLayout } from './target-layout.ts';

/**
 * The target in a picture, laid straight.
 *
 * @param map from mm of the target to pixels of the picture
 * @param ppi of what is made, pixels an inch
 */
export function straightScan(
  { width, height, channels, data }: Picture,
  map: Homography,
  layout: TargetLayout,
  ppi: number,
): Picture {
  const [columns, rows] = [layout.width, layout.height].map((mm) => Math.round((mm / MM_PER_INCH) * ppi));
  const out = new Uint8Array(columns * rows * 3);
  const shift = data instanceof Uint16Array ? 8 : 0;
  for (let y = 0, to = 0; y < rows; y++) {
    for (let x = 0; x < columns; x++) {
      const at = mapThrough(map, {
        x: ((x + 0.5) / ppi) * MM_PER_INCH,
        y: ((y + 0.5) / ppi) * MM_PER_INCH,
      });
      const [u, v] = [Math.floor(at.x), Math.floor(at.y)];
      const from = u >= 0 && v >= 0 && u < width && v < height ? (v * width + u) * channels : -1;
      for (let c = 0; c < 3; c++, to++) out[to] = from < 0 ? 0 : data[from + (channels < 3 ? 0 : c)] >> shift;
    }
  }
  return { width: columns, height: rows, channels: 3, data: out };
}

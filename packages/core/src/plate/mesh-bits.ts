import type { Mesh } from '../press/press.ts';
import { markShare } from '../press/thread-mark.ts';
import type { Bits } from '../raster/bits.ts';
import { MM_PER_INCH, type Frame } from '../raster/frame.ts';
import type { Region } from '../raster/region.ts';

/**
 * Takes away the ink where a mesh's threads leave bare marks, pixel by pixel by their middles. The threads' lattice begins at the sheet's corner.
 *
 * @param bits of the region; changed
 */
export function knockOutThreads(bits: Bits, mesh: Mesh, frame: Frame, region: Region): void {
  const { count, angle } = mesh;
  const { data, stride, width, height } = bits;
  const turn = (angle * Math.PI) / 180;
  // Threads to a pixel, along the mesh's two directions.
  const perPixel = (MM_PER_INCH / frame.resolution) * (count / 10);
  const [cos, sin] = [perPixel * Math.cos(turn), perPixel * Math.sin(turn)];
  const share = markShare(mesh);
  for (let y = 0; y < height; y++) {
    const across = region.x + 0.5;
    const down = region.y + y + 0.5;
    const u0 = across * cos - down * sin;
    const v0 = across * sin + down * cos;
    for (let byte = 0; byte < stride; byte++) {
      const at = y * stride + byte;
      if (data[at] === 0) continue;
      let open = 0;
      for (let k = 0, x = 8 * byte; k < 8 && x < width; k++, x++) {
        const u = u0 + x * cos;
        const v = v0 + x * sin;
        if (u - Math.floor(u) >= share && v - Math.floor(v) >= share) open |= 0x80 >> k;
      }
      data[at] &= open;
    }
  }
}

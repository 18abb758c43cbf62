import { Resvg } from '@resvg/resvg-js';
import { frameOf } from '../recipe/frame.ts';
import { originalPixels } from '../original/original-pixels.ts';
import type { Scene } from '../recipe/scene.ts';
import { buildPyramid } from '../raster/pyramid.ts';
import type { Picture } from '../raster/picture.ts';
import { greyPicture, sceneOf } from '../testing.ts';
import type { ColourDots } from '../recipe/colour-dots.ts';
import { colourDotsSvg } from './colour-dots-svg.ts';

const SIDE = 24;
const DOTS: ColourDots = {
  spot: 'round',
  motif: 'M0 0 L1 0 L1 1 L0 1 Z',
  aspect: 0.72,
  // Cells of 2 mm, from the sheet's corner.
  ruling: 12.7,
  angle: 0,
  size: 60,
  by: 'even',
  coarse: 1,
};

/** Red at the left, blue at the right, darker towards the foot. */
const picture: Picture = (() => {
  const data = new Uint8Array(240 * 240 * 3);
  for (let y = 0; y < 240; y++) {
    for (let x = 0; x < 240; x++) {
      const light = 255 - y / 2;
      data.set(x < 120 ? [light, 20, 10] : [10, 20, light], (y * 240 + x) * 3);
    }
  }
  return { width: 240, height: 240, channels: 3, data };
})();

function sceneWith(dots: Partial<ColourDots>): Scene {
  const scene = sceneOf(
    greyPicture(8, 8, () => 0),
    { width: SIDE, height: SIDE, resolution: 300 },
  );
  const [original] = scene.recipe.originals;
  const recipe = { ...scene.recipe, originals: [{ ...original, colourDots: { ...DOTS, ...dots } }] };
  return { ...scene, recipe, pictures: new Map([['picture', buildPyramid(picture)]]) };
}

/** The dots at 10 pixels to the millimetre: 20 to a cell. */
function pixels(scene: Scene, fine = 3) {
  const frame = frameOf(scene.recipe.sheet, 254);
  const region = { x: 0, y: 0, width: frame.width, height: frame.height };
  const rgba = originalPixels(scene.recipe.originals[0], scene, frame, region, fine);
  return {
    width: frame.width,
    rgba,
    at: (x: number, y: number) => [
      ...rgba.subarray((y * frame.width + x) * 4, (y * frame.width + x) * 4 + 4),
    ],
  };
}

describe('colour dots', () => {
  it('each have the one colour found under their middle, and cover what they are asked to', () => {
    const { width, rgba, at } = pixels(sceneWith({}));
    expect(width).toBe(240);
    const alphas = rgba.filter((_, i) => i % 4 === 3);
    expect(alphas.reduce((a, b) => a + b, 0) / 255 / alphas.length).toBeCloseTo(0.6, 2);
    for (let j = 0; j < 12; j++) {
      for (let i = 0; i < 12; i++) {
        const middle = at(20 * i + 10, 20 * j + 10);
        const light = 255 - (20 * j + 10) / 2;
        const wanted = i < 6 ? [light, 20, 10] : [10, 20, light];
        wanted.forEach((value, k) => expect(Math.abs(middle[k] - value)).toBeLessThan(4));
        expect(middle[3]).toBe(255);
        // All of a dot is alike, and its corners are clear.
        expect(at(20 * i + 14, 20 * j + 13)).toEqual(middle);
        expect(at(20 * i, 20 * j)[3]).toBe(0);
      }
    }
  });
  it('grow with the tone, where they are told to', () => {
    const { rgba } = pixels(sceneWith({ by: 'tone', size: 100 }));
    const covered = (from: number, to: number) => {
      let sum = 0;
      for (let i = from * 240; i < to * 240; i++) sum += rgba[i * 4 + 3] / 255 / ((to - from) * 240);
      return sum;
    };
    expect(covered(200, 240)).toBeGreaterThan(covered(0, 40) + 0.05);
  });
  it('share a colour over as many cells as asked', () => {
    const { at } = pixels(sceneWith({ coarse: 3 }));
    const colours = new Set<string>();
    for (let j = 0; j < 12; j++)
      for (let i = 0; i < 12; i++) colours.add(at(20 * i + 10, 20 * j + 10).join());
    expect(colours.size).toBeLessThanOrEqual(16);
    expect(at(10, 10)).toEqual(at(50, 50));
    expect(at(10, 10)).not.toEqual(at(10, 70));
  });
  it.each<Partial<ColourDots>>([{}, { spot: 'ellipse', angle: 30, size: 45 }, { spot: 'motif', by: 'tone' }])(
    'as geometry are what they are as a picture: %p',
    (dots) => {
      const scene = sceneWith(dots);
      const shown = pixels(scene, 4);
      const svg = colourDotsSvg(scene.recipe.originals[0], scene.recipe.originals[0].colourDots!, scene);
      const drawn = new Resvg(svg, { fitTo: { mode: 'width', value: 240 } }).render();
      expect([drawn.width, drawn.height]).toEqual([240, 240]);
      const made = drawn.pixels;
      let off = 0;
      // Away from the edges, where whole dots go over the side or stay away.
      for (let y = 40; y < 200; y++) {
        for (let x = 40; x < 200; x++) {
          const i = (y * 240 + x) * 4;
          // Both laid on white.
          for (let k = 0; k < 3; k++) {
            const on = (data: ArrayLike<number>) => 255 - ((255 - data[i + k]) * data[i + 3]) / 255;
            // resvg gives colours that alpha is already in.
            const theirs = made[i + k] + 255 - made[i + 3];
            off += Math.abs(on(shown.rgba) - theirs) / (160 * 160 * 3);
          }
        }
      }
      expect(off).toBeLessThan(6);
      expect(svg).not.toMatch(/<rect|white|#ffffff/);
    },
  );
});

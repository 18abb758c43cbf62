import { blend } from 'culori';
import sharp from 'sharp';
import { SOLID, type Plane } from '../../raster/plane.ts';
import { bitsFrom, dotScreen } from '../../testing.ts';
import { BLENDS, type Blend } from '../../colour/blend.ts';
import type { Mix } from '../../recipe/mix.ts';
import { mixed, mixPlane } from './mix.ts';

const screen = dotScreen({ ruling: 20 });
const mixOf = (name: Blend, strength: number): Mix => ({ screen, blend: name, strength });

describe('blends', () => {
  it.each(['normal', 'multiply', 'screen', 'soft-light'] as const)(
    '%s is what another library makes of W3C’s formula',
    (name) => {
      for (let b = 0; b <= 20; b++) {
        for (let s = 0; s <= 20; s++) {
          const [backdrop, source] = [b / 20, s / 20].map((v) => ({
            mode: 'rgb' as const,
            r: v,
            g: v,
            b: v,
          }));
          const { r } = blend([backdrop, source], name);
          expect(BLENDS[name](b / 20, s / 20)).toBeCloseTo(r, 9);
        }
      }
    },
  );
  it.each(['multiply', 'screen', 'overlay', 'soft-light'] as const)(
    '%s is what libvips makes of it, to a step of 8 bits',
    async (name) => {
      const pixels = (of: (x: number, y: number) => number) => {
        const data = Uint8Array.from({ length: 52 * 52 * 3 }, (_, i) =>
          of(Math.floor(i / 3) % 52, Math.floor(i / 156)),
        );
        return { input: Buffer.from(data), raw: { width: 52, height: 52, channels: 3 as const } };
      };
      const backdrop = pixels((x) => x * 5);
      const source = pixels((_, y) => y * 5);
      const made = await sharp(backdrop.input, { raw: backdrop.raw })
        .composite([{ ...source, blend: name }])
        .removeAlpha()
        .raw()
        .toBuffer();
      let worst = 0;
      for (let y = 0; y < 52; y++) {
        for (let x = 0; x < 52; x++) {
          const want = BLENDS[name]((x * 5) / 255, (y * 5) / 255) * 255;
          worst = Math.max(worst, Math.abs(made[(y * 52 + x) * 3] - want));
        }
      }
      expect(worst).toBeLessThan(1.1);
    },
  );
  it('of a dot and of the bare place between, by the specification’s formulas worked out by hand', () => {
    // Soft light, Cs = 0: B = Cb − Cb(1 − Cb) = Cb². Cs = 1: B = D(Cb) = √Cb above a quarter.
    expect(mixed(mixOf('soft-light', 100), 0.6, true)).toBeCloseTo(0.36, 12);
    expect(mixed(mixOf('soft-light', 100), 0.49, false)).toBeCloseTo(0.7, 12);
    // Overlay, Cs = 0: nothing below one half, 2Cb − 1 above; half strength is half the way.
    expect(mixed(mixOf('overlay', 100), 0.8, true)).toBeCloseTo(0.6, 12);
    expect(mixed(mixOf('overlay', 50), 0.8, true)).toBeCloseTo(0.7, 12);
    expect(mixed(mixOf('multiply', 30), 0.5, true)).toBeCloseTo(0.35, 12);
  });
});

describe('a mix', () => {
  const tone: Plane = { width: 4, height: 1, data: Uint16Array.of(0, 20000, 40000, SOLID) };
  const dots = bitsFrom(4, 1, (x) => x % 2 === 0);
  it('at no strength leaves the tones as they are', () => {
    expect([...mixPlane(tone, dots, mixOf('multiply', 0)).data]).toEqual([...tone.data]);
  });
  it('at full strength, normal, is the dots alone', () => {
    expect([...mixPlane(tone, dots, mixOf('normal', 100)).data]).toEqual([SOLID, 0, SOLID, 0]);
  });
});

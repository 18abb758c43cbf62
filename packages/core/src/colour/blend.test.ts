import { blend } from 'culori';
import sharp from 'sharp';
import { BLENDS, blendOf, type Blend } from './blend.ts';

const NAMES = Object.keys(BLENDS) as Blend[];

// The library has these two the other way round, against the specification.
it.each(NAMES.filter((name) => name !== 'hard-light' && name !== 'overlay'))(
  '%s is what another library makes of W3C’s formula',
  (name) => {
    for (let b = 0; b <= 20; b++) {
      for (let s = 0; s <= 20; s++) {
        const [backdrop, source] = [b / 20, s / 20].map((v) => ({ mode: 'rgb' as const, r: v, g: v, b: v }));
        const { r } = blend([backdrop, source], name);
        expect(BLENDS[name](b / 20, s / 20)).toBeCloseTo(r, 9);
      }
    }
  },
);

it.each(NAMES)('%s is what libvips makes of it, to a step of 8 bits', async (name) => {
  const pixels = (of: (x: number, y: number) => number) => {
    const data = Uint8Array.from({ length: 52 * 52 * 3 }, (_, i) =>
      of(Math.floor(i / 3) % 52, Math.floor(i / 156)),
    );
    return { input: Buffer.from(data), raw: { width: 52, height: 52, channels: 3 as const } };
  };
  const backdrop = pixels((x) => x * 5);
  const source = pixels((_, y) => y * 5);
  const known = { normal: 'over', 'color-dodge': 'colour-dodge', 'color-burn': 'colour-burn' } as const;
  const made = await sharp(backdrop.input, { raw: backdrop.raw })
    .composite([{ ...source, blend: name in known ? known[name as keyof typeof known] : (name as 'screen') }])
    .removeAlpha()
    .raw()
    .toBuffer();
  let worst = 0;
  for (let y = 0; y < 52; y++) {
    for (let x = 0; x < 52; x++) {
      // Readers differ in a dodge of nothing by white, and a burn of white by nothing; so do drafts of the specification.
      if (name.startsWith('color') && (x === 0 || x === 51) && (y === 0 || y === 51)) continue;
      const want = BLENDS[name]((x * 5) / 255, (y * 5) / 255) * 255;
      worst = Math.max(worst, Math.abs(made[(y * 52 + x) * 3] - want));
    }
  }
  expect(worst).toBeLessThan(1.1);
});

describe('blends of colours as a whole, by the specification’s pseudocode worked by hand', () => {
  // Lum(C) = 0.3 R + 0.59 G + 0.11 B; Sat(C) = max − min (section 9.2).
  const backdrop = [0.8, 0.4, 0.2] as const;
  const source = [0.1, 0.5, 0.9] as const;
  // Lum(backdrop) = 0.24 + 0.236 + 0.022 = 0.498; Sat = 0.6. Lum(source) = 0.03 + 0.295 + 0.099 = 0.424; Sat = 0.8.
  it.each([
    // SetSat(source, 0.6) = (0, 0.3, 0.6), of Lum 0.243; 0.255 more each.
    ['hue', [0.255, 0.555, 0.855]],
    // SetSat(backdrop, 0.8) = (0.8, 0.2667, 0), of Lum 0.39733; 0.10067 more each.
    ['saturation', [0.900667, 0.367333, 0.100667]],
    // The source with 0.074 more each.
    ['color', [0.174, 0.574, 0.974]],
    // The backdrop with 0.074 less each.
    ['luminosity', [0.726, 0.326, 0.126]],
  ] as const)('%s', (name, want) => {
    blendOf(name)(backdrop, source).forEach((one, k) => expect(one).toBeCloseTo(want[k], 5));
  });
  it('colours beyond an end are brought back at the same luminosity', () => {
    // SetLum((1, 0, 0), 0.8): d = 0.5, (1.5, 0.5, 0.5), Lum 0.8; ClipColor: 0.8 + (c − 0.8) · 0.2 ⁄ 0.7.
    blendOf('color')([0.8, 0.8, 0.8], [1, 0, 0]).forEach((one, k) =>
      expect(one).toBeCloseTo([1, 0.714286, 0.714286][k], 5),
    );
  });
});

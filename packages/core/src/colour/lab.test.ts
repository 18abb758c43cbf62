import { converter } from 'culori';
import { linearToLab, quickLab } from './lab.ts';
import { encode8, linearOf8, linearToSrgb } from './srgb.ts';

/** An independent general-purpose colour library's Lab under D50. */
const reference = converter('lab');

describe('Lab', () => {
  it('is what another library makes of the same colours', () => {
    for (let i = 0; i < 500; i++) {
      const [r, g, b] = [(i * 37) % 256, (i * 91 + 17) % 256, (i * 151 + 80) % 256];
      const want = reference({ mode: 'rgb', r: r / 255, g: g / 255, b: b / 255 });
      const made = linearToLab(linearOf8(r), linearOf8(g), linearOf8(b));
      [want.l, want.a, want.b].forEach((value, k) => expect(Math.abs(made[k] - value)).toBeLessThan(0.01));
    }
  });
  it('through its table is within 0.1', () => {
    const out = new Float64Array(3);
    let worst = 0;
    for (let i = 0; i < 2000; i++) {
      const rgb = [(i * 37) % 256, (i * 91 + 17) % 256, (i * 151 + 80) % 256].map(linearOf8);
      const want = linearToLab(rgb[0], rgb[1], rgb[2]);
      quickLab(rgb[0], rgb[1], rgb[2], out);
      for (let k = 0; k < 3; k++) worst = Math.max(worst, Math.abs(out[k] - want[k]));
    }
    expect(worst).toBeLessThan(0.1);
  });
});

it('light becomes the nearest 8-bit sample, at every one of 65536 steps and beyond both ends', () => {
  const wrong: number[] = [];
  for (let i = 0; i <= 65535; i++) {
    if (encode8(i / 65535) !== Math.round(linearToSrgb(i / 65535) * 255)) wrong.push(i);
  }
  expect(wrong).toEqual([]);
  expect([encode8(-1), encode8(2)]).toEqual([0, 255]);
});

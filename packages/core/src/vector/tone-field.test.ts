import { createPlane } from '../raster/plane.ts';
import { bitsFrom } from '../testing.ts';
import { goOnBeyond } from './tone-field.ts';

/** Two pixels around those inside, each turn a mean of those known before it. */
function byDefinition(
  width: number,
  height: number,
  tones: Uint16Array,
  inside: (x: number, y: number) => boolean,
) {
  let known = new Map<number, number>();
  for (let i = 0; i < width * height; i++) {
    if (inside(i % width, Math.floor(i / width))) known.set(i, tones[i]);
  }
  for (let turn = 0; turn < 2; turn++) {
    const next = new Map(known);
    for (let i = 0; i < width * height; i++) {
      if (known.has(i)) continue;
      const around: number[] = [];
      for (const dy of [-1, 0, 1]) {
        for (const dx of [-1, 0, 1]) {
          const [x, y] = [(i % width) + dx, Math.floor(i / width) + dy];
          const tone = x < 0 || x >= width || y < 0 ? undefined : known.get(y * width + x);
          if (tone !== undefined) around.push(tone);
        }
      }
      if (around.length > 0) next.set(i, Math.round(around.reduce((a, b) => a + b) / around.length));
    }
    known = next;
  }
  return Array.from(tones, (_, i) => known.get(i) ?? tones[i]);
}

// Widths that end within a byte of bits, and at its end.
it.each([
  ['a disc', 45, 40, (x: number, y: number) => Math.hypot(x - 20, y - 19) < 13],
  ['a corner of the sheet', 32, 20, (x: number, y: number) => x < 9 && y < 7],
  ['a single pixel at a byte’s end', 29, 12, (x: number, y: number) => x === 15 && y === 6],
  ['all but a hole', 40, 24, (x: number, y: number) => Math.hypot(x - 21, y - 11) > 5],
  ['nothing', 19, 9, () => false],
])('tones run on two pixels beyond %s, and no farther', (_, width, height, inside) => {
  const tones = createPlane(width, height);
  for (let i = 0; i < tones.data.length; i++) tones.data[i] = (i * 7919) % 32_768;
  const expected = byDefinition(width, height, tones.data, inside);
  goOnBeyond(tones, bitsFrom(width, height, inside));
  expect([...tones.data]).toEqual(expected);
});

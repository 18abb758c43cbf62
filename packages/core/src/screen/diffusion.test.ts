import { STRAIGHT_TRANSFER } from './transfer.ts';
import * as imageQ from 'image-q';
import { bitAt } from '../raster/bits.ts';
import { createPlane, SOLID, type Plane } from '../raster/plane.ts';
import { diffusing } from './diffusion.ts';

const WIDE = 96;
const HIGH = 96;

/** Greys of a slow wave, 8 bits, away from bare and solid. */
const greys = Uint8Array.from({ length: WIDE * HIGH }, (_, i) => {
  const [x, y] = [i % WIDE, Math.floor(i / WIDE)];
  return 128 + 70 * Math.sin(x / 31) * Math.cos(y / 23);
});

const mirrored = (i: number) => i - (i % WIDE) + (WIDE - 1 - (i % WIDE));

/** The same picture as another library diffuses it, row by row there and back; 1 = black. */
function theirs(kernel: imageQ.image.ErrorDiffusionArrayKernel): Uint8Array {
  const rgba = new Uint8Array(WIDE * HIGH * 4);
  // It begins at the right, so it is given the picture's mirror image.
  greys.forEach((grey, i) => rgba.set([grey, grey, grey, 255], mirrored(i) * 4));
  const given = imageQ.utils.PointContainer.fromUint8Array(rgba, WIDE, HIGH);
  const palette = new imageQ.utils.Palette();
  palette.add(imageQ.utils.Point.createByRGBA(0, 0, 0, 255));
  palette.add(imageQ.utils.Point.createByRGBA(255, 255, 255, 255));
  const diffusion = new imageQ.image.ErrorDiffusionArray(
    new imageQ.distance.Euclidean(),
    kernel,
    true,
    0,
    true,
  );
  const out = [...diffusion.quantize(given, palette)]
    .map(({ pointContainer }) => pointContainer)
    .find(Boolean)!;
  const points = out.getPointArray();
  return Uint8Array.from(points, (_, i) => (points[mirrored(i)].r === 0 ? 1 : 0));
}

function ours(kernel: 0 | 1 | 2): Uint8Array {
  const coverage: Plane = {
    width: WIDE,
    height: HIGH,
    data: Uint16Array.from(greys, (grey) => (255 - grey) * 257),
  };
  const bits = diffusing({ kernel, feedback: 0 }, STRAIGHT_TRANSFER).start(WIDE, HIGH).rows(coverage);
  return Uint8Array.from({ length: WIDE * HIGH }, (_, i) => bitAt(bits, i % WIDE, Math.floor(i / WIDE)));
}

/** Share of pixels that differ in rows from … to. */
const differing = (a: Uint8Array, b: Uint8Array, from: number, to: number) => {
  let count = 0;
  for (let i = from * WIDE; i < to * WIDE; i++) if (a[i] !== b[i]) count++;
  return count / ((to - from) * WIDE);
};

const KERNELS = [
  ['Floyd & Steinberg', 0, imageQ.image.ErrorDiffusionArrayKernel.FloydSteinberg],
  ['Jarvis, Judice & Ninke', 1, imageQ.image.ErrorDiffusionArrayKernel.Jarvis],
  ['Stucki', 2, imageQ.image.ErrorDiffusionArrayKernel.Stucki],
] as const;

describe.each(KERNELS)('the kernel of %s', (_name, kernel, named) => {
  // image-q 4, a general-purpose library. It rounds every sum to 8 bits, so the two part ways after some rows; another
  // kernel parts from it at once.
  it('makes what image-q makes, nearly pixel for pixel, and no other of its kernels does', () => {
    const made = ours(kernel);
    expect(differing(made, theirs(named), 0, 4)).toBeLessThan(0.07);
    for (const [, , other] of KERNELS) {
      if (other !== named) expect(differing(made, theirs(other), 0, 4)).toBeGreaterThan(0.15);
    }
  });
  it('goes on from band to band as if there were none', () => {
    const screener = diffusing({ kernel, feedback: 0 }, STRAIGHT_TRANSFER);
    const tone = (rows: number) => createPlane(WIDE, rows, Math.round(SOLID * 0.37));
    const whole = screener.start(WIDE, 60).rows(tone(60));
    const parts = screener.start(WIDE, 60);
    const bands = [7, 1, 20, 32].map((rows) => parts.rows(tone(rows)).data);
    expect(Buffer.concat(bands)).toEqual(Buffer.from(whole.data));
  });
});

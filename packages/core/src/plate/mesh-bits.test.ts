import { openShare } from '../press/thread-mark.ts';
import { countInk } from '../raster/bits.ts';
import { asPrinted, asPrintedThroughMesh } from '../recipe/as-printed.ts';
import { filmFrame } from '../recipe/frame.ts';
import { newScreen } from '../screen/screen.ts';
import { sceneOf, TEST_PRESS } from '../testing.ts';
import { plateBits } from './evaluate.ts';

const mesh = { count: 43, angle: 7, thread: 80 };

/** Share of ink of a flat grey, printed plainly or with the marks of the mesh. */
function inked(grey: number, kind: string, throughMesh: boolean): number {
  const scene = sceneOf(
    { width: 4, height: 4, channels: 1, data: new Uint8Array(16).fill(grey) },
    { width: 20, height: 20, resolution: 1200 },
    newScreen(kind, kind === 'diffused' ? { spot: 0.12 } : {}),
  );
  const press = { id: 'test', press: { ...TEST_PRESS, kind: 'screen' as const, mesh }, compensates: true };
  const films = { ...scene.recipe, press };
  const recipe = (throughMesh ? asPrintedThroughMesh : asPrinted)(films);
  const frame = filmFrame(recipe);
  const bits = plateBits({ ...scene, recipe }, 0, frame, {
    x: 0,
    y: 0,
    width: frame.width,
    height: frame.height,
  });
  return countInk(bits) / (frame.width * frame.height);
}

describe('the marks of a mesh', () => {
  it('leave of a solid what lies between threads', () => {
    expect(inked(0, 'dots', true)).toBeCloseTo(openShare(mesh), 2);
  });
  it.each(['dots', 'diffused'])('keep the tones of %s: a gain is measured on prints', (kind) => {
    for (const grey of [90, 150, 210])
      expect(Math.abs(inked(grey, kind, true) - inked(grey, kind, false))).toBeLessThan(0.015);
  });
});

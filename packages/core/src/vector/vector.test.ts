import { Resvg } from '@resvg/resvg-js';
import { filmFrame } from '../plate/frame.ts';
import { plateBits } from '../plate/evaluate.ts';
import type { Scene } from '../plate/scene.ts';
import { bitAt } from '../raster/bits.ts';
import { newScreen, type Screen } from '../screen/screen.ts';
import { SPOTS } from '../screen/spot/index.ts';
import { greyPicture, sceneOf } from '../testing.ts';
import { cellShapeOf } from './cell-shapes.ts';
import { areaOf } from './piece.ts';
import { plateSvg } from './plate-svg.ts';

const SIDE = 20;
const sheet = { width: SIDE, height: SIDE, resolution: 600 };
const ramp = greyPicture(
  400,
  400,
  (x, y) => 255 - Math.min(255, Math.max(0, (x / 400) * 275 - 10 + 8 * Math.sin(y / 30))),
);
const MOTIF = newScreen('dots').settings.motif as string;

const WIDE = Math.round((SIDE / 25.4) * sheet.resolution);

/** Alpha of a file rasterised by resvg, 0–1, `fine` times as fine as the film: its own edges are not quite true. */
function rasterised(svg: string, fine: number): { width: number; alpha: (x: number, y: number) => number } {
  const { width, pixels } = new Resvg(svg, { fitTo: { mode: 'width', value: WIDE * fine } }).render();
  return { width, alpha: (x, y) => pixels[(y * width + x) * 4 + 3] / 255 };
}

/** Inked shares of squares of 10 mm. */
function shares(width: number, at: (x: number, y: number) => number): number[] {
  const side = Math.floor(width / (SIDE / 10));
  return Array.from({ length: (SIDE / 10) ** 2 }, (_, k) => {
    let sum = 0;
    const [left, top] = [(k % (SIDE / 10)) * side, Math.floor(k / (SIDE / 10)) * side];
    for (let y = 0; y < side; y++) for (let x = 0; x < side; x++) sum += at(left + x, top + y);
    return sum / (side * side);
  });
}

function compare(scene: Scene, smooth = 0): number {
  const frame = filmFrame(scene.recipe);
  const bits = plateBits(scene, 0, frame, { x: 0, y: 0, width: frame.width, height: frame.height });
  const { width, alpha } = rasterised(plateSvg(scene, 0, 'test', smooth).text, 2);
  const film = shares(bits.width, (x, y) =>
    bitAt(bits, Math.min(x, bits.width - 1), Math.min(y, bits.height - 1)),
  );
  const drawn = shares(width, alpha);
  return Math.max(...film.map((share, i) => Math.abs(share - drawn[i])));
}

describe.each(SPOTS.map(({ id }) => id))('the geometry of %s dots', (spot) => {
  const shape = cellShapeOf({ spot, aspect: 0.72, motif: MOTIF })!;
  it('grows from nothing to the whole cell', () => {
    let before = 0;
    for (let k = 1; k <= 40; k++) {
      const area = areaOf(shape.pieces((k / 40) * shape.most));
      expect(area).toBeGreaterThanOrEqual(before - 1e-9);
      before = area;
    }
    expect(areaOf(shape.pieces(shape.most))).toBeCloseTo(1, 6);
    expect(areaOf(shape.pieces(1e-4))).toBeLessThan(0.001);
  });
  it('rasterised by resvg, covers what its film covers within 0.5 % over every 10 mm square', () => {
    const screen = newScreen('dots', { spot, ruling: 25, angle: 22 });
    const scene = sceneOf(ramp, sheet, screen);
    expect(plateSvg(scene, 0, 'test', 0).manner).toBe('dots');
    expect(compare(scene)).toBeLessThanOrEqual(0.005);
  });
});

describe('files', () => {
  it('round dots that stand apart are circles of their very area, one after another, with nothing in between', () => {
    const scene = sceneOf(
      greyPicture(8, 8, () => 255 - 51),
      sheet,
      newScreen('dots', { ruling: 10, angle: 0 }),
    );
    const { text, inked } = plateSvg(scene, 0, 'test', 0);
    const [, d] = / d="([^"]*)"/.exec(text)!;
    expect(d).toMatch(/^(?:[Mm]-?\d+[ -]\d+a\d+ \d+ 0 0 1[ -]\d+[ -]\d+ \d+ \d+ 0 0 1[ -]\d+[ -]\d+z)+$/);
    // From one end of a circle to the other and back: its diameter.
    const [, dx, dy] = /0 0 1([ -]\d+)([ -]\d+)/.exec(d)!;
    const radius = Math.hypot(Number(dx), Number(dy)) / 2 / 1000;
    expect(Math.PI * radius ** 2).toBeCloseTo(0.2 * 2.54 ** 2, 2);
    expect(Math.abs(inked - 0.2)).toBeLessThan(0.01);
    expect(text.match(/<path/g)).toHaveLength(1);
    expect(text).not.toMatch(/white|#fff|<rect/);
    expect(text).toContain('fill-rule="evenodd"');
    expect(text).toContain('width="19.9813mm"');
  });
  it.each<[string, Screen]>([
    ['diffusion', newScreen('diffused', { spot: 0.4 })],
    ['grain', newScreen('grain', { size: 0.15 })],
    ['lines that follow the form', newScreen('lines', { ruling: 12 })],
    ['a threshold', newScreen('threshold')],
  ])('of %s are the very pixels of the film', (_, screen) => {
    const scene = sceneOf(ramp, sheet, screen);
    const frame = filmFrame(scene.recipe);
    const bits = plateBits(scene, 0, frame, { x: 0, y: 0, width: frame.width, height: frame.height });
    const { text, manner } = plateSvg(scene, 0, 'test', 0);
    expect(manner).toBe('outlines');
    const { alpha } = rasterised(text, 1);
    let wrong = 0;
    for (let y = 0; y < bits.height; y++) {
      for (let x = 0; x < bits.width; x++) if (Math.round(alpha(x, y)) !== bitAt(bits, x, y)) wrong++;
    }
    expect(wrong).toBe(0);
  });
  it('smoothed, outlines keep their area and have fewer corners', () => {
    const scene = sceneOf(ramp, sheet, newScreen('grain', { size: 0.2 }));
    expect(compare(scene, 0.6)).toBeLessThanOrEqual(0.005);
    expect(plateSvg(scene, 0, 'test', 0.6).text.length).toBeLessThan(
      plateSvg(scene, 0, 'test', 0).text.length * 0.85,
    );
  });
});

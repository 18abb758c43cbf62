import { packedPoints } from '../tone/stroke-points.ts';
import { STRAIGHT } from '../tone/curve.ts';
import { SOLID } from '../raster/plane.ts';
import { filmFrame } from '../recipe/frame.ts';
import type { PlateRegion } from '../recipe/plate-region.ts';
import type { Scene } from '../recipe/scene.ts';
import { greyPicture, sceneOf } from '../testing.ts';
import { plateCoverage } from './plate-art.ts';

const sheet = { width: 60, height: 40, resolution: 254 };
const flat = (percent: number) => greyPicture(60, 40, () => Math.round(255 * (1 - percent / 100)));
const HERE: PlateRegion = { weight: 0, curve: STRAIGHT, parts: [], strokes: [] };
const left = { by: 'area', mode: 'add', outline: [0, 0, 20, 0, 20, 40, 0, 40], feather: 0 } as const;

function withRegions(scene: Scene, ...regions: PlateRegion[]): Scene {
  const plates = scene.recipe.plates.map((plate) => ({ ...plate, regions }));
  return { ...scene, recipe: { ...scene.recipe, plates } };
}

/** Coverage in percent at a place, mm. */
function at(scene: Scene, x: number, y = 20): number {
  const [coverage] = plateCoverage(scene, 0, filmFrame(scene.recipe), {
    x: Math.round(x * 10),
    y: Math.round(y * 10),
    width: 1,
    height: 1,
  }).data;
  return (100 * coverage) / SOLID;
}

describe('a region of a plate', () => {
  const half = sceneOf(flat(50), sheet);
  const before = at(half, 10);
  it('is heavier by its weight, and the rest stays as it is', () => {
    const scene = withRegions(half, { ...HERE, weight: 40, parts: [left] });
    // a + w · a(1 − a) at one half: 0.5 + 0.4 / 4.
    expect(at(scene, 10)).toBeCloseTo(60, 0);
    expect(at(scene, 30)).toBe(before);
  });
  it('has a curve of its own; solid and bare may move with it', () => {
    const curve = [
      { in: 0, out: 0 },
      { in: 100, out: 70 },
    ];
    const solid = withRegions(sceneOf(flat(100), sheet), { ...HERE, curve, parts: [left] });
    expect(at(solid, 10)).toBeCloseTo(70, 1);
    expect(at(solid, 30)).toBe(100);
  });
  it('is painted too, and painted away again; its soft edge lies between', () => {
    const stroke = (x: number, strength: number) => ({
      points: packedPoints([
        [x / 60, 0.1, 1],
        [x / 60, 0.6, 1],
      ]),
      radius: 10 / 60,
      strength,
      softness: 100,
    });
    const painted = withRegions(half, { ...HERE, weight: -60, strokes: [stroke(30, 100)] });
    expect(at(painted, 30)).toBeCloseTo(35, 0);
    expect(at(painted, 5)).toBe(before);
    expect(at(painted, 35)).toBeGreaterThan(at(painted, 30));
    expect(at(painted, 35)).toBeLessThan(before);
    const away = withRegions(half, { ...HERE, weight: -60, strokes: [stroke(30, 100), stroke(30, -100)] });
    expect(at(away, 30)).toBeCloseTo(before, 1);
  });
  it('counts after those before it, as often as wanted', () => {
    const one = { ...HERE, weight: 40, parts: [left] };
    const twice = withRegions(half, one, one);
    // 0.6 + 0.4 · 0.6 · 0.4.
    expect(at(twice, 10)).toBeCloseTo(69.6, 0);
  });
});

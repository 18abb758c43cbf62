import { packedPoints } from '../../tone/stroke-points.ts';
import { buildPyramid } from '../../raster/pyramid.ts';
import type { Picture } from '../../raster/picture.ts';
import { greyPicture, sceneOf } from '../../testing.ts';
import type { CutOut } from '../../recipe/cut-out.ts';
import { filmFrame } from '../../recipe/frame.ts';
import type { PictureContent } from '../../recipe/recipe.ts';
import { placeOriginal } from '../place-original.ts';
import { cutPlane } from './cut-rows.ts';
import { findCut } from './find-cut.ts';
import { dropSpecks, keepConnected } from './patches.ts';

const base: CutOut = {
  by: 'colour',
  colour: '#ffffff',
  place: { x: 0, y: 0 },
  tolerance: 5,
  connected: false,
  from: 80,
  to: 100,
  specks: 0,
  choke: 0,
  softness: 0,
  strokes: [],
};

/** A dark disc with a white hole, on white that darkens a little to the right. */
const SIDE = 120;
const disc = greyPicture(SIDE, SIDE, (x, y) => {
  const r = Math.hypot(x - 59.5, y - 59.5);
  return r < 12 ? 255 : r < 40 ? 40 : 255 - Math.floor(x / 4);
});
const count = (mask: Uint8Array) => mask.reduce((sum, one) => sum + one, 0);
const kept = (cut: Partial<CutOut>, picture: Picture = disc) =>
  cutPlane(buildPyramid(picture), { ...base, ...cut }, 1).plane;
const share = (plane: { data: Uint16Array }) => plane.data.reduce((sum, one) => sum + one, 0) / 65535;

describe('a cut-out', () => {
  it('by colour takes what is near it everywhere, or only where it is connected', () => {
    const everywhere = findCut(disc, { ...base, tolerance: 30 });
    const connected = findCut(disc, { ...base, tolerance: 30, connected: true });
    expect(everywhere[60 * SIDE + 60]).toBe(1);
    expect(connected[60 * SIDE + 60]).toBe(0);
    expect(connected[0]).toBe(1);
    // The hole is all the difference: π · 12² of 452 pixels.
    expect(count(everywhere) - count(connected)).toBeGreaterThan(420);
    expect(count(everywhere) - count(connected)).toBeLessThan(480);
  });
  it('by a colour that is not where it was picked takes nothing that is connected', () => {
    expect(count(findCut(disc, { ...base, colour: '#ff0000', connected: true }))).toBe(0);
  });
  it('by brightness takes a range of L*', () => {
    const dark = findCut(disc, { ...base, by: 'brightness', from: 0, to: 50 });
    expect(dark[60 * SIDE + 60]).toBe(0);
    expect(dark[60 * SIDE + 80]).toBe(1);
    expect(Math.abs(count(dark) / (Math.PI * (40 ** 2 - 12 ** 2)) - 1)).toBeLessThan(0.02);
  });
  it('from the edges follows a background that changes slowly and stops at a contour', () => {
    const found = findCut(disc, { ...base, by: 'edges', tolerance: 6 });
    expect(found[60 * SIDE + 60]).toBe(0);
    expect(Math.abs(SIDE * SIDE - count(found) - Math.PI * 40 ** 2)).toBeLessThan(60);
    // The same tolerance from one white corner would not reach the darker right: ΔE of 29 greys.
    const byColour = findCut(disc, { ...base, tolerance: 6, connected: true });
    expect(byColour[SIDE - 1]).toBe(0);
    expect(found[SIDE - 1]).toBe(1);
  });
  it('by hand keeps and takes away what is painted, after all else', () => {
    const stroke = (strength: number, at: number) => ({
      points: packedPoints([[at, 0.5, 1]]),
      radius: 0.1,
      strength,
      softness: 0,
    });
    /** What is seen of the disc on a grid of `per` pixels for one of its own. */
    const seen = (cut: Partial<CutOut>, per: number, x: number, y: number) => {
      const scene = sceneOf(disc, { width: SIDE, height: SIDE, resolution: 25.4 * per });
      const [first] = scene.recipe.originals;
      const content = { ...first.content, cut: { ...base, ...cut } } as PictureContent;
      const frame = filmFrame(scene.recipe);
      const placed = placeOriginal({ original: { ...first, content }, materials: scene, frame });
      return placed.mask({ x: x * per, y: y * per, width: 1, height: 1 })?.data[0];
    };
    for (const per of [1, 4]) {
      expect(seen({ by: 'hand', strokes: [stroke(-100, 0.25)] }, per, 30, 60)).toBe(0);
      expect(seen({ by: 'hand', strokes: [stroke(-100, 0.25)] }, per, 90, 60)).toBe(65535);
      expect(seen({ tolerance: 30 }, per, 60, 60)).toBe(0);
      expect(seen({ tolerance: 30, strokes: [stroke(100, 0.5)] }, per, 60, 60)).toBe(65535);
    }
  });
  it('choked, loses just so many pixels of its edge; outwards it gains them', () => {
    const area = (choke: number) => share(kept({ by: 'edges', tolerance: 6, choke }));
    for (const choke of [-3, -1, 1, 2, 4]) {
      expect(
        Math.abs(Math.sqrt(area(choke) / Math.PI) - (Math.sqrt(area(0) / Math.PI) - choke)),
      ).toBeLessThan(0.35);
    }
  });
  it('soft, fades over its width and keeps its area', () => {
    const hard = share(kept({ by: 'edges', tolerance: 6 }));
    const soft = kept({ by: 'edges', tolerance: 6, softness: 10 });
    expect(Math.abs(share(soft) / hard - 1)).toBeLessThan(0.02);
    const row = soft.data.subarray(60 * SIDE, 61 * SIDE);
    const between = [...row.subarray(0, 40)].filter((one) => one > 3000 && one < 62000).length;
    expect(between).toBeGreaterThanOrEqual(8);
    expect(between).toBeLessThanOrEqual(13);
  });
  it('read coarser, is the mean of what it is', () => {
    const pyramid = buildPyramid(disc);
    const { plane, scale } = cutPlane(pyramid, { ...base, by: 'edges', tolerance: 6 }, 4);
    expect([plane.width, plane.height, scale]).toEqual([30, 30, 4]);
    const whole = share(cutPlane(pyramid, { ...base, by: 'edges', tolerance: 6 }, 1).plane);
    expect(Math.abs(share(plane) * 16 - whole)).toBeLessThan(1);
  });
});

describe('patches', () => {
  it('are kept when they hold the seed, by their sides alone', () => {
    // prettier-ignore
    const mask = Uint8Array.of(
      1, 1, 0, 0,
      0, 0, 1, 1,
      1, 1, 1, 0,
    );
    keepConnected(mask, 4, 3, 0);
    expect([...mask]).toEqual([1, 1, 0, 0, 0, 0, 0, 0, 0, 0, 0, 0]);
  });
  it('under a size turn over, islands and holes alike', () => {
    // prettier-ignore
    const mask = Uint8Array.of(
      1, 0, 0, 0, 0,
      0, 0, 1, 1, 1,
      0, 0, 1, 0, 1,
      0, 0, 1, 1, 1,
    );
    dropSpecks(mask, 5, 4, 3);
    // prettier-ignore
    expect([...mask]).toEqual([
      0, 0, 0, 0, 0,
      0, 0, 1, 1, 1,
      0, 0, 1, 1, 1,
      0, 0, 1, 1, 1,
    ]);
  });
});

import { countInk, createBits, placeBits } from '../../raster/bits.ts';
import { filmBits } from '../film-bits.ts';
import { filmLayout } from '../film-layout.ts';
import { NO_WORDS } from '../film-words.ts';
import { newMark, markKind } from '../marks/index.ts';
import { newScreen } from '../../screen/screen.ts';
import { greyPicture, sceneOf } from '../../testing.ts';
import type { Panels } from '../../recipe/panels.ts';
import { panelsOf, stripsOf } from './panel-plan.ts';
import { seamCosts, SEAM_STEP } from './seam-costs.ts';
import { evenSeams, panelCount, quietSeams, seamsCost, seamsFit, type Strip } from './seams.ts';

const STRIPS: Strip[] = [
  { length: 3000, usable: 780, overlap: 20 },
  { length: 420, usable: 190, overlap: 10 },
  { length: 190, usable: 190, overlap: 10 },
  { length: 191, usable: 190, overlap: 10 },
  { length: 1000, usable: 100, overlap: 0 },
  { length: 855, usable: 297, overlap: 18 },
];

it.each(STRIPS)('a strip of $length mm on $usable mm: fewest panels, all alike, none too large', (strip) => {
  const seams = evenSeams(strip);
  const count = panelCount(strip);
  expect(seams).toHaveLength(count - 1);
  expect(seamsFit(strip, seams)).toBe(true);
  // Lengths of panels with their overlaps, and that one panel fewer would not do.
  const edges = [0, ...seams, strip.length];
  const lengths = edges
    .slice(1)
    .map(
      (edge, i) =>
        edge - edges[i] + (i > 0 ? strip.overlap / 2 : 0) + (i < seams.length ? strip.overlap / 2 : 0),
    );
  for (const length of lengths) expect(length).toBeCloseTo(lengths[0], 6);
  expect((count - 1) * strip.usable - Math.max(0, count - 2) * strip.overlap).toBeLessThan(
    strip.length + 1e-6,
  );
});

it('quiet seams cost no more than even ones, fit, and are the best there are', () => {
  const strip: Strip = { length: 100, usable: 45, overlap: 4 };
  let seed = 7;
  for (let round = 0; round < 30; round++) {
    const costs = Float64Array.from(
      { length: 101 },
      () => (seed = (seed * 1103515245 + 12345) % 2 ** 31) / 2 ** 31,
    );
    const quiet = quietSeams(strip, costs, 1);
    expect(seamsFit(strip, quiet)).toBe(true);
    expect(quiet).toHaveLength(2);
    // Against all pairs of places.
    let best = Infinity;
    for (let a = 1; a < 100; a++)
      for (let b = a + 1; b < 100; b++)
        if (seamsFit(strip, [a, b])) best = Math.min(best, costs[a] + costs[b]);
    expect(seamsCost(quiet, costs, 1)).toBeCloseTo(best, 9);
    expect(seamsCost(quiet, costs, 1)).toBeLessThanOrEqual(
      seamsCost(evenSeams(strip).map(Math.round), costs, 1) + 1e-9,
    );
  }
});

const PANELS: Panels = {
  paper: { width: 60, height: 70 },
  margin: 5,
  overlap: 6,
  ruler: 100,
  across: [],
  down: [],
  whole: [],
};

/** A poster with a busy half, and marks. */
function poster(resolution = 300) {
  const scene = sceneOf(
    greyPicture(300, 200, (x, y) => (x > 90 && x < 150 ? (((x >> 2) + (y >> 2)) % 2) * 255 : 128)),
    { width: 150, height: 100, resolution },
    newScreen('dots', { ruling: 20, angle: 30 }),
  );
  const marks = { font: 'label', uses: [newMark(markKind('crop'))] };
  return { ...scene, recipe: { ...scene.recipe, marks } };
}

it('panels together are the film, bit for bit, what they have in common twice', () => {
  const scene = poster();
  const layout = filmLayout(scene.recipe);
  const panels = panelsOf(PANELS, layout);
  expect(panels.length).toBeGreaterThan(5);
  const { width, height } = layout;
  const whole = filmBits(scene, 0, layout, { x: 0, y: 0, width, height }, NO_WORDS);
  const together = createBits(width, height);
  let ink = 0;
  for (const { region } of panels) {
    expect(Math.max(region.width / 300, 0) * 25.4).toBeLessThanOrEqual(50.1);
    const bits = filmBits(scene, 0, layout, region, NO_WORDS);
    placeBits(bits, together, region.x, region.y);
    ink += countInk(bits);
  }
  expect(Buffer.compare(together.data, whole.data)).toBe(0);
  expect(ink).toBeGreaterThan(countInk(whole));
  // At twenty places along seams, what one panel has of the overlap its neighbour has too.
  const row = panels.filter((panel) => panel.row === 0);
  for (let i = 0; i < 20; i++) {
    const [left, right] = [row[i % (row.length - 1)], row[(i % (row.length - 1)) + 1]];
    const common = {
      x: right.region.x,
      y: 11 * i,
      width: left.region.x + left.region.width - right.region.x,
      height: 9,
    };
    expect(common.width).toBeGreaterThan(60);
    const own = (panel: typeof left) =>
      filmBits(scene, 0, layout, { ...panel.region, y: common.y, height: common.height }, NO_WORDS);
    const [a, b] = [own(left), own(right)];
    const at = (bits: typeof a, panel: typeof left, x: number, y: number) => {
      const column = common.x - panel.region.x + x;
      return (bits.data[y * bits.stride + (column >> 3)] >> (7 - (column & 7))) & 1;
    };
    for (let y = 0; y < common.height; y++)
      for (let x = 0; x < common.width; x++) expect(at(a, left, x, y)).toBe(at(b, right, x, y));
  }
});

it('seams keep off what is busy, and off what is to stay whole', () => {
  const scene = poster();
  const layout = filmLayout(scene.recipe);
  const panels = { ...PANELS, paper: { width: 110, height: 200 } };
  const { across } = stripsOf(panels, layout)!;
  const costs = seamCosts(scene, panels);
  const [seam] = quietSeams(across, costs.across, SEAM_STEP);
  const onSheet = seam - layout.trim.x;
  expect(onSheet < 45 || onSheet > 75).toBe(true);
  expect(seamsCost([seam], costs.across, SEAM_STEP)).toBeLessThanOrEqual(
    seamsCost(evenSeams(across), costs.across, SEAM_STEP),
  );
  const kept = seamCosts(scene, { ...panels, whole: [{ x: onSheet - 5, y: 20, width: 10, height: 30 }] });
  const [other] = quietSeams(across, kept.across, SEAM_STEP);
  expect(Math.abs(other - seam)).toBeGreaterThanOrEqual(5 + panels.overlap / 2 - SEAM_STEP);
});

it('a printer that prints too large is met: less of the film on a sheet, and printed smaller', () => {
  const layout = filmLayout(poster().recipe);
  const { across } = stripsOf({ ...PANELS, ruler: 102 }, layout)!;
  expect(across.usable).toBeCloseTo(50 * 1.02, 9);
  expect(stripsOf({ ...PANELS, overlap: 45 }, layout)).toBeUndefined();
  expect(panelsOf({ ...PANELS, overlap: 45 }, layout)).toEqual([]);
});

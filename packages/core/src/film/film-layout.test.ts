import { bitAt, countInk, cropBits, type Bits } from '../raster/bits.ts';
import { plateBits } from '../plate/evaluate.ts';
import type { Region } from '../raster/region.ts';
import type { MarkUse } from '../recipe/marks.ts';
import { plainPlate } from '../recipe/plain-plate.ts';
import type { Scene } from '../recipe/scene.ts';
import { newScreen } from '../screen/screen.ts';
import { SCREEN_KINDS } from '../screen/kinds/index.ts';
import { Resvg } from '@resvg/resvg-js';
import { greyPicture, sceneOf, testInk } from '../testing.ts';
import { filmBits } from './film-bits.ts';
import { filmLayout, type FilmLayout } from './film-layout.ts';
import { NO_WORDS } from './film-words.ts';
import { MARK_KINDS, newMark, markKind } from './marks/index.ts';
import { filmMarks } from './marks/film-marks.ts';
import { labelLines } from './marks/label.ts';
import { platesSvg } from './svg.ts';

const PURE = { smooth: 0, outlines: 'pure' } as const;

/** A typeface all of whose letters are boxes of half an em. */
const BOXES = {
  name: 'Boxes',
  ascent: 0.8,
  descent: 0.2,
  line: (text: string) => ({
    width: text.length * 0.6,
    contours: [...text].map((_, i) => ({
      start: [i * 0.6, 0] as const,
      parts: [
        [i * 0.6 + 0.5, 0],
        [i * 0.6 + 0.5, -0.7],
        [i * 0.6, -0.7],
      ],
      closed: true,
    })),
  }),
  missing: () => '',
};

const BLEED = 2;

/** Two inks on a small sheet with bleed, and marks. */
function marked(uses: readonly MarkUse[], sheet: Partial<Scene['recipe']['sheet']> = {}): Scene {
  const plain = sceneOf(
    greyPicture(40, 30, (x, y) => 6 * ((x + y) % 40)),
    { width: 60, height: 40, resolution: 1270 },
  );
  const [original] = plain.recipe.originals;
  return {
    ...plain,
    typefaces: new Map([['label', BOXES]]),
    recipe: {
      ...plain.recipe,
      sheet: { ...plain.recipe.sheet, bleed: BLEED, ...sheet },
      inks: [testInk('ink-1', [20, 0, 0]), testInk('ink-2', [50, 60, 30])],
      originals: [
        original,
        { ...original, id: 'other', route: { kind: 'ink', ink: 'ink-2' }, overprint: true },
      ],
      plates: [
        plainPlate('plate-1', 'ink-1', newScreen('dots', { ruling: 45, angle: 45 })),
        plainPlate('plate-2', 'ink-2', newScreen('dots', { ruling: 45, angle: 75 })),
      ],
      marks: { font: 'label', uses },
    },
  };
}

const mark = (kind: string, settings: Record<string, unknown> = {}): MarkUse => {
  const use = newMark(markKind(kind));
  return { ...use, settings: { ...use.settings, ...settings } as MarkUse['settings'] };
};
const ALL = MARK_KINDS.map(({ kind }) => mark(kind));

const whole = ({ width, height }: FilmLayout): Region => ({ x: 0, y: 0, width, height });
const film = (scene: Scene, plate = 0, words = NO_WORDS): Bits => {
  const layout = filmLayout(scene.recipe);
  return filmBits(scene, plate, layout, whole(layout), words);
};

it('without marks a film is as large as the sheet with its bleed, and says where it will be trimmed', () => {
  const { width, height, mm, plate, trim } = filmLayout(marked([], { resolution: 254 }).recipe);
  expect([width, height]).toEqual([640, 440]);
  expect([mm.width, mm.height]).toEqual([expect.closeTo(64, 9), expect.closeTo(44, 9)]);
  expect(plate).toEqual({ x: 0, y: 0, width: 640, height: 440 });
  expect(trim).toEqual({ x: 2, y: 2, width: 60, height: 40 });
});

describe('a film with all marks', () => {
  const scene = marked(ALL);
  const layout = filmLayout(scene.recipe);

  it('has its plate where the layout has it, and nothing of a mark inside the bleed, strip by strip', () => {
    const plate = plateBits(scene, 0, layout.frame, {
      x: 0,
      y: 0,
      width: layout.frame.width,
      height: layout.frame.height,
    });
    const all = film(scene);
    expect(Buffer.compare(cropBits(all, layout.plate).data, plate.data)).toBe(0);
    for (const [y, height] of [
      [0, 37],
      [layout.plate.y - 5, 64],
      [layout.height - 333, 333],
    ]) {
      const strip = { x: 0, y, width: layout.width, height };
      expect(
        Buffer.compare(filmBits(scene, 0, layout, strip, NO_WORDS).data, cropBits(all, strip).data),
      ).toBe(0);
    }
  });

  it('is the same around every plate where marks are to register', () => {
    const both = [0, 1].map((plate) =>
      film(marked([mark('crop'), mark('register'), mark('centre'), mark('ruler')]), plate),
    );
    const alone = filmLayout(marked([mark('crop'), mark('register'), mark('centre'), mark('ruler')]).recipe);
    let ink = 0;
    for (let y = 0; y < alone.height; y += 3) {
      for (let x = 0; x < alone.width; x++) {
        const isPlate =
          x >= alone.plate.x &&
          y >= alone.plate.y &&
          x < alone.plate.x + alone.plate.width &&
          y < alone.plate.y + alone.plate.height;
        if (isPlate) continue;
        ink += bitAt(both[0], x, y);
        if (bitAt(both[0], x, y) !== bitAt(both[1], x, y)) throw new Error(`at ${x} ${y}`);
      }
    }
    expect(ink).toBeGreaterThan(1000);
  });

  it('reads the same as geometry: coverage of every 2 mm square around the sheet within 1.5 %', () => {
    const { text } = platesSvg(scene, [0], 'reeds', PURE);
    const scale = 10;
    const { width, pixels } = new Resvg(text, {
      fitTo: { mode: 'zoom', value: (scale * 25.4) / 96 },
      background: 'white',
    }).render();
    const bits = film(scene);
    const side = 2;
    const per = 1270 / 25.4;
    for (let y = 0; (y + 1) * side < layout.mm.height; y++) {
      for (let x = 0; (x + 1) * side < layout.mm.width; x++) {
        const near = (at: number, from: number, size: number) =>
          (at + 1) * side < (from - 200) / per || at * side > (from + size + 200) / per;
        const { plate } = layout;
        if (!near(x, plate.x, plate.width) && !near(y, plate.y, plate.height)) continue;
        const region = { x: x * side * per, y: y * side * per, width: side * per, height: side * per };
        const share = countInk(cropBits(bits, region)) / (side * per) ** 2;
        let light = 0;
        for (let v = 0; v < side * scale; v++)
          for (let u = 0; u < side * scale; u++)
            light += pixels[4 * ((y * side * scale + v) * width + x * side * scale + u)];
        const ground = 1 - light / 255 / (side * scale) ** 2;
        // The ink's own grey stands for solid.
        const solid = 1 - 48 / 255;
        expect(Math.abs(ground / solid - share)).toBeLessThan(0.015);
      }
    }
  });
});

/** Where a row or column of a film goes from bare to ink and back, in mm from the trimmed edge. */
function runsAlong(bits: Bits, layout: FilmLayout, along: 'x' | 'y', at: number): [number, number][] {
  const per = layout.resolution / 25.4;
  const fixed = Math.round((layout.trim[along === 'x' ? 'y' : 'x'] + at) * per);
  const length = along === 'x' ? bits.width : bits.height;
  const runs: [number, number][] = [];
  let from = -1;
  for (let i = 0; i <= length; i++) {
    const ink = i < length && bitAt(bits, along === 'x' ? i : fixed, along === 'x' ? fixed : i) === 1;
    if (ink && from < 0) from = i;
    if (!ink && from >= 0) {
      runs.push([from / per - layout.trim[along], i / per - layout.trim[along]]);
      from = -1;
    }
  }
  return runs;
}

describe('positions, read back from pixels to 0.05 mm', () => {
  it('crop marks point at the trimmed edge, off it by the bleed at least', () => {
    for (const offset of [1, 4]) {
      const scene = marked([mark('crop', { offset, length: 5, weight: 0.1 })]);
      const layout = filmLayout(scene.recipe);
      const bits = film(scene);
      const from = Math.max(offset, BLEED);
      // A row through the marks over the sheet, and one along its upper edge.
      const across = runsAlong(bits, layout, 'x', -from - 2);
      expect(across.map(([a, b]) => (a + b) / 2)).toEqual([expect.closeTo(0, 1), expect.closeTo(60, 1)]);
      for (const [a, b] of across) expect(Math.abs(b - a - 0.1)).toBeLessThan(0.03);
      const [first] = runsAlong(bits, layout, 'x', 0);
      expect(Math.abs(first[0] + from + 5)).toBeLessThan(0.05);
      expect(Math.abs(first[1] + from)).toBeLessThan(0.05);
    }
  });

  it('register targets are a circle with a cross at each corner', () => {
    const scene = marked([mark('register', { size: 4, weight: 0.1, fine: 'no' })]);
    const layout = filmLayout(scene.recipe);
    const bits = film(scene);
    // Middles at the half of the crop marks' place: 3 + 5 / 2 mm off, or clear of the bleed.
    const off = 5.5;
    for (const y of [-off, 40 + off]) {
      const runs = runsAlong(bits, layout, 'x', y);
      // The level arms, from three millimetres before the middle to three after, at both corners.
      expect(runs).toHaveLength(2);
      for (const [i, middle] of [-off, 60 + off].entries()) {
        expect(Math.abs(runs[i][0] - (middle - 3))).toBeLessThan(0.05);
        expect(Math.abs(runs[i][1] - (middle + 3))).toBeLessThan(0.05);
      }
      // Off the arms: the circle's two sides and the upright arm.
      const beside = runsAlong(bits, layout, 'x', y + 1);
      const [left] = beside;
      expect(Math.abs((left[0] + left[1]) / 2 - (-off - Math.sqrt(4 - 1)))).toBeLessThan(0.05);
    }
  });

  it('the ruler is 100 mm long with a line at every millimetre, on a sheet that is narrower', () => {
    const scene = marked([mark('ruler')]);
    const layout = filmLayout(scene.recipe);
    const { drawing } = filmMarks(scene, 0, NO_WORDS);
    const ys = drawing.shapes.map(({ contours }) => contours[0].start[1]);
    const runs = runsAlong(film(scene), layout, 'x', Math.min(...ys) + 1);
    expect(runs).toHaveLength(101);
    expect(Math.abs(runs[100][0] - runs[0][0] - 100)).toBeLessThan(0.05);
    expect(layout.mm.width).toBeGreaterThan(100);
  });

  it('centre marks stand at the middle of each side', () => {
    const scene = marked([mark('centre')]);
    const [run] = runsAlong(film(scene), filmLayout(scene.recipe), 'x', -3.5);
    expect(Math.abs((run[0] + run[1]) / 2 - 30)).toBeLessThan(0.05);
  });
});

describe('patches', () => {
  const share = (scene: Scene, plate: number, at: number): number => {
    const layout = filmLayout(scene.recipe);
    const { box } = filmMarks(scene, plate, NO_WORDS).patches[at];
    const per = layout.resolution / 25.4;
    const bits = cropBits(film(scene, plate), {
      x: Math.round((layout.trim.x + box.x) * per),
      y: Math.round((layout.trim.y + box.y) * per),
      width: Math.round(box.width * per),
      height: Math.round(box.height * per),
    });
    return countInk(bits) / (bits.width * bits.height);
  };

  // As many cells as the patch has, and one row of them more or less along its edges.
  it.each(SCREEN_KINDS.filter(({ kind }) => kind !== 'threshold').map(({ kind }) => kind))(
    'of %s ink their tone',
    (kind) => {
      const scene = marked([mark('wedge', { steps: 5, side: 10 })]);
      const plates = scene.recipe.plates.map((plate) => ({ ...plate, screen: newScreen(kind) }));
      const screened = { ...scene, recipe: { ...scene.recipe, plates } };
      for (const [i, tone] of [0, 0.25, 0.5, 0.75, 1].entries())
        expect(Math.abs(share(screened, 0, i) - tone)).toBeLessThan(0.02);
    },
  );

  it('of fine dots ink their tone within 0.5 %', () => {
    const scene = marked([mark('wedge', { steps: 11, side: 12 })], { resolution: 2400 });
    const plates = scene.recipe.plates.map((plate) => ({
      ...plate,
      screen: newScreen('dots', { ruling: 100, angle: 45 }),
    }));
    const fine = { ...scene, recipe: { ...scene.recipe, plates } };
    for (let i = 0; i <= 10; i++) expect(Math.abs(share(fine, 0, i) - i / 10)).toBeLessThan(0.005);
  });

  it('as asked go through the plate’s own curve', () => {
    const scene = marked([mark('wedge', { steps: 3, side: 10, tones: 'asked' })]);
    const plates = scene.recipe.plates.map((plate) => ({ ...plate, weight: 60 }));
    const heavy = { ...scene, recipe: { ...scene.recipe, plates } };
    const [, middle] = filmMarks(heavy, 0, NO_WORDS).patches;
    expect(middle.tone).toBeGreaterThan(0.55);
    expect(Math.abs(share(heavy, 0, 1) - middle.tone)).toBeLessThan(0.02);
  });

  it('solids are there on their own plate, overprints on both', () => {
    const scene = marked([mark('solids')]);
    const boxes = (plate: number) =>
      filmMarks(scene, plate, NO_WORDS).shapes.map(({ contours }) => contours[0].start[0]);
    const [first, second] = [boxes(0), boxes(1)];
    expect([first.length, second.length]).toEqual([2, 2]);
    expect(first.filter((x) => second.includes(x))).toHaveLength(1);
  });
});

it('a label says job, ink, place in printing order, screen, resolution, day and emulsion side', () => {
  const { recipe } = marked([mark('label')]);
  const words = { job: 'Low tide', day: '2026-11-29', mirrored: true };
  expect(labelLines({ recipe, plate: 1, words })).toEqual([
    'Low tide  ·  ink-2  ·  plate 2 of 2',
    '45 lpi, 75°  ·  1270 dpi  ·  2026-11-29  ·  emulsion down, reads right through the film',
  ]);
});

it('a typeface that is missing is named, and only where something is set in it', () => {
  const scene = { ...marked([mark('label')]), typefaces: new Map() };
  expect(() => film(scene)).toThrow('The typeface of “Film marks” is missing.');
  const bare = { ...marked([mark('crop')]), typefaces: new Map() };
  expect(countInk(film(bare))).toBeGreaterThan(0);
});

import fc from 'fast-check';
import type { Shape } from '../drawing/drawing.ts';
import { withWorkBits } from '../raster/work-memory.ts';
import { addBits, bitAt, clearBits, countInk, cropBits } from '../raster/bits.ts';
import { buildPyramid } from '../raster/pyramid.ts';
import type { Picture } from '../raster/picture.ts';
import { NO_TONE } from '../tone/tone.ts';
import {
  dotScreen,
  testInk,
  greyPicture,
  sceneOf,
  toneOf,
  toneStep,
  WHOLE,
  tintGradient,
} from '../testing.ts';
import { screenerFor, type Screen } from '../screen/screen.ts';
import { plateArt, plateCoverage } from './plate-art.ts';
import { plateBits } from './evaluate.ts';
import { filmFrame, frameOf } from '../recipe/frame.ts';
import { effectiveResolution } from '../original/placed.ts';
import type { OriginalRecipe } from '../recipe/recipe.ts';
import type { Scene } from '../recipe/scene.ts';

const wavy = greyPicture(220, 160, (x, y) => 128 + 100 * Math.sin(x / 17 + y / 29));

describe('film size', () => {
  // ISO 216 sizes; arithmetic.
  it('A3 at 300 ppi is 3508 × 4961; 16 × 20 inches at 300 is 4800 × 6000', () => {
    expect(frameOf({ width: 297, height: 420, bleed: 0 }, 300)).toMatchObject({ width: 3508, height: 4961 });
    expect(frameOf({ width: 16 * 25.4, height: 20 * 25.4, bleed: 0 }, 300)).toMatchObject({
      width: 4800,
      height: 6000,
    });
  });
  it('900 pixels at 30 ppi are 30 inches', () => {
    const { recipe } = sceneOf(
      greyPicture(900, 300, () => 0),
      { width: 30 * 25.4, height: 10 * 25.4, resolution: 150 },
    );
    expect(effectiveResolution(WHOLE, recipe.originals[0].placement.width, { width: 900 })).toBeCloseTo(
      30,
      9,
    );
  });
});

describe('region = whole', () => {
  const sheet = { width: 42, height: 31, resolution: 720 };
  const plain = sceneOf(wavy, sheet, { ruling: 37, angle: 15, smallest: 3, largest: 95 });
  const [first] = plain.recipe.originals;
  const steps = toneOf(
    toneStep('recover', { radius: 14 }),
    toneStep('sharpen', { radius: 3 }),
    toneStep('curve'),
    toneStep('noise', { grain: 2.5 }),
    toneStep('blur', { radius: 1.3 }),
  );
  const gradient: OriginalRecipe = {
    ...first,
    id: 'gradient',
    content: tintGradient(90, {
      shape: 'elliptical',
      ratio: 0.7,
      from: { x: 0.5, y: 0.5 },
      to: { x: 0.9, y: 0.2 },
      width: 0.5,
      stops: [
        { at: 0, tone: 90, middle: 0.3 },
        { at: 1, tone: 5, middle: 0.5 },
      ],
      limit: 85,
    }),
    placement: { x: 4, y: 6, width: 15, turn: -33, mirrored: true },
  };
  /** A frame and a light spot in it, as line work. */
  const drawn: OriginalRecipe = {
    ...first,
    id: 'drawn',
    content: { kind: 'drawing', drawing: 'frame', ratio: 1 },
    placement: { x: 6, y: 5, width: 18, turn: 8, mirrored: false },
    route: { kind: 'ink', ink: 'ink-1' },
  };
  const square = (low: number, high: number, ink: boolean): Shape => ({
    contours: [
      {
        start: [low, low],
        parts: [
          [high, low],
          [high, high],
          [low, high],
        ],
        closed: true,
      },
    ],
    rule: 'nonzero',
    ink,
    clips: [],
  });
  const frameDrawing = {
    width: 10_000,
    height: 10_000,
    shapes: [square(0, 10_000, true), square(2000, 9000, false), square(3000, 5000, true)],
    clips: [],
  };
  const holding = (...originals: OriginalRecipe[]): Scene => ({
    ...plain,
    recipe: { ...plain.recipe, originals },
    drawings: new Map([['frame', frameDrawing]]),
  });
  const small = { ...first, placement: { ...first.placement, x: 3, y: 4, width: 27 } };
  const elsewhere = { ...small, id: 'elsewhere', route: { kind: 'ink' as const, ink: 'ink-2' } };
  const withScreen = (scene: Scene, change: Partial<Screen>): Scene => {
    const [own, ...others] = scene.recipe.plates;
    const plates = [{ ...own, screen: { ...own.screen, ...change } }, ...others];
    return { ...scene, recipe: { ...scene.recipe, plates } };
  };
  it('line work on the coarse grid is made of its pixels, and keeps the film’s where it is not', () => {
    // 720 dpi at 90 an inch: pixels of 8 × 8.
    const coarse = (coarseLines: boolean) => withScreen(holding(small, drawn), { coarse: 90, coarseLines });
    const frame = filmFrame(plain.recipe);
    const region = { x: 0, y: 0, width: frame.width, height: frame.height };
    const wholePixels = (scene: Scene): boolean => {
      const bits = plateBits(scene, 0, frame, region);
      for (let y = 0; y < frame.height; y++)
        for (let x = 0; x < frame.width; x++)
          if (bitAt(bits, x, y) !== bitAt(bits, x - (x % 8), y - (y % 8))) return false;
      return true;
    };
    expect(wholePixels(coarse(true))).toBe(true);
    expect(wholePixels(coarse(false))).toBe(false);
    // It is as much ink, but for what its edges lose and win.
    const inked = (scene: Scene) => countInk(plateBits(scene, 0, frame, region));
    expect(inked(coarse(true)) / inked(coarse(false))).toBeCloseTo(1, 1);
    const whole = plateBits(coarse(true), 0, frame, region);
    for (const part of [
      { x: 3, y: 5, width: 211, height: 97 },
      { x: 401, y: 333, width: 300, height: 313 },
    ]) {
      const bits = plateBits(coarse(true), 0, frame, part);
      expect(Buffer.compare(bits.data, cropBits(whole, part).data)).toBe(0);
    }
  });
  it.each<[string, Scene]>([
    ['a photograph', plain],
    ['one with steps that look around', holding({ ...first, tone: steps })],
    [
      'one turned and mirrored',
      holding({ ...first, placement: { x: 8, y: 3, width: 25, turn: 12.5, mirrored: true } }),
    ],
    [
      'one mixed with soft dots of its own',
      holding({
        ...first,
        mix: { screen: dotScreen({ ruling: 20 }), blend: 'overlay', strength: 80, softness: 0.6 },
      }),
    ],
    [
      'one mixed with very soft ones on two levels',
      holding({
        ...first,
        mix: { screen: dotScreen({ ruling: 9 }), blend: 'two-levels', strength: 100, softness: 3 },
      }),
    ],
    [
      'one that fades softly',
      holding(drawn, {
        ...first,
        fade: {
          by: 'gradient',
          gradient: tintGradient(90, { from: { x: 0, y: 0 }, to: { x: 1, y: 1 } }),
          screen: dotScreen({ ruling: 12 }),
          strokes: [],
          soft: true,
        },
      }),
    ],
    ['a turned gradient over a photograph', holding(first, gradient)],
    ['a photograph on a part of it', holding(small)],
    ['line work over that', holding(small, drawn)],
    ['that over line work', holding(drawn, small)],
    [
      'line work that is printed over it, twice',
      holding(
        small,
        { ...drawn, overprint: true },
        { ...drawn, id: 'again', placement: { ...drawn.placement, x: 20 } },
      ),
    ],
    [
      'another ink’s photograph over it',
      holding(first, elsewhere, { ...drawn, placement: { ...drawn.placement, x: 1 } }),
    ],
    ['another ink’s line work over it', holding(first, { ...drawn, route: { kind: 'ink', ink: 'ink-2' } })],
  ])('any region of a plate with %s equals that part of the whole, bit for bit', (_what, scene) => {
    const frame = filmFrame(scene.recipe);
    const whole = plateBits(scene, 0, frame, { x: 0, y: 0, width: frame.width, height: frame.height });
    expect(countInk(whole)).toBeGreaterThan(1000);
    // The long way, which knows nothing of what is simple.
    const { tone, line } = plateArt(scene, 0, frame, {
      x: 0,
      y: 0,
      width: frame.width,
      height: frame.height,
    });
    const screener = screenerFor(scene.recipe.plates[0].screen, frame);
    if (screener.sequential) throw new Error('This screen is made from the top down.');
    const long = screener.screen(tone, { x: 0, y: 0, width: frame.width, height: frame.height });
    if (line) {
      clearBits(long, line.bare);
      addBits(long, line.ink);
    }
    expect(Buffer.compare(whole.data, long.data)).toBe(0);
    fc.assert(
      fc.property(
        fc.nat(frame.width - 1),
        fc.nat(frame.height - 1),
        fc.integer({ min: 1, max: 400 }),
        fc.integer({ min: 1, max: 300 }),
        (x, y, w, h) => {
          const region = { x, y, width: Math.min(w, frame.width - x), height: Math.min(h, frame.height - y) };
          const part = cropBits(whole, region);
          expect(Buffer.compare(plateBits(scene, 0, frame, region).data, part.data)).toBe(0);
          // Into bits that are there already, in the kernels' memory.
          withWorkBits(2, region.width, region.height, ([, work]) => {
            work.data.fill(0xa5);
            expect(Buffer.compare(plateBits(scene, 0, frame, region, work).data, part.data)).toBe(0);
          });
        },
      ),
      { numRuns: 25, seed: 8 },
    );
  });
});

describe('placing', () => {
  const arrow = greyPicture(60, 40, (x, y) => (x < 20 && y < 10 ? 0 : 255));
  const sheet = { width: 60, height: 60, resolution: 25.4 };
  /** The pixels (one a mm) of the sheet that have ink, as a picture of words. */
  const inked = (placement: Partial<OriginalRecipe['placement']>, crop = WHOLE): [number, number][] => {
    const scene = sceneOf(arrow, sheet);
    const [original] = scene.recipe.originals;
    const recipe = {
      ...scene.recipe,
      originals: [
        {
          ...original,
          content: { kind: 'picture' as const, picture: 'picture', crop, line: null, cut: null },
          placement: { x: 0, y: 10, width: 60, turn: 0, mirrored: false, ...placement },
        },
      ],
    };
    const { data } = plateCoverage({ ...scene, recipe }, 0, filmFrame(recipe), {
      x: 0,
      y: 0,
      width: 60,
      height: 60,
    });
    return [...data].flatMap((value, i) =>
      value > 40000 ? [[i % 60, Math.floor(i / 60)] as [number, number]] : [],
    );
  };
  const box = (list: [number, number][]) => [
    Math.min(...list.map(([x]) => x)),
    Math.min(...list.map(([, y]) => y)),
    Math.max(...list.map(([x]) => x)) + 1,
    Math.max(...list.map(([, y]) => y)) + 1,
  ];
  it('straight, the corner stays in its corner', () => {
    expect(box(inked({}))).toEqual([0, 10, 20, 20]);
  });
  it('mirrored, it goes to the other side', () => {
    expect(box(inked({ mirrored: true }))).toEqual([40, 10, 60, 20]);
  });
  it('turned a quarter anticlockwise, left top goes to left bottom', () => {
    expect(box(inked({ turn: 90 }))).toEqual([10, 40, 20, 60]);
  });
  it('a crop turned anticlockwise turns what is in it clockwise', () => {
    // A square crop turned by a quarter: the arrow's corner comes to the right top.
    const square = { x: 0, y: 0, width: 40 / 60, height: 1, turn: 90 };
    expect(box(inked({ y: 0 }, square))).toEqual([45, 0, 60, 30]);
  });
  it('a hidden original prints nothing', () => {
    const scene = sceneOf(arrow, sheet);
    const originals = scene.recipe.originals.map((original) => ({ ...original, shown: false }));
    const frame = filmFrame(scene.recipe);
    const bits = plateBits({ ...scene, recipe: { ...scene.recipe, originals } }, 0, frame, {
      x: 0,
      y: 0,
      ...frame,
    });
    expect(countInk(bits)).toBe(0);
  });
});

describe('several originals, several plates', () => {
  const half: Picture = { width: 2, height: 1, channels: 2, data: Uint8Array.of(0, 255, 0, 0) };
  const base = sceneOf(
    greyPicture(8, 8, () => 128),
    { width: 20, height: 20, resolution: 100 },
  );
  const scene: Scene = {
    recipe: {
      ...base.recipe,
      inks: [...base.recipe.inks, testInk('ink-2', [62, 24, 60])],
      plates: [...base.recipe.plates, { ...base.recipe.plates[0], id: 'plate-2', ink: 'ink-2' }],
      originals: [
        ...base.recipe.originals,
        {
          id: 'original-2',
          name: 'half.png',
          content: { kind: 'picture', picture: 'half', crop: WHOLE, line: null, cut: null },
          placement: { x: 5, y: 5, width: 10, turn: 0, mirrored: false },
          shown: true,
          locked: false,
          tone: NO_TONE,
          container: null,
          fade: null,
          mix: null,
          colourDots: null,
          route: { kind: 'ink', ink: 'ink-2' },
          overprint: false,
        },
      ],
    },
    pictures: new Map([...base.pictures, ['half', buildPyramid(half)]]),
    drawings: new Map(),
    typefaces: new Map(),
  };
  const frame = filmFrame(scene.recipe);
  const at = (plate: number, x: number, y: number) =>
    plateCoverage(scene, plate, frame, { x, y, width: 1, height: 1 }).data[0];

  it('each goes to its own ink', () => {
    expect(at(0, 3, 3)).toBe(65535 - 128 * 257);
    expect(at(1, 3, 3)).toBe(0);
    expect(at(1, 24, 30)).toBe(65535);
  });
  it('the upper one knocks out the lower where it is opaque, and leaves it where it is clear', () => {
    expect(at(0, 24, 30)).toBe(0);
    expect(at(0, 55, 30)).toBe(65535 - 128 * 257);
    expect(at(1, 55, 30)).toBe(0);
  });
  it('a missing picture is named', () => {
    expect(() =>
      plateBits({ ...scene, pictures: new Map() }, 0, frame, { x: 0, y: 0, width: 8, height: 8 }),
    ).toThrow('half.png');
  });
});

describe('tone through to ink', () => {
  it('a flat grey inks its share of the film, at any scale of the original', () => {
    for (const size of [4, 90, 1500]) {
      const scene = sceneOf(
        greyPicture(size, size, () => 102),
        { width: 30, height: 30, resolution: 600 },
      );
      const frame = filmFrame(scene.recipe);
      const bits = plateBits(scene, 0, frame, { x: 0, y: 0, width: frame.width, height: frame.height });
      expect(countInk(bits) / (frame.width * frame.height)).toBeCloseTo(0.6, 2);
    }
  });
  it('beyond the original the sheet is bare', () => {
    const scene = sceneOf(
      greyPicture(10, 5, () => 0),
      { width: 20, height: 20, resolution: 200 },
    );
    const frame = filmFrame(scene.recipe);
    const bits = plateBits(scene, 0, frame, { x: 0, y: 0, width: frame.width, height: frame.height });
    expect(bitAt(bits, 80, 40)).toBe(1);
    expect(bitAt(bits, 80, 78)).toBe(1);
    expect(bitAt(bits, 80, 79)).toBe(0);
    expect(bitAt(bits, 80, 120)).toBe(0);
  });
});

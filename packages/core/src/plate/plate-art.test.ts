import { packedPoints } from '../tone/stroke-points.ts';
import { bitAt, countInk, type Bits } from '../raster/bits.ts';
import type { Region } from '../raster/region.ts';
import { SOLID } from '../raster/plane.ts';
import type { ChannelsRoute } from '../separation/routes/channels.ts';
import type { Route } from '../separation/routes/index.ts';
import { newScreen, type Screen } from '../screen/screen.ts';
import { dotScreen, greyPicture, sceneOf, testInk } from '../testing.ts';
import { plainPlate } from '../recipe/plain-plate.ts';
import { STRAIGHT } from '../tone/curve.ts';
import { buildPyramid } from '../raster/pyramid.ts';
import { vectorManner } from '../vector/plate-group.ts';
import { plateBits } from './evaluate.ts';
import { filmFrame } from '../recipe/frame.ts';
import { plateCoverage } from './plate-art.ts';
import type { OriginalRecipe, PlateRecipe, Recipe } from '../recipe/recipe.ts';
import type { Scene } from '../recipe/scene.ts';

const SHEET = { width: 20, height: 20, resolution: 254 };
/** Film pixels a millimetre. */
const PER_MM = 10;

/** Two inks; a grey square of 10 mm in the middle of a bare sheet, printed in the first. */
function square(
  grey: number,
  parts: { first?: Partial<PlateRecipe>; second?: Partial<PlateRecipe> } = {},
): Scene {
  const base = sceneOf(
    greyPicture(8, 8, () => grey),
    SHEET,
  );
  const [original] = base.recipe.originals;
  return {
    ...base,
    recipe: {
      ...base.recipe,
      originals: [{ ...original, placement: { ...original.placement, x: 5, y: 5, width: 10 } }],
      inks: [testInk('ink-1', [20, 0, 0]), testInk('ink-2', [60, 40, 20])],
      plates: [
        { ...plainPlate('plate-1', 'ink-1', dotScreen({ ruling: 30 })), ...parts.first },
        { ...plainPlate('plate-2', 'ink-2', dotScreen({ ruling: 30, angle: 15 })), ...parts.second },
      ],
    },
  };
}

const withRecipe = (scene: Scene, change: Partial<Recipe>): Scene => ({
  ...scene,
  recipe: { ...scene.recipe, ...change },
});

function coverage(scene: Scene, plate: number, x: number, y: number): number {
  return plateCoverage(scene, plate, filmFrame(scene.recipe), { x, y, width: 1, height: 1 }).data[0];
}

/** Film pixels with any art, over the whole sheet. */
function area(scene: Scene, plate: number): number {
  const { width, height } = filmFrame(scene.recipe);
  const { data } = plateCoverage(scene, plate, filmFrame(scene.recipe), { x: 0, y: 0, width, height });
  return data.reduce((sum, one) => sum + (one > 0 ? 1 : 0), 0);
}

const TONE = SOLID - 128 * 257;

describe('a plate’s own curve and weight', () => {
  it('change its tones, and leave bare and solid', () => {
    const curve = [
      { in: 0, out: 0 },
      { in: 50, out: 20 },
      { in: 100, out: 100 },
    ];
    expect(coverage(square(128), 0, 100, 100)).toBe(TONE);
    const lower = coverage(square(128, { first: { curve } }), 0, 100, 100);
    expect(lower / SOLID).toBeGreaterThan(0.18);
    expect(lower / SOLID).toBeLessThan(0.22);
    const heavy = coverage(square(128, { first: { weight: 60 } }), 0, 100, 100);
    const light = coverage(square(128, { first: { weight: -60 } }), 0, 100, 100);
    // c + w · c · (1 − c).
    const c = TONE / SOLID;
    expect(heavy / SOLID).toBeCloseTo(c + 0.6 * c * (1 - c), 2);
    expect(light / SOLID).toBeCloseTo(c - 0.6 * c * (1 - c), 2);
    for (const weight of [-100, 100]) {
      expect(coverage(square(0, { first: { weight } }), 0, 100, 100)).toBe(SOLID);
      expect(coverage(square(0, { first: { weight } }), 0, 10, 10)).toBe(0);
    }
  });
});

describe('spread and choke', () => {
  // A square of 100 pixels: grown by r it has rounded corners, as the distance of pixels' middles says.
  const grown = (r: number) => {
    let corner = 0;
    for (let y = 1; y <= r; y++) for (let x = 1; x <= r; x++) if (x * x + y * y <= r * r) corner++;
    return 100 * 100 + 4 * 100 * r + 4 * corner;
  };
  it.each([1, 3, 7, 12])('spread by %d pixels grows a square by just that, rounding its corners', (r) => {
    const scene = square(128, { first: { edgeSpread: r / PER_MM } });
    expect(area(scene, 0)).toBe(grown(r));
    // What it grows by has the tone of its edge.
    expect(coverage(scene, 0, 50 - r, 100)).toBe(TONE);
    expect(coverage(scene, 0, 50 - r - 1, 100)).toBe(0);
    expect(coverage(scene, 0, 100, 100)).toBe(TONE);
  });
  it.each([1, 3, 7, 12])('choked by %d pixels a square shrinks by just that, its corners sharp', (r) => {
    const scene = square(128, { first: { edgeSpread: -r / PER_MM } });
    expect(area(scene, 0)).toBe((100 - 2 * r) ** 2);
    expect(coverage(scene, 0, 50 + r, 100)).toBe(TONE);
    expect(coverage(scene, 0, 50 + r - 1, 100)).toBe(0);
  });
  it('the sheet’s edge is no edge of art', () => {
    const base = square(128, { first: { edgeSpread: -0.5 } });
    const [original] = base.recipe.originals;
    const full = withRecipe(base, {
      originals: [{ ...original, placement: { ...original.placement, x: -5, y: -5, width: 30 } }],
    });
    expect(area(full, 0)).toBe(200 * 200);
  });
  it('line work within tones of its own plate goes on over them', () => {
    const tint = (spread: number): Scene => {
      const base = square(128, { first: { edgeSpread: spread } });
      const [original] = base.recipe.originals;
      const under = {
        ...original,
        id: 'under',
        placement: { ...original.placement, x: -5, y: -5, width: 30 },
      };
      const content = {
        ...original.content,
        line: { threshold: 10, smooth: 0 },
      } as OriginalRecipe['content'];
      return withRecipe(base, { originals: [under, { ...original, content, overprint: true }] });
    };
    const solid = (scene: Scene, x: number) => coverage(scene, 0, x, 100) === SOLID;
    expect([49, 50].map((x) => solid(tint(0), x))).toEqual([false, true]);
    expect([41, 42, 49].map((x) => solid(tint(0.8), x))).toEqual([false, true, true]);
    expect(coverage(tint(0.8), 0, 30, 100)).toBe(TONE);
  });
  it('line work too', () => {
    const lines = (spread: number): Scene => {
      const base = square(0, { first: { edgeSpread: spread } });
      const [original] = base.recipe.originals;
      const content = {
        ...original.content,
        line: { threshold: 50, smooth: 0 },
      } as OriginalRecipe['content'];
      return withRecipe(base, { originals: [{ ...original, content, overprint: true }] });
    };
    const ink = (scene: Scene) =>
      countInk(plateBits(scene, 0, filmFrame(scene.recipe), { x: 0, y: 0, width: 200, height: 200 }));
    expect(ink(lines(0))).toBe(100 * 100);
    expect(ink(lines(0.3))).toBe(grown(3));
    expect(ink(lines(-0.3))).toBe(94 * 94);
  });
});

describe('plates that know of one another', () => {
  /** A second square, of the second ink, over the right half of the first. */
  function overlapping(parts: Parameters<typeof square>[1], overprint: boolean): Scene {
    const base = square(0, parts);
    const [original] = base.recipe.originals;
    const second: OriginalRecipe = {
      ...original,
      id: 'original-2',
      placement: { ...original.placement, x: 10 },
      route: { kind: 'ink', ink: 'ink-2' },
      overprint,
    };
    return withRecipe(base, { originals: [original, second] });
  }
  it('an original knocks out what lies under it, unless it is printed over', () => {
    expect(coverage(overlapping({}, false), 0, 120, 100)).toBe(0);
    expect(coverage(overlapping({}, true), 0, 120, 100)).toBe(SOLID);
    expect(coverage(overlapping({}, false), 0, 80, 100)).toBe(SOLID);
  });
  it('a plate knocks out those before it; spread, it laps over them by just that', () => {
    expect(coverage(overlapping({ second: { knocksOut: true } }, true), 0, 120, 100)).toBe(0);
    const trapped = overlapping({ second: { knocksOut: true, edgeSpread: 0.4 } }, true);
    // The hole is the art itself, and the art has grown: they lap by 4 pixels.
    expect(coverage(trapped, 0, 99, 100)).toBe(SOLID);
    expect(coverage(trapped, 0, 100, 100)).toBe(0);
    expect(coverage(trapped, 1, 96, 100)).toBe(SOLID);
    expect(coverage(trapped, 1, 95, 100)).toBe(0);
  });
  it('a base lies under all that is printed over it, fuller as it is told, and choked', () => {
    const based = (fullness: number, spread = 0) =>
      withRecipe(square(128, { first: { base: { fullness, highlights: null }, edgeSpread: spread } }), {
        originals: square(128).recipe.originals.map((one) => ({
          ...one,
          route: { kind: 'ink', ink: 'ink-2' },
        })),
      });
    expect(coverage(based(0), 0, 100, 100)).toBe(TONE);
    expect(coverage(based(100), 0, 100, 100)).toBe(SOLID);
    expect(coverage(based(20), 0, 100, 100) / SOLID).toBeCloseTo(TONE / SOLID / 0.8, 3);
    expect(coverage(based(100), 0, 20, 20)).toBe(0);
    expect(area(based(100, -0.3), 0)).toBe(94 * 94);
    expect(area(based(100, -0.3), 1)).toBe(100 * 100);
    // Left out, there is nothing to lie under.
    const out = based(100);
    expect(
      coverage(
        withRecipe(out, { plates: [out.recipe.plates[0], { ...out.recipe.plates[1], printed: false }] }),
        0,
        100,
        100,
      ),
    ).toBe(0);
  });
});

describe('highlights parted from a base', () => {
  it('what something is printed over stays base, the rest goes to its own plate', () => {
    // The base's own art over the whole square, colour over its right half.
    const base = square(0, { first: { base: { fullness: 0, highlights: 'ink-3' } } });
    const [original] = base.recipe.originals;
    const scene = withRecipe(base, {
      originals: [
        original,
        {
          ...original,
          id: 'original-2',
          placement: { ...original.placement, x: 10 },
          route: { kind: 'ink', ink: 'ink-2' },
          overprint: true,
        },
      ],
      inks: [...base.recipe.inks, testInk('ink-3', [98, 0, 0])],
      plates: [...base.recipe.plates, plainPlate('plate-3', 'ink-3', dotScreen({ ruling: 30, angle: 75 }))],
    });
    expect([0, 1, 2].map((plate) => coverage(scene, plate, 120, 100))).toEqual([SOLID, SOLID, 0]);
    expect([0, 1, 2].map((plate) => coverage(scene, plate, 80, 100))).toEqual([0, 0, SOLID]);
    const together = withRecipe(scene, {
      plates: scene.recipe.plates.map((plate) =>
        plate.base ? { ...plate, base: { fullness: 0, highlights: null } } : plate,
      ),
    });
    expect([0, 1, 2].map((plate) => coverage(together, plate, 80, 100))).toEqual([SOLID, 0, 0]);
  });
});

describe('touch-up', () => {
  const stroke = (strength: number) => ({
    points: packedPoints([[0.5, 0.5, 1]]),
    radius: 0.1,
    strength,
    softness: 0,
  });
  it('paints away and in, in places of the sheet', () => {
    const away = square(0, { first: { strokes: [stroke(-100)] } });
    expect(coverage(away, 0, 100, 100)).toBe(0);
    expect(coverage(away, 0, 100, 118)).toBe(0);
    expect(coverage(away, 0, 100, 122)).toBe(SOLID);
    const into = square(255, { first: { strokes: [stroke(100)] } });
    expect(coverage(into, 0, 100, 100)).toBe(SOLID);
    expect(coverage(into, 0, 100, 122)).toBe(0);
    expect(coverage(into, 1, 100, 100)).toBe(0);
  });
});

describe('a plate that is moved', () => {
  it('by whole pixels is the same art elsewhere', () => {
    const still = square(128);
    const moved = square(128, { first: { shift: { x: 2, y: -1, turn: 0 } } });
    for (const [x, y] of [
      [52, 52],
      [149, 149],
      [100, 100],
      [40, 100],
    ]) {
      expect(coverage(moved, 0, x + 20, y - 10)).toBe(coverage(still, 0, x, y));
    }
    expect(area(moved, 0)).toBe(area(still, 0));
  });
  it('turns about the sheet’s middle', () => {
    const turned = square(0, { first: { shift: { x: 0, y: 0, turn: 45 } } });
    // The corner of a square of 10 mm comes to lie 7.07 mm above the middle.
    expect(coverage(turned, 0, 100, 100 - 68)).toBe(SOLID);
    expect(coverage(turned, 0, 100, 100 - 73)).toBe(0);
    expect(coverage(turned, 0, 52, 52)).toBe(0);
    expect(Math.abs(area(turned, 0) - 10000)).toBeLessThan(150);
  });
});

describe('routes to the plates', () => {
  const colours = (route: Route): Scene => {
    const base = square(128);
    const data = Uint8Array.from({ length: 8 * 8 * 3 }, (_, i) => [255, 128, 0][i % 3]);
    return {
      ...withRecipe(base, { originals: base.recipe.originals.map((one) => ({ ...one, route })) }),
      pictures: new Map([['picture', buildPyramid({ width: 8, height: 8, channels: 3, data })]]),
    };
  };
  it('two tones have a curve each', () => {
    const half = [
      { in: 0, out: 0 },
      { in: 100, out: 50 },
    ];
    const route: Route = {
      kind: 'tones',
      inks: [
        { ink: 'ink-1', curve: STRAIGHT },
        { ink: 'ink-2', curve: half },
      ],
    };
    const base = square(128);
    const scene = withRecipe(base, { originals: base.recipe.originals.map((one) => ({ ...one, route })) });
    expect(coverage(scene, 0, 100, 100)).toBe(TONE);
    expect(Math.abs(coverage(scene, 1, 100, 100) - TONE / 2)).toBeLessThan(2);
  });
  it('channels are the picture’s own, as ink or as light', () => {
    const route: ChannelsRoute = {
      kind: 'channels',
      red: 'ink-1',
      green: 'ink-2',
      blue: 'ink-3',
      ink: 'dark',
    };
    expect(coverage(colours(route), 0, 100, 100)).toBe(0);
    expect(coverage(colours(route), 1, 100, 100)).toBe(SOLID - 128 * 257);
    expect(coverage(colours({ ...route, ink: 'light' }), 0, 100, 100)).toBe(SOLID);
    expect(coverage(colours({ ...route, ink: 'light' }), 1, 100, 100)).toBe(128 * 257);
  });
  it('flat bands have their edges at the film’s resolution, whatever the screen’s spots', () => {
    const route: Route = { kind: 'bands', at: [50], inks: [null, 'ink-1'], painted: [] };
    // A round edge, so that no block of a coarse grid can follow it.
    const disc = greyPicture(200, 200, (x, y) => (Math.hypot(x - 100, y - 100) < 70 ? 0 : 255));
    const plain = sceneOf(disc, { width: 40, height: 40, resolution: 600 });
    const flat = (screen: Screen): Bits => {
      const { recipe } = plain;
      const scene = {
        ...plain,
        recipe: {
          ...recipe,
          originals: recipe.originals.map((one) => ({ ...one, route })),
          plates: recipe.plates.map((one) => ({ ...one, screen })),
        },
      };
      const frame = filmFrame(scene.recipe);
      return plateBits(scene, 0, frame, { x: 0, y: 0, width: frame.width, height: frame.height });
    };
    const wanted = flat(newScreen('threshold'));
    expect(countInk(wanted)).toBeGreaterThan(100_000);
    for (const screen of [
      newScreen('dots', { ruling: 8 }, { coarse: 72 }),
      newScreen('diffused', { spot: 0.4 }),
      newScreen('ordered', { spot: 0.5 }),
    ]) {
      expect(Buffer.compare(flat(screen).data, wanted.data)).toBe(0);
    }
  });
  it('bands are flat, each in its ink; what is painted in stays in its area and its tones', () => {
    const painted = [
      {
        ink: 'ink-2',
        from: 40,
        to: 60,
        strokes: [{ points: packedPoints([[0.25, 0.5, 1]]), radius: 0.2, strength: 100, softness: 0 }],
      },
    ];
    const route: Route = { kind: 'bands', at: [30, 70], inks: [null, 'ink-1', 'ink-2'], painted };
    const banded = (grey: number) => {
      const base = square(grey);
      return withRecipe(base, { originals: base.recipe.originals.map((one) => ({ ...one, route })) });
    };
    expect([0, 1].map((plate) => coverage(banded(230), plate, 100, 100))).toEqual([0, 0]);
    expect([0, 1].map((plate) => coverage(banded(128), plate, 120, 100))).toEqual([SOLID, 0]);
    expect([0, 1].map((plate) => coverage(banded(20), plate, 100, 100))).toEqual([0, SOLID]);
    expect(coverage(banded(128), 1, 75, 100)).toBe(SOLID);
    expect(coverage(banded(230), 1, 75, 100)).toBe(0);
  });
  it('line work in a separation prints in black alone', () => {
    const base = square(0);
    const [original] = base.recipe.originals;
    const content = { ...original.content, line: { threshold: 50, smooth: 0 } } as OriginalRecipe['content'];
    const route: Route = {
      kind: 'process',
      ...{ cyan: 'c', magenta: 'm', yellow: 'y', black: 'ink-1' },
      ...{ generation: 50, replacement: 50, from: 20, limit: 300 },
    };
    const scene = withRecipe(base, { originals: [{ ...original, content, route, overprint: true }] });
    expect(coverage(scene, 0, 100, 100)).toBe(SOLID);
    expect(coverage(scene, 1, 100, 100)).toBe(0);
  });
});

it('edges that are spread, painted or knocked out leave as outlines of the film, all else as dots', () => {
  const manner = (parts: Parameters<typeof square>[1]) => vectorManner(square(128, parts), 0);
  expect(manner({})).toBe('dots');
  expect(manner({ first: { weight: 30, shift: { x: 1, y: 2, turn: 3 } } })).toBe('dots');
  expect(manner({ first: { edgeSpread: 0.2 } })).toBe('outlines');
  expect(manner({ first: { base: { fullness: 50, highlights: null } }, second: { edgeSpread: -0.2 } })).toBe(
    'outlines',
  );
  expect(manner({ second: { knocksOut: true } })).toBe('outlines');
});

it('any region of a plate that is worked on is that part of the whole, bit for bit', () => {
  const strokes = [
    {
      points: packedPoints([
        [0.3, 0.3, 1],
        [0.7, 0.6, 1],
      ]),
      radius: 0.06,
      strength: -100,
      softness: 40,
    },
  ];
  const screen = newScreen('dots', { ruling: 33, angle: 20 });
  const scene = square(90, {
    first: {
      base: { fullness: 30, highlights: null },
      edgeSpread: -0.4,
      strokes,
      weight: 25,
      screen,
      shift: { x: 0.33, y: 0.2, turn: 3 },
    },
    second: { knocksOut: true, edgeSpread: 0.3 },
  });
  const [original] = scene.recipe.originals;
  const both = withRecipe(scene, {
    originals: [
      original,
      {
        ...original,
        id: 'original-2',
        placement: { ...original.placement, x: 9, turn: 10 },
        route: { kind: 'ink', ink: 'ink-2' },
        overprint: true,
      },
    ],
  });
  const frame = filmFrame(both.recipe);
  const whole: Region = { x: 0, y: 0, width: frame.width, height: frame.height };
  for (const plate of [0, 1]) {
    const all = plateBits(both, plate, frame, whole);
    for (const part of [
      { x: 37, y: 41, width: 90, height: 70 },
      { x: 0, y: 95, width: 200, height: 13 },
      { x: 150, y: 0, width: 50, height: 200 },
    ]) {
      const bits = plateBits(both, plate, frame, part);
      let different = 0;
      for (let y = 0; y < part.height; y++) {
        for (let x = 0; x < part.width; x++) {
          if (bitAt(bits, x, y) !== bitAt(all, part.x + x, part.y + y)) different++;
        }
      }
      expect(different).toBe(0);
    }
    expect(countInk(all)).toBeGreaterThan(1000);
  }
});

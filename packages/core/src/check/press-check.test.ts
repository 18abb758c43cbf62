import sharp from 'sharp';
import { hexToLab } from '../colour/lab.ts';
import type { Press } from '../press/press.ts';
import { bitAt, createBits, setBit, type Bits } from '../raster/bits.ts';
import { thinParts } from '../raster/thin-parts.ts';
import type { Picture } from '../raster/picture.ts';
import { plainPlate } from '../recipe/plain-plate.ts';
import type { OriginalRecipe, Recipe } from '../recipe/recipe.ts';
import type { Scene } from '../recipe/scene.ts';
import { newScreen, type Screen } from '../screen/screen.ts';
import { sceneOf, TEST_PRESS, testInk } from '../testing.ts';
import type { Finding } from './finding.ts';
import { angleDial } from './loudness.ts';
import { pressCheck } from './press-check.ts';

/** A ramp of coverage from solid at the left to bare at the right. */
const ramp: Picture = {
  width: 256,
  height: 64,
  channels: 1,
  data: Uint8Array.from({ length: 256 * 64 }, (_, i) => i % 256),
};

const grey = (value: number): Picture => ({
  width: 8,
  height: 4,
  channels: 1,
  data: new Uint8Array(32).fill(value),
});

function withPress(
  scene: Scene,
  press: Partial<Press>,
  change: (recipe: Recipe) => Partial<Recipe> = () => ({}),
): Scene {
  const recipe = {
    ...scene.recipe,
    press: { id: 'test', press: { ...TEST_PRESS, ...press }, compensates: true },
  };
  return { ...scene, recipe: { ...recipe, ...change(recipe) } };
}

const sheet = { width: 100, height: 50, resolution: 1200 };
const dots = (ruling: number, angle = 45, spot = 'round'): Screen =>
  newScreen('dots', { ruling, angle, spot });
const of = (check: string, findings: readonly Finding[]): Finding[] =>
  findings.filter((one) => one.check === check);
/** A picture larger than the sheet, so that nothing is said of bleed. */
const onBleed = (scene: Scene): Scene => ({
  ...scene,
  recipe: {
    ...scene.recipe,
    sheet: { ...scene.recipe.sheet, bleed: 3 },
    originals: scene.recipe.originals.map((one) => ({
      ...one,
      placement: { ...one.placement, x: -5, y: -5, width: 110 },
    })),
  },
});

/** After a mend, what the same check finds. */
function mended(scene: Scene, finding: Finding, label: RegExp): Finding[] {
  const mend = finding.mends.find((one) => label.test(one.label));
  expect(mend).toBeDefined();
  return of(finding.check, pressCheck({ ...scene, recipe: mend!.recipe }));
}

it('finds nothing without a press', () => {
  expect(pressCheck(sceneOf(ramp, sheet, dots(30)))).toEqual([]);
});

describe('pixels for dots', () => {
  it('a picture of fewer pixels than dots will fail; a coarser ruling mends it', () => {
    // 256 pixels over 100 mm: 65 an inch.
    const scene = withPress(sceneOf(ramp, sheet, dots(85)), {});
    const [finding] = of('too-coarse', pressCheck(scene));
    expect(finding.severity).toBe('fail');
    expect(finding.says).toContain('65 pixels an inch for 85 lpi');
    expect(mended(scene, finding, /^Ruling 43/)).toEqual([]);
    expect(of('too-coarse', pressCheck(withPress(sceneOf(ramp, sheet, dots(60)), {})))[0].severity).toBe(
      'risky',
    );
    expect(of('too-coarse', pressCheck(withPress(sceneOf(ramp, sheet, dots(40)), {})))).toEqual([]);
  });
  it('dots of few film pixels are told, with a film that is fine enough', () => {
    const scene = withPress(sceneOf(ramp, { ...sheet, resolution: 300 }, dots(55)), {});
    const [finding] = of('few-greys', pressCheck(scene));
    expect(finding.severity).toBe('fail');
    expect(mended(scene, finding, /^Film at/)).toEqual([]);
    expect(mended(scene, finding, /^Ruling/)).toEqual([]);
  });
});

describe('mesh', () => {
  const mesh = { count: 43, angle: 0, thread: 80 };
  it('fewer than four threads to a dot are told; ruling or mesh mend it', () => {
    const scene = withPress(sceneOf(ramp, sheet, dots(30)), { kind: 'screen', mesh });
    const [finding] = of('ruling-against-mesh', pressCheck(scene));
    expect(finding.severity).toBe('risky');
    expect(finding.says).toContain('3.6 threads');
    expect(mended(scene, finding, /^Ruling/)).toEqual([]);
    expect(mended(scene, finding, /^Mesh/)).toEqual([]);
  });
  it('a loud angle is told with its period; the quiet one is at least 6 dB quieter', () => {
    const coarse = { count: 36, angle: 0, thread: 120 };
    const scene = withPress(sceneOf(ramp, sheet, dots(46, 3)), { kind: 'screen', mesh: coarse });
    const [finding] = of('moire-mesh', pressCheck(scene));
    expect(finding.says).toMatch(/beats with the mesh every \d/);
    const dial = angleDial(scene.recipe, 0)!;
    const loud = (angle: number) => dial.mesh[Math.round(angle * 2) % 360];
    expect(loud(3)).toBeGreaterThan(0);
    expect(loud(dial.quiet)).toBeLessThanOrEqual(loud(3) / 2);
    expect(mended(scene, finding, /°$/)).toEqual([]);
  });
});

describe('dots and gaps', () => {
  const press = { leastDot: 250, leastGap: 200 };
  it('spots of screens without a lattice are measured as they come: grain holds where single spots are lost', () => {
    const limits = { leastDot: 100, leastGap: 100 };
    const found = (screen: Screen) =>
      pressCheck(withPress(onBleed(sceneOf(ramp, sheet, screen)), limits)).filter(({ check }) =>
        ['dots-lost', 'gaps-filled'].includes(check),
      );
    expect(found(newScreen('grain', { size: 0.5 }))).toEqual([]);
    expect(found(newScreen('blue', { spot: 0.13 }))).toEqual([]);
    expect(found(newScreen('blue', { spot: 0.06 })).map(({ check }) => check)).toEqual(
      expect.arrayContaining(['dots-lost', 'gaps-filled']),
    );
  });

  it('tones whose dots are lost are told with their area, to a few parts in a hundred', () => {
    const scene = withPress(onBleed(sceneOf(ramp, sheet, dots(30))), press);
    const [finding] = of('dots-lost', pressCheck(scene));
    // Round dots of 250 µm at 30 lpi: π ÷ 4 (0.25 ÷ 0.847)² = 6.84 % of the ramp's 110 mm, of which the last two
    // are off the film, as are 2 of its 27.5 mm of height.
    const area = Number(/^([\d.]+) cm²/.exec(finding.says)?.[1]);
    const expected = (0.0684 * 11 - 0.2) * 2.55;
    expect(area).toBeGreaterThan(expected * 0.93);
    expect(area).toBeLessThan(expected * 1.07);
    // They lie at the light end.
    expect(finding.places[0].x).toBeGreaterThan(80);
    expect(mended(scene, finding, /^Smallest dot/)).toEqual([]);
  });
  it('gaps that fill in are told, and kept open by the largest dot', () => {
    const scene = withPress(onBleed(sceneOf(ramp, sheet, dots(30))), press);
    const [finding] = of('gaps-filled', pressCheck(scene));
    expect(finding.places[0].x).toBeLessThan(20);
    expect(mended(scene, finding, /^Largest dot/)).toEqual([]);
  });
  it('what the press adds counts: films made against strong gain have smaller dots', () => {
    const area = (middle: number) => {
      const scene = withPress(onBleed(sceneOf(ramp, sheet, dots(30))), {
        ...press,
        gain: { by: 'number', middle, shape: 1 },
      });
      return Number(/^([\d.]+) cm²/.exec(of('dots-lost', pressCheck(scene))[0].says)?.[1]);
    };
    expect(area(28)).toBeGreaterThan(1.5 * area(0));
  });
  it('changing a number that a check does not go by changes nothing it found', () => {
    const find = (register: number) =>
      of('dots-lost', pressCheck(withPress(onBleed(sceneOf(ramp, sheet, dots(30))), { ...press, register })));
    const [[a], [b]] = [find(0.1), find(0.2)];
    expect(a.says).toBe(b.says);
    // But a mend keeps the press as it is now.
    expect(b.mends[0].recipe.press?.press.register).toBe(0.2);
  });
});

describe('bleed', () => {
  it('art that ends at the trim is extended over a bleed that the sheet is given', () => {
    const scene = withPress(sceneOf(grey(128), { ...sheet, height: 50 }, dots(20)), {});
    const [finding] = of('no-bleed', pressCheck(scene));
    expect(finding.says).toContain('left, right, head and foot');
    expect(mended(scene, finding, /^Bleed 3 mm/)).toEqual([]);
  });
});

describe('two inks', () => {
  /** Left half in one ink, right half in the other, each knocking out the other. */
  function halves(over: boolean): Scene {
    const half = (side: 0 | 1): Picture => ({
      width: 1000,
      height: 500,
      channels: 1,
      data: Uint8Array.from({ length: 500_000 }, (_, i) => (i % 1000 < 500 === (side === 0) ? 0 : 255)),
    });
    const scene = sceneOf(half(0), { width: 100, height: 50, resolution: 600 }, dots(30));
    const [first] = scene.recipe.originals;
    const second: OriginalRecipe = {
      ...first,
      id: 'original-2',
      content: {
        kind: 'picture',
        picture: 'other',
        crop: { x: 0, y: 0, width: 1, height: 1, turn: 0 },
        line: null,
        cut: null,
      },
      route: { kind: 'ink', ink: 'ink-2' },
      overprint: true,
    };
    const other = sceneOf(half(1), sheet, dots(30));
    return withPress(
      { ...scene, pictures: new Map([...scene.pictures, ['other', other.pictures.get('picture')!]]) },
      { register: 0.3 },
      ({ originals, plates, inks }) => ({
        originals: [...originals, { ...second, placement: { ...second.placement, x: over ? -1 : 0 } }],
        inks: [...inks, { ...testInk('ink-2', [80, 0, 60]), name: 'Yellow' }],
        plates: [...plates, plainPlate('plate-2', 'ink-2', dots(30, 75))],
      }),
    );
  }
  it('edges that only touch have no trap, told by their length; spreading the lighter ink mends it', () => {
    const scene = halves(false);
    const [finding] = of('no-trap', pressCheck(scene));
    const length = Number(/^([\d.]+) cm/.exec(finding.says)?.[1]);
    // One straight edge of 5 cm, told by what rows cross of it and the mean over all directions.
    expect(length).toBeGreaterThan(3.5);
    expect(length).toBeLessThan(6);
    expect(finding.mends[0].label).toBe('Spread Yellow 0.3 mm');
    expect(mended(scene, finding, /^Spread/)).toEqual([]);
  });
  it('edges that overlap by more than the register have', () => {
    expect(of('no-trap', pressCheck(halves(true)))).toEqual([]);
  });
  it('too much ink is told with the most of it', () => {
    const scene = withPress(
      onBleed(sceneOf(grey(20), sheet, dots(20))),
      { inkLimit: 150 },
      ({ originals, plates, inks }) => ({
        originals: [
          ...originals,
          { ...originals[0], id: 'original-2', route: { kind: 'ink', ink: 'ink-2' }, overprint: true },
        ],
        inks: [...inks, { ...testInk('ink-2', [80, 0, 60]), name: 'Yellow' }],
        plates: [...plates, plainPlate('plate-2', 'ink-2', dots(20, 75))],
      }),
    );
    const [finding] = of('too-much-ink', pressCheck(scene));
    expect(finding.severity).toBe('fail');
    expect(finding.says).toContain('up to 184 %');
  });
});

describe('thin parts', () => {
  /** Bars of given widths in pixels, 60 long, one under another. */
  function bars(widths: readonly number[]): Bits {
    const bits = createBits(
      120,
      widths.reduce((sum, wide) => sum + wide + 20, 20),
    );
    let top = 20;
    for (const wide of widths) {
      for (let y = top; y < top + wide; y++) for (let x = 30; x < 90; x++) setBit(bits, x, y);
      top += wide + 20;
    }
    return bits;
  }
  const rowsOf = (bits: Bits): number[] =>
    Array.from({ length: bits.height }, (_, y) => y).filter((y) => bitAt(bits, 60, y) === 1);

  it('are the bars thinner than the width, and none that are as wide', () => {
    // A disc of 7 pixels fits in 7 and 9, not in 5.
    expect(rowsOf(thinParts(bars([5, 7, 9]), 7)).length).toBe(5);
    expect(rowsOf(thinParts(bars([3, 5, 11]), 7)).length).toBe(8);
  });
  it('are what an opening by libvips’ own morphology takes away, disc by disc', async () => {
    const bits = bars([2, 4, 6, 8, 12]);
    const { width, height } = bits;
    const grey = Buffer.from(
      Array.from({ length: width * height }, (_, i) => 255 * bitAt(bits, i % width, Math.floor(i / width))),
    );
    // Of discs sharp knows erosion and dilation by their width one pixel at a time: squares would do for bars, whose ends are square.
    const opened = await sharp(grey, { raw: { width, height, channels: 1 } })
      .erode(3)
      .dilate(3)
      .raw()
      .toBuffer();
    const step = opened.length / (width * height);
    const thin = thinParts(bits, 7);
    for (let y = 0; y < height; y++)
      expect(bitAt(thin, 60, y)).toBe(
        bitAt(bits, 60, y) === 1 && opened[(y * width + 60) * step] < 128 ? 1 : 0,
      );
  });
});

describe('line work on the film', () => {
  /** Level bars of 60 mm, so many tenths of a millimetre thick, with so many between each and the next, as line work. */
  function bars(thick: readonly number[], gap: number): Scene {
    const dark = new Uint8Array(1000 * 500).fill(255);
    let top = 60;
    for (const tenths of thick) {
      for (let y = top; y < top + tenths; y++) dark.fill(0, y * 1000 + 200, y * 1000 + 800);
      top += tenths + gap;
    }
    const scene = sceneOf({ width: 1000, height: 500, channels: 1, data: dark }, sheet, dots(30));
    return withPress(scene, { leastLine: 0.4, leastLineGap: 0.4 }, ({ originals: [original] }) => ({
      originals: [
        {
          ...original,
          content: { ...original.content, line: { threshold: 50, smooth: 0 } } as OriginalRecipe['content'],
        },
      ],
    }));
  }
  const areaOf = (finding: Finding): number => {
    const [, number, unit] = /^([\d.]+) (mm²|cm²)/.exec(finding.says)!;
    return Number(number) * (unit === 'cm²' ? 100 : 1);
  };
  it('bars thinner than the press holds are told with their area and place, thicker ones are not', () => {
    const found = of('thin-lines', pressCheck(bars([2, 3, 6, 20], 30)));
    expect(found).toHaveLength(1);
    // 60 mm of 0.2 and of 0.3 mm.
    expect(areaOf(found[0])).toBeCloseTo(30, 0);
    const [place] = found[0].places;
    expect([place.x, place.width].map(Math.round)).toEqual([20, 60]);
    expect(of('thin-lines', pressCheck(bars([6, 20], 30)))).toEqual([]);
  });
  it('gaps that fill in are told, and what is bare all around is none', () => {
    const [found, ...rest] = of('thin-lines', pressCheck(bars([20, 20], 3)));
    expect(rest).toEqual([]);
    expect(found.says).toContain('fills in');
    // One gap of 60 by 0.3 mm.
    expect(areaOf(found)).toBeCloseTo(18, 0);
    expect(of('thin-lines', pressCheck(bars([20, 20], 6)))).toEqual([]);
  });
});

it('colours that the inks cannot make are told with their share of the picture', () => {
  // Left half white, right half a green that orange and black are far from, but for a quarter of it.
  const [white, green, orange] = [
    [255, 255, 255],
    [130, 220, 160],
    [241, 131, 49],
  ];
  const picture: Picture = {
    width: 80,
    height: 40,
    channels: 3,
    data: Uint8Array.from({ length: 80 * 40 * 3 }, (_, i) => {
      const pixel = Math.floor(i / 3);
      const x = pixel % 80;
      return (x < 40 ? white : pixel < 20 * 80 && x >= 60 ? orange : green)[i % 3];
    }),
  };
  const spots = (greenInk: boolean) =>
    withPress(sceneOf(picture, sheet, dots(30)), {}, (recipe) => ({
      inks: [
        testInk('ink-1', hexToLab('#f18331')),
        testInk('ink-2', [15, 0, 0]),
        ...(greenInk ? [testInk('ink-3', hexToLab('#00c83c'))] : []),
      ],
      plates: (greenInk ? ['ink-1', 'ink-2', 'ink-3'] : ['ink-1', 'ink-2']).map((ink) =>
        plainPlate(ink, ink, dots(30)),
      ),
      originals: recipe.originals.map((one) => ({
        ...one,
        route: {
          kind: 'spot',
          inks: greenInk ? ['ink-1', 'ink-2', 'ink-3'] : ['ink-1', 'ink-2'],
          limit: 250,
        },
      })),
    }));
  const [finding] = of('out-of-reach', pressCheck(spots(false)));
  expect(finding.severity).toBe('risky');
  const share = Number(/^(\d+) %/.exec(finding.says)?.[1]);
  expect(Math.abs(share - 37.5)).toBeLessThan(3);
  expect(finding.places[0].x).toBeGreaterThan(48);
  expect(of('out-of-reach', pressCheck(spots(true)))).toEqual([]);
});

describe('a base under other inks', () => {
  it('is choked by the register, else it shows at their edges', () => {
    const scene = withPress(
      sceneOf(grey(100), sheet, dots(30)),
      { register: 0.4 },
      ({ inks, plates, originals: [one] }) => ({
        originals: [{ ...one, route: { kind: 'ink', ink: 'ink-2' } }],
        inks: [...inks, { ...testInk('ink-2', [40, 0, 60]), name: 'Rosehip' }],
        plates: [
          { ...plates[0], base: { fullness: 50, highlights: null }, edgeSpread: -0.1 },
          plainPlate('plate-2', 'ink-2', dots(30, 75)),
        ],
      }),
    );
    const [finding] = of('no-trap', pressCheck(scene));
    expect(finding.says).toContain('choked by 0.1 mm');
    expect(mended(scene, finding, /^Choke .* 0.4 mm$/)).toEqual([]);
  });
});

describe('odd things', () => {
  it('an empty plate, a hidden original, a sheet too large and a film of another resolution are told', () => {
    const scene = withPress(
      sceneOf(grey(255), sheet, dots(30)),
      { sheet: { width: 90, height: 60 }, resolution: 720 },
      ({ originals }) => ({
        originals: [...originals, { ...originals[0], id: 'original-2', name: 'away.png', shown: false }],
      }),
    );
    const says = of('odd-things', pressCheck(scene)).map((one) => one.says);
    expect(says).toEqual(
      expect.arrayContaining([
        expect.stringContaining('carries nothing'),
        expect.stringContaining('“away.png” is hidden'),
        expect.stringContaining('this press takes 90 × 60 mm'),
        expect.stringContaining('720 dpi'),
      ]),
    );
  });
});

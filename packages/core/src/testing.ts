import { NO_GAIN } from './press/gain.ts';
import type { Press } from './press/press.ts';
import type { Gradient } from './gradient/gradient.ts';
import type { Bits } from './raster/bits.ts';
import { bitAt } from './raster/bits.ts';
import { checkLoans } from './raster/work-memory.ts';
import { buildPyramid } from './raster/pyramid.ts';
import type { Picture } from './raster/picture.ts';
import type { Lab } from './colour/lab.ts';
import type { Ink } from './ink/ink.ts';
import type { Crop, Recipe } from './recipe/recipe.ts';
import { plainPlate, WHITE_STOCK } from './recipe/plain-plate.ts';
import type { Scene } from './recipe/scene.ts';
import { newScreen, type Screen } from './screen/screen.ts';
import { startOf, stepKind } from './tone/steps/index.ts';
import { NO_TONE, type Tone, type ToneStep } from './tone/tone.ts';

/** Things the tests share. */

// Whoever reads work memory after it was given back reads nonsense.
checkLoans();

/** A tone step with these settings, the others as they start. */
export const toneStep = (kind: string, settings: Record<string, unknown> = {}): ToneStep => ({
  id: kind,
  kind,
  on: true,
  settings: { ...startOf(stepKind(kind)), ...(settings as ToneStep['settings']) },
});

/** A tone of these steps. */
export const toneOf = (...steps: ToneStep[]): Tone => ({ ...NO_TONE, steps });

export const WHOLE: Crop = { x: 0, y: 0, width: 1, height: 1, turn: 0 };

/** What a screen of straight dots can be told in short. */
export type Dots = Partial<
  Record<'spot', string> & Record<'ruling' | 'angle' | 'smallest' | 'largest', number>
>;

/** A screen of straight dots, round ones at 30 lpi and 45° unless it says otherwise. */
export const dotScreen = ({ smallest = 0, largest = 100, ...settings }: Dots = {}): Screen =>
  newScreen('dots', settings, { smallest, largest });

export const ROUND_30: Screen = dotScreen();

/** A grey picture from a function of x and y (0–255). */
export function greyPicture(width: number, height: number, of: (x: number, y: number) => number): Picture {
  const data = new Uint8Array(width * height);
  for (let y = 0; y < height; y++) for (let x = 0; x < width; x++) data[y * width + x] = of(x, y);
  return { width, height, channels: 1, data };
}

export const testInk = (id: string, lab: Lab, opacity = 0): Ink => ({
  id,
  name: id,
  lab,
  opacity,
  fountain: null,
});

/** One picture filling a sheet, one black ink, one plate. */
export function sceneOf(
  picture: Picture,
  sheet: Omit<Recipe['sheet'], 'bleed'>,
  screen: Dots | Screen = {},
  tone: Tone = NO_TONE,
): Scene {
  const recipe: Recipe = {
    sheet: { ...sheet, bleed: 0 },
    stock: WHITE_STOCK,
    originals: [
      {
        id: 'original-1',
        name: 'picture.png',
        content: { kind: 'picture', picture: 'picture', crop: WHOLE, line: null, cut: null },
        placement: { x: 0, y: 0, width: sheet.width, turn: 0, mirrored: false },
        shown: true,
        locked: false,
        tone,
        container: null,
        fade: null,
        mix: null,
        colourDots: null,
        route: { kind: 'ink', ink: 'ink-1' },
        overprint: false,
      },
    ],
    inks: [testInk('ink-1', [0, 0, 0])],
    overprints: [],
    plates: [plainPlate('plate-1', 'ink-1', 'kind' in screen ? screen : dotScreen(screen))],
    press: null,
    marks: { font: 'label', uses: [] },
  };
  return {
    recipe,
    pictures: new Map([['picture', buildPyramid(picture)]]),
    drawings: new Map(),
    typefaces: new Map(),
  };
}

/** Bits from a function of x and y. */
export function bitsFrom(width: number, height: number, of: (x: number, y: number) => boolean): Bits {
  const stride = (width + 7) >> 3;
  const data = new Uint8Array(stride * height);
  for (let y = 0; y < height; y++) {
    for (let x = 0; x < width; x++) if (of(x, y)) data[y * stride + (x >> 3)] |= 0x80 >> (x & 7);
  }
  return { width, height, stride, data };
}

/** Number of 4-connected patches of ink. */
export function countPatches(bits: Bits): number {
  const parent = new Int32Array(bits.width * bits.height).fill(-1);
  const root = (i: number): number => {
    while (parent[i] !== i) {
      parent[i] = parent[parent[i]];
      i = parent[i];
    }
    return i;
  };
  let patches = 0;
  for (let y = 0; y < bits.height; y++) {
    for (let x = 0; x < bits.width; x++) {
      if (!bitAt(bits, x, y)) continue;
      const i = y * bits.width + x;
      parent[i] = i;
      patches++;
      for (const j of [x > 0 ? i - 1 : -1, y > 0 ? i - bits.width : -1]) {
        if (j < 0 || parent[j] < 0) continue;
        const a = root(i);
        const b = root(j);
        if (a !== b) {
          parent[b] = a;
          patches--;
        }
      }
    }
  }
  return patches;
}

/** A linear gradient that is a flat tint of so many percent; changed where wanted. */
export const tintGradient = (tone: number, change: Partial<Gradient> = {}): Gradient => ({
  kind: 'gradient',
  shape: 'linear',
  ratio: 1,
  from: { x: 0, y: 0 },
  to: { x: 1, y: 0 },
  width: 1,
  stops: [
    { at: 0, tone, middle: 0.5 },
    { at: 1, tone, middle: 0.5 },
  ],
  points: [],
  limit: 100,
  ...change,
});

/** A press that does nothing of itself. */
export const TEST_PRESS: Press = {
  name: 'Test press',
  kind: 'offset',
  mesh: null,
  gain: NO_GAIN,
  inkGains: [],
  edgeGain: 0,
  leastDot: 0,
  leastGap: 0,
  leastLine: 0,
  leastLineGap: 0,
  inkLimit: 400,
  register: 0,
  sheet: { width: 1000, height: 700 },
  resolution: 1200,
  stocks: [],
};

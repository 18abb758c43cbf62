import type { Press } from '../press/press.ts';
import type { Gain } from '../press/gain.ts';
import { gainCurve } from '../press/gain.ts';
import { countInk } from '../raster/bits.ts';
import type { Picture } from '../raster/picture.ts';
import { filmFrame } from '../recipe/frame.ts';
import { asPrinted } from '../recipe/as-printed.ts';
import type { Scene } from '../recipe/scene.ts';
import { SCREEN_KINDS } from '../screen/kinds/index.ts';
import { newScreen, type Screen } from '../screen/screen.ts';
import { sceneOf, TEST_PRESS } from '../testing.ts';
import { isSequential, plateBits } from './evaluate.ts';

const STRONG: Gain = { by: 'number', middle: 28, shape: 1 };

const flat = (tone: number): Picture => {
  // Coverage 0–65535 at 16 bits: what is dark is inked; weights of grey add up to 1.
  const data = new Uint16Array(16).fill(Math.round(65535 * (1 - tone)));
  return { width: 4, height: 4, channels: 1, data };
};

/** A flat tone of 0–1 on a sheet of 20 × 20 mm. */
function sceneFor(
  screen: Screen,
  tone: number,
  press: Partial<Press> | null,
  compensates = true,
  resolution = 1200,
): Scene {
  const scene = sceneOf(flat(tone), { width: 20, height: 20, resolution }, screen);
  const chosen = press && { id: 'test', press: { ...TEST_PRESS, ...press }, compensates };
  return { ...scene, recipe: { ...scene.recipe, press: chosen } };
}

function inked(scene: Scene): number {
  const frame = filmFrame(scene.recipe);
  const bits = plateBits(scene, 0, frame, { x: 0, y: 0, width: frame.width, height: frame.height });
  return countInk(bits) / (frame.width * frame.height);
}

const print = (scene: Scene): Scene => ({ ...scene, recipe: asPrinted(scene.recipe) });

const TONES = [0.05, 0.1, 0.22, 0.3, 0.4, 0.5, 0.6, 0.7, 0.81, 0.9, 0.95];

const screens = SCREEN_KINDS.filter(({ hasDots }) => hasDots !== false)
  // Grain of its own contrast is not asked to keep tones; spots are small against the sheet, at whose edges diffusion begins.
  .map(({ kind }) =>
    newScreen(
      kind,
      kind === 'grain' ? { strength: 100, contrast: 100 } : kind === 'diffused' ? { spot: 0.12 } : {},
    ),
  );

describe.each(screens.map((screen) => [screen.kind, screen] as const))(
  '%s on a press of 28 %% gain',
  (_kind, screen) => {
    const most = isSequential(screen) ? 0.01 : 0.005;

    it.each(TONES)('what is asked is what is printed, at %d', (tone) => {
      const asked = inked(sceneFor(screen, tone, null));
      const scene = sceneFor(screen, tone, { gain: STRONG });
      expect(Math.abs(inked(print(scene)) - asked)).toBeLessThanOrEqual(most);
      // And the film opens up for it.
      expect(inked(scene)).toBeLessThan(asked);
    });
    it('prints by its curve what is not compensated', () => {
      for (const tone of [0.15, 0.45, 0.8]) {
        const scene = sceneFor(screen, tone, { gain: STRONG }, false);
        expect(inked(scene)).toBe(inked(sceneFor(screen, tone, null)));
        const expected = inked(sceneFor(screen, gainCurve(STRONG)(tone), null));
        expect(Math.abs(inked(print(scene)) - expected)).toBeLessThanOrEqual(most);
      }
    });
  },
);

it('crossed lines print what is asked of both sets together', () => {
  const screen = newScreen('lines', { path: 'straight', crossed: 40, ruling: 24 });
  for (const tone of TONES) {
    const asked = inked(sceneFor(screen, tone, null));
    expect(Math.abs(inked(print(sceneFor(screen, tone, { gain: STRONG }))) - asked)).toBeLessThanOrEqual(
      0.005,
    );
  }
});

it('a press that prints less than the film has its dots made larger', () => {
  for (const kind of ['dots', 'diffused']) {
    const scene = sceneFor(newScreen(kind), 0.5, { gain: { by: 'number', middle: -10, shape: 1 } });
    expect(inked(scene)).toBeGreaterThan(0.55);
    expect(Math.abs(inked(print(scene)) - 0.5)).toBeLessThanOrEqual(0.01);
  }
});

it('an ink’s own gain goes before the press’s, by its name', () => {
  const gains = {
    gain: STRONG,
    inkGains: [{ ink: ' INK-1 ', gain: { by: 'number', middle: 0, shape: 1 } as const, calibrated: null }],
  };
  expect(inked(sceneFor(newScreen('dots'), 0.5, gains))).toBe(inked(sceneFor(newScreen('dots'), 0.5, null)));
});

it('hard edges have no tones: their print is the film with its edges moved', () => {
  const scene = sceneOf(
    { width: 2, height: 1, channels: 1, data: Uint8Array.of(0, 255) },
    { width: 20, height: 10, resolution: 1200 },
    newScreen('threshold'),
  );
  const pressed = {
    ...scene,
    recipe: {
      ...scene.recipe,
      press: { id: 'test', press: { ...TEST_PRESS, edgeGain: 0.2 }, compensates: true },
    },
  };
  expect(inked(pressed)).toBe(inked(scene));
  // One edge across the sheet, 0.2 mm of its 20 farther.
  expect(inked(print(pressed)) - inked(scene)).toBeCloseTo(0.01, 3);
});

it('dots keep their place: what the film inks is inked in the print', () => {
  for (const screen of [newScreen('dots'), newScreen('diffused'), newScreen('lines')]) {
    const scene = sceneFor(screen, 0.3, { gain: STRONG });
    const frame = filmFrame(scene.recipe);
    const region = { x: 100, y: 100, width: 400, height: 400 };
    const film = plateBits(scene, 0, frame, region);
    const printed = plateBits(print(scene), 0, frame, region);
    expect(film.data.every((byte, i) => (byte & ~printed.data[i]) === 0)).toBe(true);
  }
});

it('any region of a print equals that part of the whole', () => {
  for (const screen of [newScreen('dots'), newScreen('diffused', { spot: 0.1 }), newScreen('threshold')]) {
    const scene = print(sceneFor(screen, 0.3, { gain: STRONG, edgeGain: 0.1 }));
    const frame = filmFrame(scene.recipe);
    const all = plateBits(scene, 0, frame, { x: 0, y: 0, width: frame.width, height: frame.height });
    const part = { x: 203, y: 317, width: 128, height: 90 };
    const cut = plateBits(scene, 0, frame, part);
    for (let y = 0; y < part.height; y += 7)
      for (let x = 0; x < part.width; x += 5) {
        const bit = (bits: typeof all, u: number, v: number) =>
          (bits.data[v * bits.stride + (u >> 3)] >> (7 - (u & 7))) & 1;
        expect(bit(cut, x, y)).toBe(bit(all, part.x + x, part.y + y));
      }
  }
});

import { Resvg } from '@resvg/resvg-js';
import { difference2000 } from '../colour/difference.ts';
import { overprintLight } from '../ink/overprint.ts';
import { wideToXyz } from '../colour/wide-rgb.ts';
import { hexToLab, xyzToLab, type Lab } from '../colour/lab.ts';
import { plainPlate, WHITE_STOCK } from '../recipe/plain-plate.ts';
import type { Scene } from '../recipe/scene.ts';
import { newScreen, type Screen } from '../screen/screen.ts';
import { greyPicture, sceneOf, testInk } from '../testing.ts';
import { platesSvg } from './svg.ts';

const PURE = { smooth: 0, outlines: 'pure' } as const;

const BLACK = testInk('black', hexToLab('#202020'));

/** Black all over, and an ink over it. */
function twoInks(opacity: number, name = 'Rosehip'): Scene {
  const base = sceneOf(
    greyPicture(8, 8, () => 0),
    { width: 20, height: 20, resolution: 300 },
  );
  const [original] = base.recipe.originals;
  const red = { ...testInk('red', hexToLab('#d03040'), opacity), name };
  return {
    ...base,
    recipe: {
      ...base.recipe,
      inks: [{ ...BLACK, name: 'Black' }, red],
      plates: ['black', 'red'].map((ink) =>
        plainPlate(`plate-${ink}`, ink, newScreen('dots', { ruling: 20 })),
      ),
      originals: ['black', 'red'].map((ink, i) => ({
        ...original,
        id: ink,
        route: { kind: 'ink' as const, ink },
        overprint: i > 0,
      })),
    },
  };
}

/** The colour in the middle of a file on white, as resvg draws it. */
function drawn(text: string): Lab {
  const { width, pixels } = new Resvg(text, {
    fitTo: { mode: 'width', value: 60 },
    background: 'white',
  }).render();
  const at = (30 * width + 30) * 4;
  const hex = [0, 1, 2].map((k) => pixels[at + k].toString(16).padStart(2, '0')).join('');
  return hexToLab(`#${hex}`);
}

describe('several inks in one SVG', () => {
  it.each([
    [0, 6],
    [0.1, 4],
    [0.4, 4],
    [0.7, 4],
    [1, 1],
  ])('an ink of opacity %d over black looks nearly as the ink model has it', (opacity, most) => {
    const scene = twoInks(opacity);
    const { text } = platesSvg(scene, [0, 1], 'test', PURE);
    const solid = overprintLight(WHITE_STOCK, scene.recipe.inks)[3];
    expect(difference2000(drawn(text), xyzToLab(wideToXyz(solid)))).toBeLessThan(most);
  });
  it('black stays dark under a transparent ink, and is hidden by one that covers', () => {
    expect(drawn(platesSvg(twoInks(0), [0, 1], 'test', PURE).text)[0]).toBeLessThan(13);
    expect(drawn(platesSvg(twoInks(1), [0, 1], 'test', PURE).text)[0]).toBeGreaterThan(40);
  });
  it('says which inks, in which order, and gives each group an id of its own', () => {
    const { text } = platesSvg(twoInks(0, 'Black'), [0, 1], 'test', PURE);
    expect(text).toContain(
      '<desc>Inks in the order they are printed, each over those before it: Black (multiplies), Black (multiplies).</desc>',
    );
    expect([...text.matchAll(/<g id="([^"]*)"/g)].map(([, id]) => id)).toEqual(['Black', 'Black-2']);
  });
  it('one ink alone multiplies nothing', () => {
    expect(platesSvg(twoInks(0), [1], 'test', PURE).text).not.toContain('mix-blend-mode');
  });
});

it.each<[string, Screen]>([
  ['dots', newScreen('dots')],
  ['pixels', newScreen('threshold')],
])('a blended ink leaves as a gradient along its line, with its colours, as %s', (_, screen) => {
  const scene = twoInks(0);
  const [black, red] = scene.recipe.inks;
  const stops = [
    { at: 0, lab: hexToLab('#d03040') },
    { at: 100, lab: hexToLab('#3060c0') },
  ];
  const blended = { ...red, fountain: { angle: 0, stops } };
  const plates = scene.recipe.plates.map((plate) => ({ ...plate, screen }));
  const recipe = { ...scene.recipe, inks: [black, blended], plates };
  const { text } = platesSvg({ ...scene, recipe }, [1], 'test', PURE);
  const { width, pixels } = new Resvg(text, { fitTo: { mode: 'width', value: 60 } }).render();
  const lab = (x: number) => {
    const at = (30 * width + x) * 4;
    return hexToLab(`#${[0, 1, 2].map((k) => pixels[at + k].toString(16).padStart(2, '0')).join('')}`);
  };
  expect(difference2000(lab(1), stops[0].lab)).toBeLessThan(3);
  expect(difference2000(lab(58), stops[1].lab)).toBeLessThan(3);
  expect(
    difference2000(lab(30), [0, 1, 2].map((k) => (stops[0].lab[k] + stops[1].lab[k]) / 2) as unknown as Lab),
  ).toBeLessThan(3);
});

import { TEST_PRESS, tintGradient } from '@brachytone/core/testing.ts';
import { readFileSync } from 'node:fs';
import { mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import {
  newScreen,
  plainPlate,
  WHITE_STOCK,
  bitAt,
  filmFrame,
  NO_TONE,
  outlineLettering,
  plateBits,
  pressCheck,
  type Bits,
  type Finding,
  type Lettering,
  type OriginalRecipe,
  type Press,
  type Recipe,
  type Region,
  type Scene,
} from '@brachytone/core';
import { countInk, cropBits } from '@brachytone/core/raster/bits.ts';
import { plateArt } from '@brachytone/core/plate/plate-art.ts';
import { Resvg } from '@resvg/resvg-js';
import { readTypeface, UnreadableTypeface, unpackWoff } from './index.ts';

const file = (name: string) =>
  new Uint8Array(readFileSync(new URL(`../../../apps/server/typefaces/${name}.woff`, import.meta.url)));
const anton = readTypeface(file('anton'));

const gradient = tintGradient(50, { to: { x: 0, y: 1 } });

function lettering(change: Partial<Lettering> = {}): OriginalRecipe {
  const layout = { text: 'MARSH', align: 'centre', tracking: 0, leading: 100, ...change } as const;
  const { width, height } = outlineLettering(layout, anton);
  return {
    id: 'letters',
    name: 'MARSH',
    content: {
      kind: 'lettering',
      font: 'anton',
      ratio: height / width,
      fill: 'solid',
      gradient,
      outline: { width: 0, paint: 'bare' },
      inner: { width: 0, paint: 'solid' },
      glow: { reach: 4, strength: 0, paint: 'solid' },
      ...layout,
    },
    placement: { x: 10, y: 10, width: 80, turn: 0, mirrored: false },
    shown: true,
    locked: false,
    tone: NO_TONE,
    container: null,
    fade: null,
    mix: null,
    colourDots: null,
    route: { kind: 'ink', ink: 'ink-1' },
    overprint: true,
  };
}

function sceneOf(...originals: OriginalRecipe[]): Scene {
  const screen = newScreen('dots', { ruling: 40 });
  const recipe: Recipe = {
    sheet: { width: 100, height: 70, bleed: 0, resolution: 254 },
    stock: WHITE_STOCK,
    originals,
    inks: [
      { id: 'ink-1', name: 'Black', lab: [0, 0, 0], opacity: 0, fountain: null },
      { id: 'ink-2', name: 'Lantern', lab: [62, 24, 60], opacity: 0, fountain: null },
    ],
    overprints: [],
    press: null,
    marks: { font: 'anton', uses: [] },
    plates: [plainPlate('plate-1', 'ink-1', screen), plainPlate('plate-2', 'ink-2', screen)],
  };
  return { recipe, pictures: new Map(), drawings: new Map(), typefaces: new Map([['anton', anton]]) };
}

function film(scene: Scene, plate = 0, region?: Region): Bits {
  const frame = filmFrame(scene.recipe);
  return plateBits(scene, plate, frame, region ?? { x: 0, y: 0, width: frame.width, height: frame.height });
}

/** A gradient of 60 % over the whole sheet. */
const ground = (ink = 'ink-1'): OriginalRecipe => ({
  ...lettering(),
  id: 'ground',
  content: { ...gradient, ratio: 0.7, stops: gradient.stops.map((stop) => ({ ...stop, tone: 60 })) },
  placement: { x: 0, y: 0, width: 100, turn: 0, mirrored: false },
  route: { kind: 'ink', ink },
  overprint: false,
});

describe('lettering', () => {
  it.each(['anton', 'alfa-slab-one', 'bowlby-one'])(
    '%s: kerned, spaced and drawn as another renderer draws the same text',
    (name) => {
      const face = readTypeface(file(name));
      const folder = mkdtempSync(join(tmpdir(), 'face-'));
      try {
        const path = join(folder, 'face.ttf');
        writeFileSync(path, unpackWoff(file(name)));
        const text = 'AVATO Try';
        const svg = `<svg xmlns="http://www.w3.org/2000/svg" width="1400" height="400"><text x="100" y="300" font-family="${face.name}" font-size="200" text-rendering="geometricPrecision">${text}</text></svg>`;
        const image = new Resvg(svg, {
          font: { fontFiles: [path], loadSystemFonts: false, defaultFontFamily: face.name },
        }).render();
        const { pixels } = image;
        const original = lettering({ text, align: 'left' });
        const outline = outlineLettering({ text, align: 'left', tracking: 0, leading: 100 }, face);
        // One em is 200 of the renderer's pixels.
        const placed = {
          ...original,
          content: { ...(original.content as Lettering), ratio: outline.height / outline.width },
          placement: {
            ...original.placement,
            x: 10,
            y: 30 - face.ascent * 20,
            width: outline.width * 20,
          },
        };
        const scene = sceneOf(placed);
        const recipe = { ...scene.recipe, sheet: { width: 140, height: 40, bleed: 0, resolution: 254 } };
        const bits = film({ ...scene, recipe, typefaces: new Map([['anton', face]]) });
        let [different, inked] = [0, 0];
        for (let y = 0; y < 400; y++) {
          for (let x = 0; x < 1400; x++) {
            const alpha = pixels[(y * 1400 + x) * 4 + 3];
            inked += alpha / 255;
            if (alpha >= 128 !== (bitAt(bits, x, y) === 1)) different++;
          }
        }
        expect(inked).toBeGreaterThan(50_000);
        expect(Math.abs(countInk(bits) / inked - 1)).toBeLessThan(0.005);
        expect(different / inked).toBeLessThan(0.01);
      } finally {
        rmSync(folder, { recursive: true });
      }
    },
  );

  it('lays lines out by their edge or middle, a line feed one leading lower', () => {
    const layout = { text: 'II\nIIIIII', tracking: 0, leading: 120 } as const;
    const left = outlineLettering({ ...layout, align: 'left' }, anton);
    const right = outlineLettering({ ...layout, align: 'right' }, anton);
    const middle = outlineLettering({ ...layout, align: 'centre' }, anton);
    const first = (outline: typeof left) => outline.contours[0].start;
    const free = left.width - anton.line('II', 0).width;
    expect(first(right)[0] - first(left)[0]).toBeCloseTo(free, 9);
    expect(first(middle)[0] - first(left)[0]).toBeCloseTo(free / 2, 9);
    expect(left.height).toBeCloseTo(anton.ascent + anton.descent + 1.2, 9);
    const tracked = outlineLettering({ ...layout, align: 'left', tracking: 10 }, anton);
    expect(tracked.width - left.width).toBeCloseTo(0.5, 9);
  });

  it('solid, lies hard-edged over a screened ground, whatever its tone; bare, it is knocked out of it', () => {
    const letters = film(sceneOf(lettering()));
    const over = film(sceneOf(ground(), lettering()));
    const out = film(sceneOf(ground(), lettering({ fill: 'bare' })));
    for (let i = 0; i < letters.data.length; i++) {
      if ((over.data[i] & letters.data[i]) !== letters.data[i]) throw new Error('A letter is not solid.');
      if (out.data[i] & letters.data[i]) throw new Error('A letter is not bare.');
    }
    expect(countInk(letters)).toBeGreaterThan(25_000);
  });

  it('filled with a gradient, is screened within its letters, and knocks out other plates', () => {
    const letters = film(sceneOf(lettering()));
    const filled = film(sceneOf(lettering({ fill: 'gradient' })));
    expect(countInk(filled) / countInk(letters)).toBeCloseTo(0.5, 2);
    for (let i = 0; i < letters.data.length; i++) {
      if (filled.data[i] & ~letters.data[i]) throw new Error('A dot lies outside its letter.');
    }
    const knocking = { ...lettering({ fill: 'gradient' }), overprint: false };
    const other = film(sceneOf(ground('ink-2'), knocking), 1);
    for (let i = 0; i < letters.data.length; i++) {
      if (other.data[i] & letters.data[i]) throw new Error('The other plate is not knocked out.');
    }
  });

  it('outlined and edged, has lines of their widths outside and inside its letters', () => {
    const letters = film(sceneOf(lettering()));
    const outlined = film(sceneOf(lettering({ fill: 'none', outline: { width: 0.5, paint: 'solid' } })));
    const edged = film(sceneOf(lettering({ fill: 'none', inner: { width: 0.5, paint: 'solid' } })));
    let [inside, outside] = [0, 0];
    for (let i = 0; i < letters.data.length; i++) {
      inside |= outlined.data[i] & letters.data[i];
      outside |= edged.data[i] & ~letters.data[i];
    }
    expect([inside, outside]).toEqual([0, 0]);
    // Half a millimetre is five pixels: along a straight stem just so many.
    const runs = (bits: Bits, y: number) => {
      const found: number[] = [];
      for (let x = 0, run = 0; x <= bits.width; x++) {
        if (x < bits.width && bitAt(bits, x, y)) run++;
        else if (run > 0) {
          found.push(run);
          run = 0;
        }
      }
      return found;
    };
    const middle = Math.round(((10 + (80 * (lettering().content as Lettering).ratio) / 2) / 25.4) * 254);
    expect(runs(outlined, middle).filter((run) => run === 5).length).toBeGreaterThanOrEqual(2);
    expect(runs(edged, middle).filter((run) => run === 5).length).toBeGreaterThanOrEqual(2);
  });

  it('glows softly around its letters, as strong as it says at their edge and gone at its reach', () => {
    const text = 'I';
    // A letter 10 mm wide, its foot at 10 mm: row 50 runs through the middle of its stem.
    const em = 10 / anton.line(text, 0).width;
    const scene = sceneOf({
      ...lettering({ text, glow: { reach: 6, strength: 60, paint: 'solid' } }),
      placement: { x: 45, y: 10 - em * anton.ascent, width: 10, turn: 0, mirrored: false },
    });
    const frame = filmFrame(scene.recipe);
    const { tone, line } = plateArt(scene, 0, frame, { x: 0, y: 50, width: frame.width, height: 1 });
    let edge = frame.width;
    while (edge > 0 && !bitAt(line!.ink, edge - 1, 0)) edge--;
    const at = (mm: number) => tone.data[edge + Math.round(mm * 10)] / 655.35;
    expect(at(0.1)).toBeGreaterThan(45);
    expect(at(0.1)).toBeLessThanOrEqual(60);
    expect(at(3)).toBeLessThan(at(1));
    expect(at(9)).toBeLessThan(1);
  });

  it('in all its parts, any region equals that part of the whole, bit for bit', () => {
    const all = {
      ...lettering({
        text: 'MARSH\nnight',
        fill: 'gradient',
        outline: { width: 0.8, paint: 'bare' },
        inner: { width: 0.3, paint: 'solid' },
        glow: { reach: 5, strength: 70, paint: 'solid' },
      }),
      placement: { x: 20, y: 5, width: 55, turn: 12, mirrored: false },
    };
    const scene = sceneOf(ground(), all);
    const whole = film(scene);
    for (const region of [
      { x: 165, y: 78, width: 201, height: 103 },
      { x: 450, y: 400, width: 275, height: 49 },
    ]) {
      expect(Buffer.compare(film(scene, 0, region).data, cropBits(whole, region).data)).toBe(0);
    }
  });

  it('without tones, solid or bare, over a ground or beside it, is laid the same in any region, on every plate', () => {
    const letters = {
      ...lettering({ text: 'MARSH\nnight', outline: { width: 0.8, paint: 'bare' } }),
      placement: { x: 20, y: 5, width: 55, turn: 12, mirrored: false },
    };
    const half = { ...ground('ink-2'), placement: { ...ground().placement, width: 48 } };
    for (const originals of [[ground(), letters], [half, letters], [letters]]) {
      for (const overprint of [false, true]) {
        const scene = sceneOf(
          ...originals.map((one) => ({ ...one, overprint: one === letters && overprint })),
        );
        for (const plate of [0, 1]) {
          const whole = film(scene, plate);
          for (const region of [
            { x: 165, y: 78, width: 201, height: 103 },
            { x: 10, y: 150, width: 180, height: 40 },
            { x: 700, y: 600, width: 64, height: 30 },
          ]) {
            const part = film(scene, plate, region);
            expect(Buffer.compare(part.data, cropBits(whole, region).data)).toBe(0);
          }
        }
      }
    }
  });

  it('of a typeface that is not there is an error that names it; a damaged one is a sentence', () => {
    expect(() => film({ ...sceneOf(lettering()), typefaces: new Map() })).toThrow('MARSH');
    expect(() => readTypeface(file('anton').subarray(0, 900))).toThrow(UnreadableTypeface);
    expect(() => readTypeface(new Uint8Array(200))).toThrow(UnreadableTypeface);
  });
});

describe('the press check of type', () => {
  /** What is thin in a line of type of 80 mm. */
  function thinIn(
    name: string,
    text: string,
    press: Partial<Press>,
    change: Partial<Lettering> = {},
    screen = newScreen('dots'),
  ): Finding[] {
    const face = readTypeface(file(name));
    const layout = { text, align: 'centre', tracking: 0, leading: 100, ...change } as const;
    const { width, height } = outlineLettering(layout, face);
    const original = lettering(layout);
    const type = { ...original, content: { ...original.content, ratio: height / width } };
    const scene = sceneOf({ ...type, placement: { ...type.placement, y: 20 } });
    const recipe = {
      ...scene.recipe,
      sheet: { ...scene.recipe.sheet, resolution: 1200 },
      plates: scene.recipe.plates.map((plate) => ({ ...plate, screen })),
      press: { id: 'test', press: { ...TEST_PRESS, ...press }, compensates: true },
    };
    return pressCheck({ ...scene, recipe, typefaces: new Map([['anton', face]]) }).filter(
      ({ check }) => check === 'thin-lines',
    );
  }
  const holds = (millimetres: number) => ({ leastLine: millimetres, leastLineGap: millimetres });

  // Stems and counters as the typefaces' outlines have them: at this width the words are 12 to 18 mm an em.
  it.each(['anton', 'alfa-slab-one', 'bowlby-one'])('%s: nothing is thin at a size that holds', (name) => {
    expect(thinIn(name, 'Saltmarsh', holds(0.2))).toEqual([]);
  });

  it.each(['anton', 'alfa-slab-one', 'bowlby-one'])(
    '%s: stems are, once a press holds nothing as fine',
    (name) => {
      expect(thinIn(name, 'Saltmarsh, September to April', holds(1.2))[0].says).toContain(
        'thinner than 1.2 mm',
      );
    },
  );

  it('screened letters whose stems are under two dots are told; line work or a finer ruling mends it', () => {
    // Stems of about 1.3 mm: 1 cell at 20 lpi, 2.6 at 50.
    const text = 'Saltmarsh, September to April, all evening';
    const screened = (ruling: number) =>
      thinIn('anton', text, holds(0.05), { fill: 'gradient' }, newScreen('dots', { ruling }));
    const [finding] = screened(20);
    expect(finding.says).toMatch(
      /is screened at 20 lpi, and \d+ % of its letters is thinner than two dots \(2\.54 mm\)/,
    );
    expect(finding.mends.map(({ label }) => label)).toEqual(['Make it line work', 'Ruling 30 lpi']);
    expect(finding.mends[0].recipe.originals[0].content).toMatchObject({ fill: 'solid' });
    expect(screened(85)).toEqual([]);
  });
});

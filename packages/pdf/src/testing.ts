import { execFileSync } from 'node:child_process';
import { mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import {
  hexToLab,
  memorySink,
  newScreen,
  plainPlate,
  usualMarks,
  type FilmOptions,
  type Scene,
} from '@brachytone/core';
import { greyPicture, sceneOf, testInk } from '@brachytone/core/testing.ts';
import { readTypeface } from '@brachytone/typeface';
import type { WritePdf } from './index.ts';

/** Things the tests of PDF files share. */

export const LABEL_FONT = new Uint8Array(
  readFileSync(new URL('../../../apps/server/typefaces/archivo.ttf', import.meta.url)),
);

export const OPTIONS: FilmOptions = {
  mirrored: false,
  negative: false,
  smooth: 0,
  outlines: 'pure',
  pages: 'composite',
  panels: null,
  ppi: 150,
  depth: 8,
};

/** A folder that goes away after the tests of a file. */
export function testFolder(): string {
  const folder = mkdtempSync(join(tmpdir(), 'pdf-'));
  afterAll(() => rmSync(folder, { recursive: true }));
  return folder;
}

/** Writes a PDF of a scene into a file. */
export function write(
  file: string,
  format: WritePdf,
  scene: Scene,
  options: Partial<FilmOptions> = {},
  intent?: { profile: Uint8Array; name: string },
): Uint8Array {
  const sink = memorySink();
  const plates = scene.recipe.plates.flatMap(({ printed }, i) => (printed ? [i] : []));
  const making = format({
    scene,
    holds: 'job',
    plates,
    name: 'Low tide & high',
    day: '2026-11-29',
    options: { ...OPTIONS, ...options },
    sink,
    fonts: new Map(),
    labelFont: LABEL_FONT,
    intent,
  });
  const shares: number[] = [];
  for (let step = making.next(); !step.done; step = making.next()) shares.push(step.value);
  expect(shares.every((share, i) => share <= 1 && (i === 0 || share >= shares[i - 1]))).toBe(true);
  writeFileSync(file, sink.bytes());
  return sink.bytes();
}

/** Runs a program; what it says. */
export const tool = (name: string, ...args: string[]): string =>
  execFileSync(name, args, { encoding: 'utf8', stdio: ['ignore', 'pipe', 'pipe'], maxBuffer: 1 << 28 });

const face = readTypeface(LABEL_FONT);

/** Three inks, one of a name that has to be escaped, tones on two and line work on the third; bleed and marks. */
export function three(change: { marks?: boolean; resolution?: number } = {}): Scene {
  const { marks = true, resolution = 600 } = change;
  const base = sceneOf(
    greyPicture(300, 200, (x, y) => 128 + 110 * Math.sin(x / 23) * Math.cos(y / 17)),
    { width: 60, height: 40, resolution },
  );
  const [picture] = base.recipe.originals;
  const text = {
    ...picture,
    id: 'letters',
    name: 'Letters',
    route: { kind: 'ink' as const, ink: 'ink-3' },
    overprint: true,
    content: {
      kind: 'lettering' as const,
      font: 'label',
      ratio: 0.3,
      text: 'Low tide',
      align: 'left' as const,
      tracking: 0,
      leading: 100,
      fill: 'solid' as const,
      gradient: undefined as never,
      outline: { width: 0, paint: 'bare' as const },
      inner: { width: 0, paint: 'solid' as const },
      glow: { reach: 4, strength: 0, paint: 'solid' as const },
    },
    placement: { x: 8, y: 10, width: 40, turn: 0, mirrored: false },
  };
  return {
    ...base,
    typefaces: new Map([['label', face]]),
    recipe: {
      ...base.recipe,
      sheet: { ...base.recipe.sheet, bleed: 3 },
      // Files know nothing of light that spreads in a stock.
      stock: { ...base.recipe.stock, lab: [100, 0, 0], yuleNielsen: 1 },
      inks: [
        { ...testInk('ink-1', hexToLab('#e8b84a')), name: 'Lantern' },
        { ...testInk('ink-2', hexToLab('#3a7d8c')), name: 'Tide (deep) #2' },
        { ...testInk('ink-3', hexToLab('#2a2a2e')), name: 'Reed black' },
      ],
      originals: [
        picture,
        {
          ...picture,
          id: 'two',
          route: { kind: 'ink', ink: 'ink-2' },
          overprint: true,
          tone: base.recipe.originals[0].tone,
        },
        text,
      ],
      plates: [
        plainPlate('plate-1', 'ink-1', newScreen('dots', { ruling: 30, angle: 15 })),
        plainPlate('plate-2', 'ink-2', newScreen('dots', { ruling: 30, angle: 75 })),
        plainPlate('plate-3', 'ink-3', newScreen('dots', { ruling: 30, angle: 45 })),
      ],
      marks: { ...usualMarks('label'), uses: marks ? usualMarks('label').uses : [] },
    },
  };
}

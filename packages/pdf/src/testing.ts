import { execFileSync } from 'node:child_process';
import { mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { memorySink, type FilmOptions, type Scene } from '@brachytone/core';
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

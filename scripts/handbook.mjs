/** Makes the pictures of the handbook: each treatment that ships, seen on a demo original that suits it, and a strip for each stage. */
import { execFileSync } from 'node:child_process';
import { mkdirSync, mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import sharp from 'sharp';
import { build, install, ROOT } from './steps.mjs';

/** Longer side of a picture, pixels, and of the sheet it is seen on, mm: small enough for its dots to be seen. */
const PIXELS = 640;
const SHEET = '150';
const CLI = join(ROOT, 'apps/cli/bin/brachytone.js');

/** What is seen in colour, and what is line art; all else is seen on the moon. */
const IN_COLOUR = new Set([
  'process-coarse',
  'process-fine',
  'colour-dots',
  'dark-cloth',
  'one-strong-colour',
  'picture-under-dots',
  'three-inks',
  'bands-and-burst',
  'four-flat-inks',
  'pulp-cover',
]);
const LINE_ART = new Set(['clean-line-art', 'soft-shadow', 'stars', 'blended-ink', 'dots-apart']);

await install();
await build();
const cli = (...args) => execFileSync(process.execPath, [CLI, ...args]);
const folder = mkdtempSync(join(tmpdir(), 'handbook-'));
const out = join(ROOT, 'docs/handbook/pictures');
mkdirSync(out, { recursive: true });
try {
  for (const { id } of JSON.parse(cli('treatments', '--json').toString())) {
    const original = IN_COLOUR.has(id)
      ? 'marsh-at-dusk.jpg'
      : LINE_ART.has(id)
        ? 'heron.svg'
        : 'moon-over-reeds.jpg';
    const png = join(folder, `${id}.png`);
    const picture = join(ROOT, 'demo/originals', original);
    cli('proof', picture, '--treatment', id, '--sheet', SHEET, '--pixels', String(PIXELS), '--out', png);
    await sharp(png)
      .webp({ quality: 78 })
      .toFile(join(out, `${id}.webp`));
    console.log(id);
  }
  const tsx = join(ROOT, 'node_modules/tsx/dist/cli.mjs');
  execFileSync(process.execPath, [tsx, join(ROOT, 'scripts/handbook-stages.ts'), CLI, folder, out], {
    cwd: ROOT,
    stdio: 'inherit',
  });
} finally {
  rmSync(folder, { recursive: true, force: true });
}

import { writeFile } from 'node:fs/promises';
import { fileURLToPath } from 'node:url';
import {
  layoutOf,
  simulatedPressFor,
  simulatedScan,
  simulatedTarget,
  STRAIGHT_SCAN,
  targetReading,
  type Picture,
} from '@brachytone/core';
import sharp from 'sharp';
import { heron } from './heron.ts';
import { DEMO_FILES } from './index.ts';
import { marshAtDusk } from './marsh-at-dusk.ts';
import { moonOverReeds } from './moon-over-reeds.ts';
import { TOTE_GAIN, totePress, toteTarget } from './tote-calibration.ts';

const pathOf = (file: string): string => fileURLToPath(new URL(`../originals/${file}`, import.meta.url));

/** Makes the demo originals anew. The same seeds always give the same pictures. */
async function write(file: string, { data, width, height, channels }: Picture, density = 300): Promise<void> {
  const path = pathOf(file);
  const { size } = await sharp(data, { raw: { width, height, channels } })
    .withMetadata({ density })
    .jpeg({ quality: 92, chromaSubsampling: '4:4:4' })
    .toFile(path);
  console.log(`${file}: ${width} × ${height}, ${(size / 1e6).toFixed(2)} MB`);
}

await write(DEMO_FILES.moon, moonOverReeds());
await write(DEMO_FILES.marsh, marshAtDusk());

await writeFile(pathOf(DEMO_FILES.heron), heron());
await sharp(Buffer.from(heron()), { density: 72 })
  .flatten({ background: '#fff' })
  .toColourspace('b-w')
  .png()
  .toFile(pathOf(DEMO_FILES.shadow));

// The tote's target, printed and scanned by simulation, and what is read off the very file.
const SCAN_PPI = 150;
const target = toteTarget('table');
const print = simulatedTarget(target, simulatedPressFor(target, TOTE_GAIN, totePress().mesh), 360);
const scan = simulatedScan(print, { ...STRAIGHT_SCAN, ppi: SCAN_PPI, turn: -0.8, uneven: 0.08 });
await write(DEMO_FILES.target, scan, SCAN_PPI);
const { data, info } = await sharp(pathOf(DEMO_FILES.target)).raw().toBuffer({ resolveWithObject: true });
const { inks } = targetReading(
  { width: info.width, height: info.height, channels: 3, data },
  layoutOf(target),
);
await writeFile(pathOf(DEMO_FILES.readings), `${JSON.stringify(inks)}\n`);

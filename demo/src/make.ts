import { writeFile } from 'node:fs/promises';
import { fileURLToPath } from 'node:url';
import type { Picture } from '@brachytone/core';
import sharp from 'sharp';
import { heron } from './heron.ts';
import { DEMO_FILES } from './index.ts';
import { marshAtDusk } from './marsh-at-dusk.ts';
import { moonOverReeds } from './moon-over-reeds.ts';

const pathOf = (file: string): string => fileURLToPath(new URL(`../originals/${file}`, import.meta.url));

/** Makes the demo originals anew. The same seeds always give the same pictures. */
async function write(file: string, { data, width, height, channels }: Picture): Promise<void> {
  const path = pathOf(file);
  const { size } = await sharp(data, { raw: { width, height, channels } })
    .withMetadata({ density: 300 })
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

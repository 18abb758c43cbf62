/** Makes packages/core/src/screen/noise/blue-noise.ts: an order of pixels that takes too long to find while somebody waits. */
import { writeFile } from 'node:fs/promises';
import { build } from 'esbuild';

const TARGET = 'packages/core/src/screen/noise/blue-noise.ts';
const SIDE = 128;
const SEED = 1;

/** The module that holds the order, as text. */
export async function blueNoiseModule() {
  const { outputFiles } = await build({
    entryPoints: ['packages/core/src/screen/noise/void-and-cluster.ts'],
    bundle: true,
    format: 'esm',
    write: false,
  });
  const { voidAndCluster } = await import(
    `data:text/javascript;base64,${Buffer.from(outputFiles[0].contents).toString('base64')}`
  );
  const order = Uint16Array.from(voidAndCluster(SIDE, SEED));
  const base64 = Buffer.from(order.buffer).toString('base64');
  return `/** Made by \`npm run noise\` from void-and-cluster.ts; not to be changed by hand. */\nexport const BLUE_NOISE = {\n  side: ${SIDE},\n  order:\n    '${base64}',\n};\n`;
}

if (process.argv[1] === new URL(import.meta.url).pathname) await writeFile(TARGET, await blueNoiseModule());

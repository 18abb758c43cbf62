/**
 * Closes the loop on the simulated press: prints the target, reads it by a simulated scan and by a simulated instrument, prints by the curves that
 * are found, and tells how far the worst step is from what was asked. With `--json` the last line is the figures alone.
 */
import { rmSync } from 'node:fs';
import { build } from 'esbuild';

const OUT = 'bench/dist/press-loop.mjs';
await build({
  entryPoints: ['bench/press-loop.ts'],
  outfile: OUT,
  bundle: true,
  platform: 'node',
  format: 'esm',
  target: 'node20',
  logLevel: 'warning',
});
const { runPressLoop } = await import(new URL(`../${OUT}`, import.meta.url).href);
rmSync(OUT);
const { before, scan, instrument } = runPressLoop();
const words = (percent) => `${percent.toFixed(2)} %`;
console.log(`Before any calibration the worst step is ${words(before)} off.`);
console.log(`After one by the simulated scan: ${words(scan)}.`);
console.log(`After one by the simulated instrument: ${words(instrument)}.`);
if (process.argv.includes('--json')) console.log(JSON.stringify({ before, scan, instrument }));

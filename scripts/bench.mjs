/** Runs the benchmarks: the engine alone, then the table in the browser. */
import { build as bundle } from 'esbuild';
import { build, install, must, systemTools } from './steps.mjs';

await install();
await systemTools();
await build();
await bundle({
  entryPoints: ['bench/bench.ts'],
  outfile: 'bench/dist/bench.js',
  bundle: true,
  platform: 'node',
  format: 'esm',
  target: 'node20',
  logLevel: 'warning',
});
await must('The engine’s benchmark', process.execPath, ['bench/dist/bench.js']);
await must('The table’s benchmark', process.execPath, ['bench/slider.mjs']);
await must('The benchmark of tone steps', process.execPath, ['bench/tone-slider.mjs']);

/** Runs the benchmarks: the engine alone, then the table in the browser. */
import { build as bundle } from 'esbuild';
import { build, install, must, systemTools } from './steps.mjs';

await install();
await systemTools();
await build();
await bundle({
  entryPoints: ['bench/bench.ts', 'bench/films.ts', 'bench/press.ts'],
  outdir: 'bench/dist',
  external: ['sharp', 'pdfkit'],
  banner: {
    js: "import { createRequire } from 'node:module'; const require = createRequire(import.meta.url);",
  },
  bundle: true,
  platform: 'node',
  format: 'esm',
  target: 'node20',
  logLevel: 'warning',
});
if (process.argv.includes('--films')) {
  await must('The benchmark of runs in pairs', process.execPath, ['bench/dist/films.js', '--pairs']);
} else {
  await must('The engine’s benchmark', process.execPath, ['bench/dist/bench.js']);
  await must('The benchmark of plain kernels', process.execPath, [
    '--input-type=module',
    '--eval',
    "delete globalThis.WebAssembly; await import('./bench/dist/bench.js');",
  ]);
  await must('The benchmark of a press', process.execPath, ['bench/dist/press.js']);
  await must('The benchmark of a run', process.execPath, ['bench/dist/films.js']);
  await must('The table’s benchmark', process.execPath, ['bench/slider.mjs']);
  await must('The benchmark of tone steps', process.execPath, ['bench/tone-slider.mjs']);
}

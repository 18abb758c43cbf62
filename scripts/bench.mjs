/** Runs the benchmarks: the engine alone, then the table in the browser. */
import { bundleForNode } from './node-bundle.mjs';
import { build, install, must, systemTools } from './steps.mjs';

await install();
await systemTools();
await build();
await bundleForNode(
  { bench: 'bench/bench.ts', films: 'bench/films.ts', press: 'bench/press.ts' },
  'bench/dist',
  ['sharp', 'pdfkit'],
);
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

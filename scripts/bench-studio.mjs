/** Runs a bench of a whole studio by its name: `people` (bench/people.ts) or `workers` (bench/workers.ts). */
import { build, install, must } from './steps.mjs';

await install();
await build();
const [name, ...given] = process.argv.slice(2);
await must(`The bench of ${name}`, process.execPath, [
  'node_modules/tsx/dist/cli.mjs',
  `bench/${name}.ts`,
  ...given,
]);

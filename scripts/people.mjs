/** Runs the bench of ten people; see bench/people.ts. */
import { build, install, must } from './steps.mjs';

await install();
await build();
await must('The bench of ten people', process.execPath, [
  'node_modules/tsx/dist/cli.mjs',
  'bench/people.ts',
  ...process.argv.slice(2),
]);

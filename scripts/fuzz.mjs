/** Sends broken files and documents to a server of its own: `npm run fuzz -- --seed N --count M`. */
import { build, install, must } from './steps.mjs';

await install();
await build();
await must('The fuzzing', process.execPath, [
  'node_modules/tsx/dist/cli.mjs',
  'apps/server/fuzz/main.ts',
  ...process.argv.slice(2),
]);

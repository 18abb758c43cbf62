/** Power cuts, a full disk and a database that goes away, against servers of its own: `npm run torture -- --seed N --cycles M`. */
import { build, install, must, systemTools } from './steps.mjs';

await install();
await systemTools();
await build();
await must('The torture', process.execPath, [
  'node_modules/tsx/dist/cli.mjs',
  'apps/server/torture/main.ts',
  ...process.argv.slice(2),
]);

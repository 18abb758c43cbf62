/** Backs up all that is kept here into a file, or restores one: `npm run backup -- FILE`, `npm run restore -- FILE`. */
import { build, install, run } from './steps.mjs';

await install();
await build();
process.exit(await run(process.execPath, ['apps/server/dist/backup.js', ...process.argv.slice(2)]));

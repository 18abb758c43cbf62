/** Makes films for servers that share a database: `npm run worker`, on any number of machines. See docs/studio.md. */
import { build, install, run, SERVER_ENV } from './steps.mjs';

await install();
await build();
process.exit(
  await run(process.execPath, ['--enable-source-maps', 'apps/server/dist/film-worker.js'], {
    env: SERVER_ENV,
  }),
);

/** Builds the server and its worker into apps/server/dist, and the interface into apps/web/dist. */
import { writeFileSync } from 'node:fs';
import { watch } from 'rolldown';
import { build as buildWeb } from 'vite';
import { licences } from './licences.mjs';
import { bundleForNode, nodeBundles } from './node-bundle.mjs';

const SERVER = {
  main: 'apps/server/src/main.ts',
  worker: 'apps/server/src/work/worker.ts',
  reader: 'apps/server/src/readers/reader.ts',
  backup: 'apps/server/src/backup/main.ts',
  'film-worker': 'apps/server/src/film-worker/main.ts',
};
const SERVER_FOLDER = 'apps/server/dist';

const COMMAND_LINE = {
  brachytone: 'apps/cli/src/brachytone.ts',
  'treat-worker': 'apps/cli/src/treat-worker.ts',
};

export async function buildServer() {
  await bundleForNode(SERVER, SERVER_FOLDER);
  await bundleForNode(COMMAND_LINE, 'apps/cli/dist');
}

/** Builds the server again whenever a source changes. */
export const watchServer = () => watch(nodeBundles(SERVER, SERVER_FOLDER));

if (process.argv[1] === new URL(import.meta.url).pathname) {
  await buildServer();
  if (!process.argv.includes('--server')) {
    await buildWeb({ root: 'apps/web', logLevel: 'warn' });
    writeFileSync('apps/web/dist/licences.json', JSON.stringify(licences()));
  }
}

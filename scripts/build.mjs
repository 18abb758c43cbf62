/** Builds the server and its worker into apps/server/dist, and the interface into apps/web/dist. */
import { writeFileSync } from 'node:fs';
import { build, context } from 'esbuild';
import { build as buildWeb } from 'vite';
import { licences } from './licences.mjs';

const SERVER = {
  entryPoints: {
    main: 'apps/server/src/main.ts',
    worker: 'apps/server/src/work/worker.ts',
    reader: 'apps/server/src/readers/reader.ts',
    backup: 'apps/server/src/backup/main.ts',
    'film-worker': 'apps/server/src/film-worker/main.ts',
  },
  entryNames: '[name]',
  outdir: 'apps/server/dist',
  bundle: true,
  platform: 'node',
  target: 'node20',
  format: 'esm',
  sourcemap: true,
  logLevel: 'warning',
  tsconfigRaw: { compilerOptions: { experimentalDecorators: true } },
  // Registry packages stay as installed; the project's own are bundled.
  plugins: [
    {
      name: 'registry-packages-stay-outside',
      setup(builder) {
        builder.onResolve({ filter: /^[^./]/ }, ({ path, kind }) =>
          kind === 'entry-point' || path.startsWith('@brachytone/') ? undefined : { path, external: true },
        );
      },
    },
  ],
};

/** The command line, built as the server is. */
const COMMAND_LINE = {
  ...SERVER,
  entryPoints: { brachytone: 'apps/cli/src/brachytone.ts', 'treat-worker': 'apps/cli/src/treat-worker.ts' },
  outdir: 'apps/cli/dist',
};

export const buildServer = async () => {
  await build(SERVER);
  await build(COMMAND_LINE);
};

/** Builds the server again whenever a source changes. */
export const watchServer = async () => (await context(SERVER)).watch();

if (process.argv[1] === new URL(import.meta.url).pathname) {
  await buildServer();
  if (!process.argv.includes('--server')) {
    await buildWeb({ root: 'apps/web', logLevel: 'warn' });
    writeFileSync('apps/web/dist/licences.json', JSON.stringify(licences()));
  }
}

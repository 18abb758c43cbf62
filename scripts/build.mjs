/** Builds the server and its worker into apps/server/dist, and the interface into apps/web/dist. */
import { build } from 'esbuild';
import { build as buildWeb } from 'vite';

export async function buildServer(options = {}) {
  await build({
    entryPoints: ['apps/server/src/main.ts', 'apps/server/src/work/worker.ts'],
    entryNames: '[name]',
    outdir: 'apps/server/dist',
    bundle: true,
    platform: 'node',
    target: 'node20',
    format: 'esm',
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
    sourcemap: true,
    logLevel: 'warning',
    tsconfigRaw: { compilerOptions: { experimentalDecorators: true } },
    ...options,
  });
}

if (process.argv[1] === new URL(import.meta.url).pathname) {
  await buildServer();
  if (!process.argv.includes('--server')) await buildWeb({ root: 'apps/web', logLevel: 'warn' });
}

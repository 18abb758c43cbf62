/** Lays beside the command line's program what a package of it needs: typefaces, and the built server with its interface. Run before it is packed. */
import { cpSync, mkdirSync, rmSync } from 'node:fs';
import { join } from 'node:path';
import { build, ROOT } from './steps.mjs';

await build();
const cli = join(ROOT, 'apps/cli');
for (const folder of ['typefaces', 'served']) rmSync(join(cli, folder), { recursive: true, force: true });
const served = (path) => {
  const to = join(cli, 'served', path);
  mkdirSync(join(to, '..'), { recursive: true });
  cpSync(join(ROOT, path), to, { recursive: true, filter: (from) => !from.endsWith('.map') });
};
cpSync(join(ROOT, 'apps/server/typefaces'), join(cli, 'typefaces'), { recursive: true });
for (const path of [
  'apps/server/dist',
  'apps/server/drizzle',
  'apps/server/typefaces',
  'apps/web/dist',
  'demo/originals',
])
  served(path);

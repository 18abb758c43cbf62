import { existsSync, readFileSync } from 'node:fs';
import { fileURLToPath } from 'node:url';

const fromHere = (path: string): string => fileURLToPath(new URL(path, import.meta.url));

/** Where something lies in a package that was installed, and where it does in the workspaces: what was packed there once may be of another day. */
const either = (packed: string, workspace: string): string =>
  existsSync(fromHere(workspace)) ? fromHere(workspace) : fromHere(packed);

/** The typefaces that ship. Seen from dist/. */
export const typefacesFolder = (): string => either('../typefaces', '../../server/typefaces');

/** A program of the built server, by the name of its file. */
export const servedProgram = (name: string): string =>
  either(`../served/apps/server/dist/${name}.js`, `../../server/dist/${name}.js`);

/** What threads of `treat` run. Seen from dist/. */
export const treatWorker = (): string => fromHere('treat-worker.js');

/** The program's own version. */
export const version = (): string =>
  (JSON.parse(readFileSync(fromHere('../package.json'), 'utf8')) as { version: string }).version;

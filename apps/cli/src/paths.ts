import { existsSync, readFileSync } from 'node:fs';
import { fileURLToPath } from 'node:url';

const fromHere = (path: string): string => fileURLToPath(new URL(path, import.meta.url));

/** Where something lies in a package that was installed, and where it does in the workspaces. */
const either = (packed: string, workspace: string): string =>
  existsSync(fromHere(packed)) ? fromHere(packed) : fromHere(workspace);

/** The typefaces that ship. Seen from dist/. */
export const typefacesFolder = (): string => either('../typefaces', '../../server/typefaces');

/** The built server. */
export const serverProgram = (): string =>
  either('../served/apps/server/dist/main.js', '../../server/dist/main.js');

/** The program's own version. */
export const version = (): string =>
  (JSON.parse(readFileSync(fromHere('../package.json'), 'utf8')) as { version: string }).version;

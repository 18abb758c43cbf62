import { existsSync } from 'node:fs';
import { fileURLToPath } from 'node:url';

const fromHere = (path: string): string => fileURLToPath(new URL(path, import.meta.url));

/** Migrations made by drizzle-kit. Stands at the same place seen from src/ and from dist/. */
export const MIGRATIONS_FOLDER = fromHere('../drizzle');

/** The built interface. */
export const WEB_FOLDER = fromHere('../../web/dist');

/** The typefaces that ship. Stands at the same place seen from src/ and from dist/. */
export const TYPEFACES_FOLDER = fromHere('../typefaces');

/** The demo originals. */
export const DEMO_FOLDER = fromHere('../../../demo/originals');

/** The built worker; run from source, the server still uses the built one. */
export const WORKER_FILE = existsSync(fromHere('./worker.js'))
  ? fromHere('./worker.js')
  : fromHere('../dist/worker.js');

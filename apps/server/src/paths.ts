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

/** Something built; run from source, the server still uses the built one. */
const built = (name: string): string =>
  existsSync(fromHere(`./${name}`)) ? fromHere(`./${name}`) : fromHere(`../dist/${name}`);

/** What worker threads run. */
export const WORKER_FILE = built('worker.js');

/** What reading processes run. */
export const READER_FILE = built('reader.js');

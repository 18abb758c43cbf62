import { resolve } from 'node:path';

/** What can be set from outside, by environment variables. */
export interface Settings {
  /** Folder for the database, films and cached pictures. `BRACHYTONE_DATA`, else ./data. */
  readonly dataFolder: string;
  /** `HOST`, else this machine alone. */
  readonly host: string;
  /** Names that it may be asked by besides this machine's own. `BRACHYTONE_HOSTS`, parted by commas. */
  readonly hosts: readonly string[];
  /** `PORT`, else 4180. */
  readonly port: number;
  /** A PostgreSQL server to use in place of the database in the data folder. `DATABASE_URL`. */
  readonly databaseUrl: string | undefined;
}

export const SETTINGS = Symbol('settings');

export function readSettings(environment: NodeJS.ProcessEnv = process.env): Settings {
  return {
    dataFolder: resolve(environment.BRACHYTONE_DATA ?? 'data'),
    host: environment.HOST ?? '127.0.0.1',
    hosts: (environment.BRACHYTONE_HOSTS ?? '')
      .split(',')
      .map((name) => name.trim().toLowerCase())
      .filter(Boolean),
    port: Number(environment.PORT ?? 4180),
    databaseUrl: environment.DATABASE_URL,
  };
}

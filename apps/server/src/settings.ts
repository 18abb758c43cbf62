import { join, resolve } from 'node:path';
import type { Bucket } from './film-store/object-store.ts';

/** What a server that people sign in to needs. */
export interface StudioSettings {
  /** What sessions are signed with. `BRACHYTONE_SECRET`. */
  readonly secret: string;
  /** Where people reach it. `BRACHYTONE_URL`, else its own address; with https: cookies go by TLS alone. */
  readonly url: string;
  /** Addresses of the proxy that says who asks and how. `BRACHYTONE_PROXY`, parted by commas; none by default. */
  readonly proxies: readonly string[];
}

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
  /**
   * There where people sign in: for a `HOST` other than this machine alone, or with `BRACHYTONE_SHARED=on`. Else it is one person's own, and
   * nobody is asked.
   */
  readonly studio: StudioSettings | undefined;
  /**
   * True where any number of servers share a database, and workers make the films: `BRACHYTONE_WORKERS=on`, which takes a `DATABASE_URL` and
   * `BRACHYTONE_FILMS`.
   */
  readonly withWorkers: boolean;
  /** Folder of films, or a bucket of an object store; with workers one that all of them reach. `BRACHYTONE_FILMS`, else in the data folder. */
  readonly films: string | Bucket;
  /** `BRACHYTONE_LOG=json` for a line of JSON an entry and one for every request; words for people otherwise. */
  readonly log: 'words' | 'json';
}

export const SETTINGS = Symbol('settings');

/** Settings that a server cannot start with; says in a sentence what to do. */
export class UnfitSettings extends Error {}

/** Fewest characters of a secret. */
const SHORTEST_SECRET = 32;

const LOOPBACK = new Set(['127.0.0.1', 'localhost', '::1']);

const listOf = (text: string | undefined): string[] =>
  (text ?? '')
    .split(',')
    .map((one) => one.trim().toLowerCase())
    .filter(Boolean);

function studioOf(environment: NodeJS.ProcessEnv, host: string, port: number): StudioSettings | undefined {
  if (LOOPBACK.has(host) && environment.BRACHYTONE_SHARED !== 'on') return undefined;
  const secret = environment.BRACHYTONE_SECRET ?? '';
  if (secret.length < SHORTEST_SECRET)
    throw new UnfitSettings(
      `Other machines can reach Brachytone at ${host}, so people sign in, and that needs a secret: set BRACHYTONE_SECRET to ${SHORTEST_SECRET} characters or more that nobody can guess, and keep it. One is made by: node -e "console.log(crypto.randomBytes(32).toString('base64url'))"`,
    );
  const url = environment.BRACHYTONE_URL ?? `http://${LOOPBACK.has(host) ? 'localhost' : host}:${port}`;
  if (!URL.canParse(url) || !/^https?:$/.test(new URL(url).protocol))
    throw new UnfitSettings('BRACHYTONE_URL is not an address such as https://plates.example.');
  return { secret, url: new URL(url).origin, proxies: listOf(environment.BRACHYTONE_PROXY) };
}

/** @throws UnfitSettings */
function filmsAt(place: string): string | Bucket {
  if (!/^[a-z0-9]+:\/\//i.test(place)) return resolve(place);
  const [, name, folder] = /^s3:\/\/([a-z0-9][a-z0-9.-]{1,61}[a-z0-9])(?:\/(.*?)\/?)?$/.exec(place) ?? [];
  if (name === undefined)
    throw new UnfitSettings('BRACHYTONE_FILMS is neither a folder nor a bucket such as s3://plates/films.');
  return { name, prefix: folder ? `${folder}/` : '' };
}

/** @throws UnfitSettings */
export function readSettings(environment: NodeJS.ProcessEnv = process.env): Settings {
  const host = environment.HOST ?? '127.0.0.1';
  const port = Number(environment.PORT ?? 4180);
  const studio = studioOf(environment, host, port);
  const dataFolder = resolve(environment.BRACHYTONE_DATA ?? 'data');
  const withWorkers = environment.BRACHYTONE_WORKERS === 'on';
  if (withWorkers && (!environment.DATABASE_URL || !environment.BRACHYTONE_FILMS))
    throw new UnfitSettings(
      'Workers need a PostgreSQL server that all of them reach (DATABASE_URL), and a place for films that all of them reach: a folder, or a bucket as s3://name/folder (BRACHYTONE_FILMS).',
    );
  return {
    dataFolder,
    withWorkers,
    films: environment.BRACHYTONE_FILMS ? filmsAt(environment.BRACHYTONE_FILMS) : join(dataFolder, 'films'),
    host,
    hosts: [
      ...listOf(environment.BRACHYTONE_HOSTS),
      ...(studio ? [new URL(studio.url).hostname.toLowerCase()] : []),
    ],
    port,
    databaseUrl: environment.DATABASE_URL,
    studio,
    log: environment.BRACHYTONE_LOG === 'json' ? 'json' : 'words',
  };
}

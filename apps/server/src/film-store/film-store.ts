import type { Readable } from 'node:stream';

/** Where finished films are: one place for all servers and workers that share a database. */
export interface FilmStore {
  /** A folder on this machine for films of a run that are being made; it is there. */
  making(run: string): Promise<string>;
  /** Puts a film that is whole where everybody finds it, from the folder that it was made in. */
  put(run: string, file: string): Promise<void>;
  /** Puts bytes that come from elsewhere there. */
  write(run: string, file: string, bytes: Readable): Promise<void>;
  /** Bytes of a film; undefined where there are none. */
  read(run: string, file: string): Promise<Readable | undefined>;
  has(run: string, file: string): Promise<boolean>;
  /** Runs of which there are films, whole or not. */
  runs(): Promise<readonly string[]>;
  /** Whole films of a run. */
  files(run: string): Promise<readonly string[]>;
  /** Throws a run's films away, those that are being made too. */
  drop(run: string): Promise<void>;
}

export const FILM_STORE = Symbol('film store');

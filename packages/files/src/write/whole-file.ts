import { createHash } from 'node:crypto';
import {
  closeSync,
  fstatSync,
  fsyncSync,
  openSync,
  readSync,
  renameSync,
  rmSync,
  writeFileSync,
  writeSync,
} from 'node:fs';
import type { FilmWritten, Sink } from '@brachytone/core';

/** A finished file of films; of a plate that carries nothing none is left. */
export interface MadeFilm {
  readonly bytes: number;
  /** Percent; null where one file holds several plates. */
  readonly inked: number | null;
  readonly sha256: string;
}

/** Writes a file under a name beside its own until it is whole. */
export function* wholeFile(
  path: string,
  write: (sink: Sink) => Generator<number, FilmWritten>,
): Generator<number, MadeFilm> {
  const unfinished = `${path}.part`;
  const file = openSync(unfinished, 'w+');
  let inked: number | null;
  let bytes: number;
  let sha256: string;
  try {
    ({ inked } = yield* write({
      write: (part) => void writeSync(file, part),
      patch: (offset, part) => void writeSync(file, part, 0, part.length, offset),
    }));
    bytes = fstatSync(file).size;
    sha256 = sha256Of(file, bytes);
    fsyncSync(file);
  } finally {
    closeSync(file);
  }
  // A plate that carries nothing is no film.
  if (inked === 0) {
    rmSync(unfinished);
    return { bytes: 0, inked, sha256 };
  }
  renameSync(unfinished, path);
  return { bytes, inked, sha256 };
}

/** Writes what is all there already: somebody who waits for the file finds the old one or the whole new one. */
export function writeWhole(path: string, content: string | Uint8Array): void {
  const unfinished = `${path}.part`;
  writeFileSync(unfinished, content, { flush: true });
  renameSync(unfinished, path);
}

/** SHA-256 of an open file, in hexadecimal. */
function sha256Of(file: number, bytes: number): string {
  const hash = createHash('sha256');
  const part = new Uint8Array(1 << 20);
  for (let at = 0; at < bytes;) {
    const count = readSync(file, part, 0, part.length, at);
    hash.update(part.subarray(0, count));
    at += count;
  }
  return hash.digest('hex');
}

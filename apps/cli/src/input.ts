import { existsSync, readFileSync, statSync } from 'node:fs';
import { basename, resolve } from 'node:path';
import { SHEETS, SHIPPED_TREATMENTS, readTreatment, type SheetWish, type Treatment } from '@brachytone/job';
import { AskedWrongly, lineOf } from './failure.ts';

/** Something to read: a file, or what comes in by a pipe. */
export interface Input {
  /** Its name without folders; `picture` for a pipe. */
  readonly name: string;
  /** As it was asked for. */
  readonly path: string;
}

const PIPE = '-';

/** Sees that everything asked for is there before anything is begun. */
export const inputsOf = (paths: readonly string[]): Input[] =>
  paths.map((path) => {
    if (path === PIPE) return { path, name: 'picture' };
    if (!existsSync(path)) throw new AskedWrongly(`There is no file “${path}”.`);
    if (!statSync(path).isFile()) throw new AskedWrongly(`“${path}” is no file.`);
    return { path, name: basename(path) };
  });

/** A folder that is there. */
export function folderNamed(path: string): string {
  if (!existsSync(path) || !statSync(path).isDirectory())
    throw new AskedWrongly(`There is no folder “${path}”.`);
  return resolve(path);
}

export const bytesOf = ({ path }: Input): Uint8Array => readFileSync(path === PIPE ? 0 : path);

/** A treatment that ships, by its id, or one in a file. */
export function treatmentNamed(name: string): Treatment {
  const shipped = SHIPPED_TREATMENTS.find(({ id }) => id === name);
  if (shipped) return shipped;
  if (!existsSync(name))
    throw new AskedWrongly(
      `There is no treatment “${name}”. \`brachytone treatments\` lists those that ship; a treatment’s file may be named too.`,
    );
  try {
    return readTreatment(JSON.parse(readFileSync(name, 'utf8')));
  } catch (error) {
    throw new AskedWrongly(
      `“${name}” is no treatment’s file${error instanceof SyntaxError ? '' : `: ${lineOf(error)}`}.`,
    );
  }
}

/** Longest and shortest side of a sheet, mm. */
const SIDE = { least: 5, most: 5000 };

/**
 * A sheet by its name (`A3`), sides (`300x400`, mm), or the longest side of one of the picture's shape (`420`).
 *
 * @param isWide of the picture: a named sheet lies as it does
 */
export function sheetNamed(text: string | undefined, isWide: boolean): SheetWish | undefined {
  if (text === undefined) return undefined;
  const named = SHEETS.find(({ name }) => name.toLowerCase() === text.toLowerCase());
  if (named) {
    const { width, height } = named;
    return { page: isWide ? { width: height, height: width } : { width, height } };
  }
  const sides = /^(\d+(?:\.\d+)?)(?:x(\d+(?:\.\d+)?))?$/i.exec(text);
  const [width, height] = (sides ?? []).slice(1).map(Number);
  const fits = (side: number) => side >= SIDE.least && side <= SIDE.most;
  if (!sides || !fits(width) || (sides[2] !== undefined && !fits(height)))
    throw new AskedWrongly(
      `“${text}” is no sheet: name one (A3), its sides in mm (300x400), or its longest side (420).`,
    );
  return sides[2] === undefined ? { longest: width } : { page: { width, height } };
}

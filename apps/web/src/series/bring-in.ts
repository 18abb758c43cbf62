import {
  cutText,
  MOST_MEMBERS,
  readSeriesTable,
  type OriginalView,
  type SeriesMember,
  type SeriesRow,
} from '@brachytone/job';
import { sentenceOf } from '../store/api.ts';
import { filesInZip } from './files-in-zip.ts';

/** A file that was not taken, and why. */
export interface NotTaken {
  readonly name: string;
  readonly why: string;
}

/** What came of files that were given. */
export interface BroughtIn {
  readonly members: readonly SeriesMember[];
  readonly notTaken: readonly NotTaken[];
}

const isTable = (name: string): boolean => /\.(csv|tsv|txt)$/i.test(name);
const isZip = (name: string): boolean => /\.zip$/i.test(name);

/** A file, or the files in it where it is an archive. */
async function* flat(files: readonly File[], notTaken: NotTaken[]): AsyncGenerator<File> {
  for (const file of files) {
    if (!isZip(file.name)) {
      yield file;
      continue;
    }
    try {
      yield* filesInZip(file);
    } catch (error) {
      notTaken.push({ name: file.name, why: (error as Error).message });
    }
  }
}

/**
 * Brings in pictures, tables and archives of them as members of a series. What cannot be read stops none of the others.
 *
 * @param add     has the server take a file
 * @param told    how many files are in
 * @param already how many members there are
 */
export async function bringIn(
  files: readonly File[],
  add: (file: Blob) => Promise<OriginalView>,
  told: (count: number, name: string) => void,
  already: number,
): Promise<BroughtIn> {
  const notTaken: NotTaken[] = [];
  const pictures = new Map<string, { sha256: string; name: string }>();
  const rows: SeriesRow[] = [];
  for await (const file of flat(files, notTaken)) {
    told(pictures.size + 1, file.name);
    try {
      if (isTable(file.name)) rows.push(...readSeriesTable(await file.text()));
      else {
        const { sha256, kind } = await add(file);
        if (kind === 'picture') pictures.set(file.name, { sha256, name: cutText(file.name, 120) });
        else notTaken.push({ name: file.name, why: 'It is no picture. A series takes pictures and tables.' });
      }
    } catch (error) {
      const why = error instanceof Error ? error.message : sentenceOf(error);
      notTaken.push({ name: file.name, why });
    }
  }
  const members = rows.length > 0 ? fromRows(rows, pictures, notTaken) : fromPictures(pictures);
  const free = Math.max(0, MOST_MEMBERS - already);
  for (const { picture } of members.slice(free))
    notTaken.push({ name: picture?.name ?? 'A row', why: `A series has up to ${MOST_MEMBERS} members.` });
  return { members: members.slice(0, free), notTaken };
}

const member = (picture: SeriesMember['picture'], fields: SeriesMember['fields']): SeriesMember => ({
  id: crypto.randomUUID(),
  picture,
  fields,
  crop: null,
  levels: null,
});

const fromPictures = (pictures: ReadonlyMap<string, { sha256: string; name: string }>): SeriesMember[] =>
  [...pictures.values()].map((picture) => member(picture, {}));

/** A member for each row; one whose picture was not given is told of, and has the job's. */
function fromRows(
  rows: readonly SeriesRow[],
  pictures: ReadonlyMap<string, { sha256: string; name: string }>,
  notTaken: NotTaken[],
): SeriesMember[] {
  const byName = new Map([...pictures].map(([name, one]) => [name.toLowerCase(), one]));
  const named = (text: string) => byName.get(text.slice(text.lastIndexOf('/') + 1).toLowerCase());
  return rows.map(({ picture, fields }, i) => {
    const found = picture === undefined ? undefined : named(picture);
    if (picture !== undefined && !found)
      notTaken.push({
        name: `Row ${i + 1}`,
        why: `Its picture “${picture}” was not given; it has the job’s.`,
      });
    return member(found ?? null, fields);
  });
}

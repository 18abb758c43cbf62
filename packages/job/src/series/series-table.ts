import Papa from 'papaparse';
import { Problem } from '../problem.ts';
import { MOST_MEMBERS } from './series.ts';

/** A row of a series' table. */
export interface SeriesRow {
  /** File name of its picture; undefined where the table has none. */
  readonly picture: string | undefined;
  readonly fields: Readonly<Record<string, string>>;
}

/** Columns that name a row's picture, whatever their case. */
const PICTURE_COLUMNS = new Set(['picture', 'file', 'image']);

const refused = (why: string) => new Problem(422, 'Not a table', why);

/**
 * Reads a table of comma-separated values (RFC 4180), or of values parted by semicolons or tabs: its first row names the columns; one
 * called picture, file or image has each row's picture.
 *
 * @throws Problem with a sentence that says what is wrong
 */
export function readSeriesTable(text: string): SeriesRow[] {
  const { data, meta, errors } = Papa.parse<Record<string, string>>(text.replace(/^\uFEFF/, ''), {
    header: true,
    skipEmptyLines: 'greedy',
    transformHeader: (name) => name.trim(),
  });
  const columns = (meta.fields ?? []).filter(Boolean);
  if (columns.length === 0 || data.length === 0)
    throw refused('The table needs a row of column names, and a row for each member.');
  const bad = errors.find(({ type, code }) => type === 'Quotes' || code === 'TooManyFields');
  if (bad) throw refused(`Row ${(bad.row ?? 0) + 2} of the table cannot be read: ${bad.message}.`);
  if (data.length > MOST_MEMBERS)
    throw refused(`The table has ${data.length} rows; a series has up to ${MOST_MEMBERS} members.`);
  const named = columns.find((name) => PICTURE_COLUMNS.has(name.toLowerCase()));
  return data.map((row) => ({
    picture: named === undefined ? undefined : row[named]?.trim() || undefined,
    fields: Object.fromEntries(
      columns.filter((name) => name !== named).map((name) => [name, (row[name] ?? '').trim()]),
    ),
  }));
}

import Papa from 'papaparse';

/** A table as it stands in a file: names of its columns, and cells, row by row. */
export interface TextTable {
  /** Undefined where the file names no columns. */
  readonly columns: readonly string[] | undefined;
  readonly rows: readonly { readonly line: number; readonly cells: readonly string[] }[];
}

/** A table of measurements that cannot be read; the message says why, to the person who brought it. */
export class UnreadableTable extends Error {}

/** Letters of a file of measurements, at most. */
export const LONGEST_TABLE = 4_000_000;
const MOST_ROWS = 20_000;

/**
 * Takes a file of measurements apart: CGATS.17 text (ANSI CGATS.17-2009, "Exchange format for colour and process control data", layout from
 * memory), or values separated by commas, semicolons or tabs.
 *
 * @throws UnreadableTable with a sentence when it is neither
 */
export function tableOf(text: string): TextTable {
  if (text.length > LONGEST_TABLE)
    throw new UnreadableTable('This file is far longer than measurements of a target are.');
  if (!isText(text.slice(0, 4000)))
    throw new UnreadableTable('This file is not text: measurements come as CGATS.17 or CSV.');
  const table = /^\s*BEGIN_DATA\s*$/m.test(text) ? cgats(text) : separated(text);
  if (table.rows.length === 0) throw new UnreadableTable('There is no row of measurements in this file.');
  if (table.rows.length > MOST_ROWS)
    throw new UnreadableTable(`This file has ${table.rows.length} rows; a target has no more than 480.`);
  return table;
}

/** Text has no control characters but for tabs and ends of lines, and no letters that could not be read; pictures and documents do. */
const isText = (text: string): boolean =>
  Array.from(text).every((letter) => letter !== '\uFFFD' && letter.charCodeAt(0) > 8);

/** Words of a line, those in quotes whole. */
const words = (line: string): string[] =>
  Array.from(line.matchAll(/"([^"]*)"|(\S+)/g), ([, quoted, bare]) => quoted ?? bare);

function cgats(text: string): TextTable {
  const columns: string[] = [];
  const cells: { line: number; word: string }[] = [];
  let part: 'head' | 'format' | 'data' | 'end' = 'head';
  let [sets, fields] = [NaN, NaN];
  text.split(/\r\n|\r|\n/).forEach((raw, i) => {
    const line = raw.trim();
    // Of several tables the first is read.
    if (line === '' || line.startsWith('#') || part === 'end') return;
    if (line === 'BEGIN_DATA_FORMAT') part = 'format';
    else if (line === 'END_DATA_FORMAT') part = 'head';
    else if (line === 'BEGIN_DATA') part = 'data';
    else if (line === 'END_DATA') part = 'end';
    else if (part === 'format') columns.push(...words(line));
    else if (part === 'data') cells.push(...words(line).map((word) => ({ line: i + 1, word })));
    else {
      const [key, value] = words(line);
      if (key === 'NUMBER_OF_SETS') sets = Number(value);
      if (key === 'NUMBER_OF_FIELDS') fields = Number(value);
    }
  });
  if (columns.length === 0)
    throw new UnreadableTable('This CGATS file does not name its columns: BEGIN_DATA_FORMAT is missing.');
  if (Number.isFinite(fields) && fields !== columns.length)
    throw new UnreadableTable(
      `This CGATS file says that it has ${fields} columns, and names ${columns.length}.`,
    );
  if (cells.length % columns.length !== 0)
    throw new UnreadableTable(
      `The data of this CGATS file end in the middle of a row: ${cells.length} values do not fill rows of ${columns.length}.`,
    );
  const rows = Array.from({ length: cells.length / columns.length }, (_, i) => {
    const row = cells.slice(i * columns.length, (i + 1) * columns.length);
    return { line: row[0].line, cells: row.map(({ word }) => word) };
  });
  if (Number.isFinite(sets) && sets !== rows.length)
    throw new UnreadableTable(
      `This CGATS file says that it has ${sets} rows, and has ${rows.length}: it seems cut off.`,
    );
  return { columns, rows };
}

/** How many numbers with a decimal comma there are, so that commas do not part values. */
const decimalCommas = (text: string): boolean =>
  /\d,\d+\s*%?\s*[;\t]/.test(text) || /[;\t]\s*\d+,\d/.test(text);

function separated(text: string): TextTable {
  const bare = text.replace(/^\uFEFF/, '');
  // What parts values is found out without empty lines, but for decimal commas; lines are counted with them.
  const { meta } = Papa.parse<string[]>(bare, {
    delimitersToGuess: decimalCommas(bare) ? [';', '\t'] : [';', '\t', ',', '|'],
    skipEmptyLines: 'greedy',
    preview: 20,
  });
  const { data } = Papa.parse<string[]>(bare, { delimiter: meta.delimiter, skipEmptyLines: false });
  const rows = data
    .map((cells, i) => ({ line: i + 1, cells: cells.map((cell) => cell.trim()) }))
    .filter(({ cells }) => cells.some((cell) => cell !== '') && !cells[0].startsWith('#'));
  const [first, ...rest] = rows;
  if (!first) return { columns: undefined, rows };
  const named =
    first.cells.some((cell) => /\p{L}/u.test(cell)) &&
    first.cells.every((cell) => numberOf(cell) === undefined);
  return named ? { columns: first.cells, rows: rest } : { columns: undefined, rows };
}

/** A number as people and instruments write it: with a decimal comma, a percent sign, spaces; undefined where it is none. */
export function numberOf(cell: string): number | undefined {
  const bare = cell.replace(/[\s\u00A0%]/g, '').replace('−', '-');
  const plain = /^[-+]?\d*,\d+$/.test(bare) ? bare.replace(',', '.') : bare;
  return /^[-+]?(\d+\.?\d*|\.\d+)(e[-+]?\d+)?$/i.test(plain) ? Number(plain) : undefined;
}

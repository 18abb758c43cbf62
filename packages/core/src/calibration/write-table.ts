import type { Calibration } from './calibration.ts';
import type { TargetLayout } from './target-layout.ts';

/** A line of a table of measurements. */
interface Line {
  readonly ink: string;
  readonly film: number;
  readonly printed?: number;
}

/** Text in quotes, as CGATS.17 has it: without quotes in it. */
const quoted = (text: string): string => `"${text.replace(/"/g, '’')}"`;

/**
 * The patches of a target as CGATS.17 text, in their order, for an instrument to be read into: percent printed are left out.
 */
export const patchList = ({ inks }: Calibration, { patches }: TargetLayout, date: string): string =>
  cgatsText(
    'Patches of a target',
    date,
    patches.map(({ ink, tone }) => ({ ink: inks[ink].ink.name, film: tone })),
  );

/** All readings of a calibration as CGATS.17 text; those left out by hand are left out. */
export const readingList = ({ inks, stock }: Calibration, date: string): string =>
  cgatsText(
    `Readings on ${stock.name}`,
    date,
    inks.flatMap(({ ink, readings, without }) =>
      readings
        .filter((_, i) => !without.includes(i))
        .map(({ film, printed }) => ({ ink: ink.name, film, printed: Number(printed.toFixed(2)) })),
    ),
  );

function cgatsText(descriptor: string, date: string, lines: readonly Line[]): string {
  const isRead = lines.some(({ printed }) => printed !== undefined);
  const own = ['INK', 'FILM', ...(isRead ? ['PRINTED'] : [])];
  return [
    'CGATS.17',
    'ORIGINATOR "Brachytone"',
    `DESCRIPTOR ${quoted(descriptor)}`,
    `CREATED "${date}"`,
    ...own.map((name) => `KEYWORD "${name}"`),
    `NUMBER_OF_FIELDS ${own.length + 1}`,
    'BEGIN_DATA_FORMAT',
    ['SAMPLE_ID', ...own].join('\t'),
    'END_DATA_FORMAT',
    `NUMBER_OF_SETS ${lines.length}`,
    'BEGIN_DATA',
    ...lines.map(({ ink, film, printed }, i) =>
      [i + 1, quoted(ink), film, ...(printed === undefined ? [] : [printed])].join('\t'),
    ),
    'END_DATA',
    '',
  ].join('\r\n');
}

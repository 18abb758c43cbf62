/** What a column of measurements says. */
export type ColumnSense =
  | 'patch'
  | 'ink'
  | 'film'
  | 'printed'
  | { readonly density: string }
  | { readonly lab: 0 | 1 | 2 }
  | { readonly xyz: 0 | 1 | 2 }
  /** Percent of a process ink on the film: cyan, magenta, yellow, black. */
  | { readonly process: 0 | 1 | 2 | 3 };

/** Names of the process inks, as films are called after them. */
export const PROCESS = ['cyan', 'magenta', 'yellow', 'black'] as const;

/** By the letters and digits of a column's name alone, small. Those of CGATS.17 first, then words that people write. */
const SENSES: Readonly<Record<string, ColumnSense>> = {
  sampleid: 'patch',
  cmykc: { process: 0 },
  cmykm: { process: 1 },
  cmyky: { process: 2 },
  cmykk: { process: 3 },
  dred: { density: 'red' },
  dgreen: { density: 'green' },
  dblue: { density: 'blue' },
  dvis: { density: 'visual' },
  labl: { lab: 0 },
  laba: { lab: 1 },
  labb: { lab: 2 },
  xyzx: { xyz: 0 },
  xyzy: { xyz: 1 },
  xyzz: { xyz: 2 },
  ...every('patch', ['id', 'patch', 'sample', 'no', 'nr', 'number']),
  ...every('ink', ['ink', 'plate', 'colour', 'color', 'inkname']),
  ...every('film', [
    'film',
    'tone',
    'step',
    'asked',
    'nominal',
    'reference',
    'input',
    'coverage',
    'filmtone',
  ]),
  ...every('printed', [
    'printed',
    'measured',
    'print',
    'dot',
    'dotarea',
    'tonevalue',
    'output',
    'reading',
    'value',
  ]),
  ...every({ density: 'visual' }, ['density', 'd', 'densityvisual']),
  ...every({ lab: 0 }, ['l', 'lstar']),
  ...every({ lab: 1 }, ['a', 'astar']),
  ...every({ lab: 2 }, ['b', 'bstar']),
};

function every(sense: ColumnSense, names: readonly string[]): Record<string, ColumnSense> {
  return Object.fromEntries(names.map((name) => [name, sense]));
}

/** What a column says by its name; undefined where it is not known, and not needed. */
export function senseOf(column: string): ColumnSense | undefined {
  const plain = column
    .toLowerCase()
    .replace(/\(.*\)/g, '')
    .replace(/[^a-z0-9]/g, '');
  return Object.hasOwn(SENSES, plain) ? SENSES[plain] : undefined;
}

import { layoutOf, type Calibration } from './calibration.ts';
import { readTable } from './read-table.ts';
import { UnreadableTable } from './table-text.ts';
import { targetLayout } from './target-layout.ts';
import { murrayDaviesOfDensities } from './tone-value.ts';
import { patchList, readingList } from './write-table.ts';
import { newScreen } from '../screen/screen.ts';
import { testInk } from '../testing.ts';

const layout = targetLayout(1);
const one = (text: string) => readTable(text, ['Night blue'], layout);
const said = (text: string, names: readonly string[] = ['Night blue']): string => {
  try {
    readTable(text, names, targetLayout(names.length));
  } catch (error) {
    if (error instanceof UnreadableTable) return error.message;
    throw error;
  }
  return '';
};

const rowsOf = (text: string) => one(text).inks[0].map(({ film, printed }) => [film, printed]);

describe('measurements out of a file', () => {
  const wanted = [
    [0, 0],
    [25, 38.5],
    [50, 68.2],
    [100, 100],
  ];

  it.each([
    ['commas', 'film,printed\n0,0\n25,38.5\n50,68.2\n100,100'],
    ['decimal commas and semicolons', 'Film;Printed\r\n0;0\r\n25;38,5\r\n50;68,2\r\n100;100\r\n'],
    ['percent signs and tabs', 'Film\tPrinted\n0 %\t0 %\n25 %\t38,5 %\n50%\t68.2%\n100 %\t100 %'],
    ['no names', '0;0\n25;38,5\n50;68,2\n100;100'],
    [
      'the mark of a spreadsheet, quotes and empty lines',
      '\uFEFF"Film";"Printed"\n\n"0";"0"\n25;"38,5"\n;\n50;68,2\n100;100',
    ],
    ['other columns between', 'Note,Film,Operator,Printed\nx,0,A,0\ny,25,A,38.5\n,50,B,68.2\n,100,B,100'],
    [
      'the ink named',
      'INK,FILM,PRINTED\nnight blue ,0,0\nNight Blue,25,38.5\nNIGHT BLUE,50,68.2\nNight blue,100,100',
    ],
    [
      'CGATS.17',
      'CGATS.17\nKEYWORD "FILM"\nKEYWORD "PRINTED"\nNUMBER_OF_FIELDS 3\nBEGIN_DATA_FORMAT\nSAMPLE_ID FILM PRINTED\nEND_DATA_FORMAT\nNUMBER_OF_SETS 4\nBEGIN_DATA\n1 0 0\n2 25 38.5\n3 50 68.2\n4 100 100\nEND_DATA\n',
    ],
  ])('with %s', (_name, text) => {
    expect(rowsOf(text)).toEqual(wanted);
  });

  it('rows may stand in any order and some may be missing', () => {
    expect(rowsOf('film;printed\n50;68,2\n100;100\n0;0\n25;').sort((a, b) => a[0] - b[0])).toEqual([
      [0, 0],
      [50, 68.2],
      [100, 100],
    ]);
  });

  it('an instrument’s file is put in order by the numbers of the patches, and densities are counted by Murray and Davies', () => {
    // Layout of ANSI CGATS.17, from memory: process densities, patches in the instrument's own order.
    const density = (tone: number): number => 0.08 + 1.4 * (tone / 100) ** 0.8;
    const shuffled = layout.patches.map((patch, i) => ({ ...patch, number: i + 1 })).reverse();
    const text = [
      'CGATS.17',
      'ORIGINATOR "Anybody\'s instrument"',
      'INSTRUMENTATION "a densitometer"',
      'NUMBER_OF_FIELDS 5',
      'BEGIN_DATA_FORMAT',
      'SAMPLE_ID D_RED D_GREEN D_BLUE D_VIS',
      'END_DATA_FORMAT',
      `NUMBER_OF_SETS ${shuffled.length}`,
      'BEGIN_DATA',
      ...shuffled.map(
        ({ number, tone }) =>
          `${number}\t${density(tone)}\t${0.3 * density(tone)} 0.05 ${0.5 * density(tone)}`,
      ),
      'END_DATA',
    ].join('\r\n');
    const { inks, notes } = one(text);
    expect(notes).toEqual([]);
    expect(inks[0]).toHaveLength(layout.patches.length);
    const stock = density(0);
    for (const { film, printed } of inks[0])
      expect(printed).toBeCloseTo(
        100 * murrayDaviesOfDensities(density(film) - stock, density(100) - stock),
        6,
      );
  });

  it('densities without a name are told by their size, and it says so', () => {
    const { inks, notes } = one('film,measured\n0,0.07\n50,0.42\n100,1.47');
    expect(notes).toEqual(['The measured values are taken as densities.']);
    // 1 − 10^−0.35 over 1 − 10^−1.4, by hand.
    expect(inks[0][1].printed).toBeCloseTo(57.63, 1);
  });

  it('colours are counted by the tone value of spot colours, and cyan is the ink that is called so', () => {
    const { inks } = readTable(
      'CMYK_C;CMYK_M;LAB_L;LAB_A;LAB_B\n0;0;95;0;-2\n50;0;75;-18;-24\n100;0;55;-36;-46\n0;50;70;30;-4\n0;100;48;72;-5\n50;50;50;1;-20',
      ['Cyan', 'Magenta'],
      targetLayout(2),
    );
    expect(inks[0].map(({ film }) => film)).toEqual([0, 50, 100]);
    // Half-way in Lab is about half-way in tone value.
    expect(inks[0][1].printed).toBeGreaterThan(45);
    expect(inks[0][1].printed).toBeLessThan(55);
    expect([inks[0][0].printed, inks[0][2].printed]).toEqual([0, 100]);
    expect(inks[1].map(({ film }) => film)).toEqual([0, 50, 100]);
  });

  it.each([
    ['nothing', ''],
    ['a picture', '\u0089PNG\u0000\u0001\u0002'],
    ['words', 'film,printed\n50,much\n100,100'],
    [
      'a file cut off',
      'CGATS.17\nBEGIN_DATA_FORMAT\nSAMPLE_ID FILM PRINTED\nEND_DATA_FORMAT\nNUMBER_OF_SETS 4\nBEGIN_DATA\n1 0 0\n2 25 38.5\n',
    ],
    [
      'a row cut off',
      'CGATS.17\nBEGIN_DATA_FORMAT\nFILM PRINTED\nEND_DATA_FORMAT\nBEGIN_DATA\n0 0\n25\nEND_DATA',
    ],
    ['no names of columns', 'CGATS.17\nBEGIN_DATA\n0 0\nEND_DATA'],
    ['commas for all', '0,0,12,1\n50,0,68,2\n100,0,100,0'],
    ['no tone', 'printed\n50\n60'],
    ['no value', 'film,operator\n50,A\n60,B'],
    ['another ink', 'ink,film,printed\nRust,50,60'],
    ['too many percent', 'film,printed\n50,168\n100,100\n0,0'],
    ['a tone beyond solid', 'film,printed\n150,100\n100,100\n0,0'],
    ['columns the wrong way round', 'film,printed\n0,100\n20,80\n50,60\n80,20\n100,0'],
    ['densities without a solid', 'film,density\n0,0.1\n50,0.6\n90,1.2'],
    ['a solid as light as the stock', 'film,density\n0,0.1\n50,0.1\n100,0.11'],
    ['a density that cannot be', 'film,density\n0,0.1\n50,14\n100,1.4'],
    ['colours without stock', 'film,lab_l,lab_a,lab_b\n50,60,0,0\n100,20,0,0'],
    ['a patch that is not there', 'sample_id,printed\n999,50'],
  ])('%s is refused with a sentence', (_name, text) => {
    expect(said(text)).toMatch(/^[A-Z“].*[.)]$/);
  });

  it('of several inks each row has to say which', () => {
    expect(said('film,printed\n50,60\n100,100', ['Rust', 'Night'])).toContain('call it INK');
  });

  it('shares of 1 are taken as such, and said', () => {
    const { inks, notes } = one('film,printed\n0,0\n0.25,0.385\n0.5,0.682\n1,1');
    expect(inks[0].map(({ film, printed }) => [film, Number(printed.toFixed(6))])).toEqual(wanted);
    expect(notes).toHaveLength(2);
  });
});

describe('measurements written as CGATS.17', () => {
  const calibration: Calibration = {
    press: 'test',
    stock: { name: 'Card', lab: [95, 0, 2], texture: 'smooth', soak: 0, yuleNielsen: 1 },
    resolution: 1200,
    inks: ['Night “blue”', 'Rust "red"'].map((name, i) => ({
      ink: { ...testInk(`ink-${i}`, [30 + 20 * i, 10, -20]), name },
      screen: newScreen('dots'),
      readings: [
        { film: 50, printed: 61.25 + i },
        { film: 20, printed: 31 + i },
        { film: 100, printed: 100 },
      ],
      without: i === 0 ? [1] : [],
      ladders: null,
    })),
    source: 'typed',
    simulatedGain: null,
    scan: null,
    made: '2026-11-20T10:00:00.000Z',
    taken: null,
  };
  const names = ['Night “blue”', 'Rust ’red’'];

  it('is read as it was, but for what was left out', () => {
    const { inks } = readTable(readingList(calibration, '2026-11-20'), names, layoutOf(calibration));
    expect(inks).toEqual([
      [calibration.inks[0].readings[0], calibration.inks[0].readings[2]],
      calibration.inks[1].readings,
    ]);
  });

  it('a list of patches has each once, in order', () => {
    const lines = patchList(calibration, layoutOf(calibration), '2026-11-20').split('\r\n');
    const data = lines.slice(lines.indexOf('BEGIN_DATA') + 1, lines.indexOf('END_DATA'));
    expect(data).toHaveLength(160);
    expect(lines).toContain('NUMBER_OF_SETS 160');
    const { patches } = layoutOf(calibration);
    expect(data[80].split('\t')).toEqual(['81', '"Rust ’red’"', String(patches[80].tone)]);
  });
});

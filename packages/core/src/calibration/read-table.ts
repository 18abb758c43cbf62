import { labToXyz, WHITE } from '../colour/lab.ts';
import { sameName } from '../press/press.ts';
import type { ToneReading } from './fit-gain.ts';
import { PROCESS, senseOf, type ColumnSense } from './table-columns.ts';
import { numberOf, tableOf, UnreadableTable } from './table-text.ts';
import type { TargetLayout } from './target-layout.ts';
import { murrayDaviesOfDensities, spotToneValue, type Xyz } from './tone-value.ts';

/** Readings out of a file of measurements. */
export interface TableReading {
  /** Of each ink of the target, in its order. */
  readonly inks: readonly (readonly ToneReading[])[];
  /** What was made of the file where it left a choice, and what is missing, in sentences. */
  readonly notes: readonly string[];
}

/** The white that Lab and XYZ of instruments are relative to: D50. */
const D50 = WHITE.map((value) => 100 * value) as unknown as Xyz;
/** Percent printed, and densities, that may be true. */
const PRINTED = { least: -15, most: 115 };
const DENSITY = { least: -0.3, most: 5 };

/** A row of which ink and tone of the film are known. */
interface Sample {
  readonly line: number;
  readonly ink: number;
  readonly film: number;
  readonly cells: readonly string[];
}

/**
 * Reads measurements of a printed target out of CGATS.17 or CSV text: percent printed, or densities (Murray–Davies), or colours (tone value of spot
 * colours). Rows may stand in any order and some may be missing.
 *
 * @param names of the target's inks, in its order
 * @throws UnreadableTable with a sentence when it cannot be read
 */
export function readTable(text: string, names: readonly string[], layout: TargetLayout): TableReading {
  const { columns, rows } = tableOf(text);
  const notes: string[] = [];
  const senses = columns?.map(senseOf) ?? sensesByPlace(rows[0].cells.length);
  const at = (sense: ColumnSense): number => senses.indexOf(sense);
  const process = placesOf(senses, 'process', 4);
  const samples = inPercent(
    rows.flatMap((row): Sample[] => {
      const number = cellReader(row);
      const patch = at('patch') >= 0 ? layout.patches[(number(at('patch'), 'patch') ?? 0) - 1] : undefined;
      const named = at('ink') >= 0 ? inkCalled(row.cells[at('ink')], names, row.line) : undefined;
      if (process.length > 0) {
        const amounts = process.map((place) => (place < 0 ? 0 : (number(place, 'ink amount') ?? 0)));
        const inked = amounts.flatMap((amount, i) => (amount > 0 ? [i] : []));
        // Overprints say nothing of one ink's tones; bare stock is every ink's.
        if (inked.length > 1) return [];
        const [only] = inked;
        if (only === undefined) return names.map((_, ink) => ({ ...row, ink, film: 0 }));
        return [{ ...row, ink: inkCalled(PROCESS[only], names, row.line), film: amounts[only] }];
      }
      const film = at('film') >= 0 ? number(at('film'), 'tone of the film') : patch?.tone;
      if (film === undefined) {
        if (at('film') >= 0) return [];
        throw new UnreadableTable(
          at('patch') >= 0
            ? `Line ${row.line} is of a patch that this target does not have (it has ${layout.patches.length}).`
            : 'No column of this file says which tone of the film was measured: call it FILM, or give each patch’s number as SAMPLE_ID.',
        );
      }
      const ink = named ?? (at('film') >= 0 && names.length === 1 ? 0 : patch?.ink);
      if (ink === undefined)
        throw new UnreadableTable(
          `This target has ${names.length} inks, and no column of the file says which one was measured: call it INK.`,
        );
      return [{ ...row, ink, film }];
    }),
    notes,
  );
  const outside = samples.find(({ film }) => film < 0 || film > 100);
  if (outside) throw new UnreadableTable(`Line ${outside.line} has a film tone of ${outside.film} %.`);
  const toneOf = toneReader(senses, samples, notes);
  const inks = names.map((_, ink) => {
    const mine = samples.filter((sample) => sample.ink === ink);
    const tone = mine.length > 0 ? toneOf(mine) : undefined;
    return mine.flatMap((sample): ToneReading[] => {
      const printed = tone?.(sample);
      if (printed === undefined) return [];
      if (printed < PRINTED.least || printed > PRINTED.most)
        throw new UnreadableTable(
          `Line ${sample.line}: ${Number(printed.toFixed(1))} % printed of ${sample.film} % cannot be.`,
        );
      return [{ film: sample.film, printed: Math.min(100, Math.max(0, printed)) }];
    });
  });
  inks.forEach((readings, ink) => {
    if (readings.length === 0) return;
    refuseFalling(readings, names[ink]);
    const wanted = layout.patches.filter((patch) => patch.ink === ink).map(({ tone }) => tone);
    const missing = new Set(
      wanted.filter((tone) => readings.every(({ film }) => Math.abs(film - tone) > 0.01)),
    );
    if (at('patch') >= 0 && missing.size > 0)
      notes.push(`${names[ink]}: ${missing.size} of ${new Set(wanted).size} tones are missing.`);
  });
  if (inks.every((readings) => readings.length === 0))
    throw new UnreadableTable('No row of this file has a measured value of an ink of this target.');
  return { inks, notes };
}

/** Columns without names: film and printed; or printed alone, in the order of the patches. */
function sensesByPlace(columns: number): ColumnSense[] {
  if (columns === 2) return ['film', 'printed'];
  if (columns === 3) return ['ink', 'film', 'printed'];
  throw new UnreadableTable(
    columns === 4
      ? 'Four columns without names: if commas are decimal commas, part values by semicolons; else name the columns, as FILM and PRINTED.'
      : 'The columns of this file have no names. Call them INK, FILM and PRINTED (or DENSITY) in its first line.',
  );
}

/** Places of the columns of a sense that has several. */
function placesOf(
  senses: readonly (ColumnSense | undefined)[],
  key: 'lab' | 'xyz' | 'process',
  count: number,
): number[] {
  const places = Array.from({ length: count }, (_, part) =>
    senses.findIndex(
      (sense) => typeof sense === 'object' && (sense as Record<string, unknown>)[key] === part,
    ),
  );
  return places.some((place) => place >= 0) && (key === 'process' || places.every((place) => place >= 0))
    ? places
    : [];
}

/** Numbers of a row by their columns; undefined for empty cells. */
function cellReader({ cells, line }: { readonly cells: readonly string[]; readonly line: number }) {
  return (place: number, what: string): number | undefined => {
    const cell = cells.at(place) ?? '';
    if (cell === '' || cell === '-' || cell === '–') return undefined;
    const value = numberOf(cell);
    if (value === undefined)
      throw new UnreadableTable(
        `Line ${line}: “${cell.slice(0, 40)}” is no number, and stands where the ${what} should.`,
      );
    return value;
  };
}

/** An ink by its name in the file. */
function inkCalled(name: string, names: readonly string[], line: number): number {
  const exact = names.findIndex((one) => sameName(one, name));
  const within = names.findIndex((one) => one.toLowerCase().includes(name.trim().toLowerCase()));
  const found = exact >= 0 || name.trim() === '' ? exact : within;
  if (found < 0)
    throw new UnreadableTable(
      `Line ${line} is of “${name.slice(0, 40)}”, which is no ink of this target (${names.join(', ')}).`,
    );
  return found;
}

/** Film tones given as shares of 1 turned into percent. */
function inPercent(samples: Sample[], notes: string[]): Sample[] {
  if (samples.length < 2 || samples.some(({ film }) => film > 1)) return samples;
  notes.push('Tones of the film are taken as shares of 1.');
  return samples.map((sample) => ({ ...sample, film: 100 * sample.film }));
}

type ToneOf = (samples: readonly Sample[]) => (sample: Sample) => number | undefined;

/** What tells the percent printed of the samples of an ink: percentages, densities or colours, whichever the file has. */
function toneReader(
  senses: readonly (ColumnSense | undefined)[],
  all: readonly Sample[],
  notes: string[],
): ToneOf {
  const printed = senses.indexOf('printed');
  if (printed >= 0) return percentages(printed, all, notes);
  const densities = senses.flatMap((sense, i) =>
    typeof sense === 'object' && 'density' in sense ? [i] : [],
  );
  if (densities.length > 0) return ofDensities(densities, notes);
  const lab = placesOf(senses, 'lab', 3);
  const xyz = placesOf(senses, 'xyz', 3);
  if (lab.length > 0 || xyz.length > 0) return ofColours(lab.length > 0 ? lab : xyz, lab.length > 0);
  throw new UnreadableTable(
    'No column of this file says what was measured: call it PRINTED (percent), DENSITY, or give LAB_L, LAB_A and LAB_B.',
  );
}

function percentages(place: number, all: readonly Sample[], notes: string[]): ToneOf {
  const values = all.flatMap((sample) => cellReader(sample)(place, 'percent printed') ?? []);
  const most = Math.max(...values);
  const signs = all.some(({ cells }) => cells[place].includes('%'));
  // A solid prints as 100: where all is far below, these are densities, or shares.
  if (!signs && most <= 4 && values.length > 2) {
    const shares =
      most <= 1.05 && all.every(({ film, cells }) => film < 99.9 || (numberOf(cells[place]) ?? 1) > 0.95);
    notes.push(
      shares ? 'What is printed is taken as shares of 1.' : 'The measured values are taken as densities.',
    );
    if (!shares) return ofDensities([place], notes);
    return () => (sample) => {
      const value = cellReader(sample)(place, 'share printed');
      return value === undefined ? undefined : 100 * value;
    };
  }
  return () => (sample) => cellReader(sample)(place, 'percent printed');
}

const meanOf = (values: readonly number[]): number =>
  values.reduce((sum, value) => sum + value, 0) / values.length;

/** By Murray and Davies, in the channel in which the solid is darkest. */
function ofDensities(places: readonly number[], notes: string[]): ToneOf {
  return (samples) => {
    const near = (film: number, place: number): number[] =>
      samples
        .filter((sample) => Math.abs(sample.film - film) < 0.01)
        .flatMap((sample) => cellReader(sample)(place, 'density') ?? []);
    const solids = places.map((place) => meanOf(near(100, place)));
    const best = solids.reduce(
      (most, solid, i) => (solid > solids[most] || Number.isNaN(solids[most]) ? i : most),
      0,
    );
    const place = places[best];
    const solid = solids[best];
    if (Number.isNaN(solid))
      throw new UnreadableTable(
        'Densities say how much is printed only beside that of the solid (film 100), which is missing.',
      );
    const bare = near(0, place);
    const stock = bare.length > 0 ? meanOf(bare) : 0;
    if (bare.length === 0)
      notes.push('The bare stock is not among the densities: they are taken as measured above it.');
    if (solid - stock < 0.05)
      throw new UnreadableTable(`The solid (density ${solid}) is hardly darker than the stock (${stock}).`);
    return (sample) => {
      const density = cellReader(sample)(place, 'density');
      if (density === undefined) return undefined;
      if (density < DENSITY.least || density > DENSITY.most)
        throw new UnreadableTable(`Line ${sample.line}: a density of ${density} cannot be.`);
      return 100 * murrayDaviesOfDensities(density - stock, solid - stock);
    };
  };
}

/** By the tone value of spot colours. */
function ofColours(places: readonly number[], isLab: boolean): ToneOf {
  const colourOf = (sample: Sample): Xyz | undefined => {
    const read = cellReader(sample);
    const [a, b, c] = places.map((place) => read(place, 'colour'));
    if (a === undefined || b === undefined || c === undefined) return undefined;
    return isLab ? (labToXyz([a, b, c]).map((value) => 100 * value) as unknown as Xyz) : [a, b, c];
  };
  return (samples) => {
    const meanColour = (film: number): Xyz | undefined => {
      const all = samples
        .filter((sample) => Math.abs(sample.film - film) < 0.01)
        .flatMap((sample) => {
          const colour = colourOf(sample);
          return colour ? [colour] : [];
        });
      if (all.length === 0) return undefined;
      return [0, 1, 2].map((k) => meanOf(all.map((colour) => colour[k]))) as unknown as Xyz;
    };
    const [stock, solid] = [meanColour(0), meanColour(100)];
    if (!stock || !solid)
      throw new UnreadableTable(
        `Colours say how much is printed only beside those of bare stock and solid (film 0 and 100); the ${stock ? 'solid' : 'stock'} is missing.`,
      );
    return (sample) => {
      const colour = colourOf(sample);
      return colour && spotToneValue(colour, stock, solid, D50);
    };
  };
}

/** Dark tones that print lighter than light ones are columns, or a film, the wrong way round. */
function refuseFalling(readings: readonly ToneReading[], name: string): void {
  const part = (is: (film: number) => boolean): number =>
    meanOf(readings.filter(({ film }) => is(film)).map(({ printed }) => printed));
  if (part((film) => film >= 65) < part((film) => film <= 35))
    throw new UnreadableTable(
      `${name} prints less where the film has more: perhaps two columns are the wrong way round, or this is a negative film.`,
    );
}

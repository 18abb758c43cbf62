import { srgbToLinear } from '../colour/srgb.ts';
import type { RowFilter } from '../filter/row-filter.ts';
import { coverageTable } from '../raster/coverage-table.ts';
import { SOLID, type Plane } from '../raster/plane.ts';
import type { Rows } from '../raster/rows.ts';
import { cache } from '../base/cache.ts';
import { stepKind } from './steps/index.ts';
import type { AreaPlace, AreaStep, PointStep } from './steps/step.ts';
import type { GreyReading, Tone, ToneStep } from './tone.ts';

/** Neighbouring point steps of a tone made ready, as one table of 65536 coverages. */
export interface TableStage {
  /** Cache key: equal iff the tone is equal as far as this stage goes. */
  readonly key: string;
  readonly table: Uint16Array;
}

/** An area step of a tone made ready. */
export interface AreaStage {
  /** Cache key: equal iff the tone is equal as far as this stage goes. */
  readonly key: string;
  readonly area: {
    /** The stage row by row, where it can be done so; else it is applied to planes. */
    readonly filters: readonly RowFilter[] | undefined;
    /** Rows of the stage at once, where it looks far around. */
    readonly wide: ((input: Rows, from: number, to: number, out: Plane) => Plane) | undefined;
    /** Rows above and below that a row's result depends on. */
    readonly margin: number;
    /** How many times as fine the grid is afterwards. */
    readonly finer: number;
    readonly apply: (plane: Plane, place: AreaPlace) => Plane;
  };
}

export type ToneStage = TableStage | AreaStage;

/** The stages of a tone in their order. The first is a table that the source is read through. */
export type ToneStages = readonly [TableStage, ...ToneStage[]];

/** Coverage as read from the grey alone, as a share: 1 − grey, or 1 − the light it reflects. */
const readGrey = (reading: GreyReading, coverage: number): number =>
  reading === 'dots' ? coverage : 1 - srgbToLinear(1 - coverage);

const recentTables = cache<Uint16Array>('tone tables');

/** What a point step does to a coverage of 0–1. */
function pointOf(name: string): PointStep {
  const kind = stepKind(name);
  if (!('point' in kind)) throw new TypeError(`“${name}” is no point step.`);
  return kind.point;
}

/** Point steps in their order, after the reading of the grey if there is one, as one table of 65536 coverages. */
function tableOf(reading: GreyReading | undefined, steps: readonly ToneStep[]): Uint16Array {
  return recentTables(JSON.stringify([reading, steps.map(({ kind, settings }) => [kind, settings])]), () => {
    const maps = steps.map(({ kind, settings }) => pointOf(kind)(settings));
    return coverageTable((i) => {
      let coverage = reading ? readGrey(reading, i / SOLID) : i / SOLID;
      for (const map of maps) coverage = map(Math.min(1, Math.max(0, coverage)));
      return Math.round(Math.min(1, Math.max(0, coverage)) * SOLID);
    });
  });
}

/**
 * Makes a tone ready for pixels of a size, its steps that are off left out.
 *
 * @param scale pixels of the original across one of the source's
 * @param ppi   pixels of the original per inch of the sheet
 */
export function compileTone(tone: Tone, { scale: whole, ppi }: Pick<AreaPlace, 'scale' | 'ppi'>): ToneStages {
  const steps = tone.steps.filter(({ on }) => on);
  let key = JSON.stringify(tone.grey);
  let at = 0;
  /** The point steps from here on as one table. */
  const points = (reading?: GreyReading): TableStage => {
    const from = at;
    while (at < steps.length && 'point' in stepKind(steps[at].kind)) at++;
    const taken = steps.slice(from, at);
    for (const { kind, settings } of taken) key += JSON.stringify([kind, settings]);
    return { key, table: tableOf(reading, taken) };
  };
  const stages: [TableStage, ...ToneStage[]] = [points(tone.grey.reading)];
  let scale = whole;
  while (at < steps.length) {
    const { kind: name, settings } = steps[at];
    const kind = stepKind(name);
    if ('area' in kind) {
      at++;
      key += JSON.stringify([name, settings]);
      const stage = { key, area: areaOf(kind.area, settings, { scale, ppi }) };
      stages.push(stage);
      scale /= stage.area.finer;
    } else stages.push(points());
  }
  return stages;
}

/** An area step with its settings, for pixels of a size. */
const areaOf = (
  { margin, rows, wide, apply, finer }: AreaStep,
  settings: ToneStep['settings'],
  place: Pick<AreaPlace, 'scale' | 'ppi'>,
): AreaStage['area'] => ({
  filters: rows?.(settings, place),
  wide: wide && ((input, from, to, out) => wide(settings, input, from, to, place, out)),
  margin: margin(settings, place),
  finer: finer?.(settings, { scale: place.scale }) ?? 1,
  apply(plane, at) {
    if (!apply) throw new TypeError('This step is made row by row.');
    return apply(settings, plane, at);
  },
});

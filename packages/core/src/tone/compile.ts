import { srgbToLinear } from '../colour/srgb.ts';
import type { RowFilter } from '../filter/row-filter.ts';
import { coverageTable } from '../raster/coverage-table.ts';
import { SOLID, type Plane } from '../raster/plane.ts';
import type { Rows } from '../raster/rows.ts';
import { cache } from '../base/cache.ts';
import { stepKind } from './steps/index.ts';
import type { AreaPlace } from './steps/step.ts';
import type { GreyReading, Tone, ToneStep } from './tone.ts';

/**
 * A part of a tone made ready: an area step, or neighbouring point steps as one table of 65536 coverages. The first is a table that the
 * source is read through.
 */
export interface ToneStage {
  /** The same only for the same tone as far as this stage goes. */
  readonly key: string;
  readonly table?: Uint16Array;
  readonly area?: {
    /** The stage row by row, where it can be done so; else it is applied to planes. */
    readonly filters?: readonly RowFilter[] | undefined;
    /** Rows of the stage at once, where it looks far around. */
    readonly wide?: ((input: Rows, from: number, to: number, out: Plane) => Plane) | undefined;
    /** Rows above and below that a row's result depends on. */
    readonly margin: number;
    /** How many times as fine the grid is afterwards. */
    readonly finer: number;
    readonly apply: (plane: Plane, place: AreaPlace) => Plane;
  };
}

/** Coverage as read from the grey alone, as a share: 1 − grey, or 1 − the light it reflects. */
const readGrey = (reading: GreyReading, coverage: number): number =>
  reading === 'dots' ? coverage : 1 - srgbToLinear(1 - coverage);

const recentTables = cache<Uint16Array>('tone tables');

/** Point steps in their order, after the reading of the grey if there is one, as one table of 65536 coverages. */
function tableOf(reading: GreyReading | undefined, steps: readonly ToneStep[]): Uint16Array {
  return recentTables(JSON.stringify([reading, steps.map(({ kind, settings }) => [kind, settings])]), () => {
    const maps = steps.map(({ kind, settings }) => stepKind(kind).point!(settings));
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
export function compileTone(
  tone: Tone,
  { scale: whole, ppi }: Pick<AreaPlace, 'scale' | 'ppi'>,
): ToneStage[] {
  let scale = whole;
  const stages: ToneStage[] = [];
  let key = JSON.stringify(tone.grey);
  let points: ToneStep[] = [];
  let area: ToneStage['area'];
  const finish = (): void => {
    if (area) stages.push({ key, area });
    area = undefined;
    const first = stages.length === 0;
    if (!first && points.length === 0) return;
    for (const { kind, settings } of points) key += JSON.stringify([kind, settings]);
    stages.push({ key, table: tableOf(first ? tone.grey.reading : undefined, points) });
    points = [];
  };
  for (const step of tone.steps) {
    if (!step.on) continue;
    const kind = stepKind(step.kind);
    if (kind.point) points.push(step);
    if (!kind.area) continue;
    finish();
    const { margin, rows, wide, apply, finer } = kind.area;
    const place = { scale, ppi };
    key += JSON.stringify([step.kind, step.settings]);
    area = {
      filters: rows?.(step.settings, place),
      wide: wide && ((input, from, to, out) => wide(step.settings, input, from, to, place, out)),
      margin: margin(step.settings, place),
      finer: finer?.(step.settings, { scale }) ?? 1,
      apply: (plane, place) => apply!(step.settings, plane, place),
    };
    scale /= area.finer;
  }
  finish();
  return stages;
}

import { srgbToLinear } from '../colour/srgb.ts';
import { SOLID, type Plane } from '../raster/plane.ts';
import { recentOnly } from '../recent.ts';
import { stepKind } from './steps/index.ts';
import type { AreaPlace } from './steps/step.ts';
import type { GreyReading, Tone, ToneStep } from './tone.ts';

/** A tone made ready: the table its greys are read through, then tables and area steps by turns. */
export interface CompiledTone {
  /** 65536 coverages: the reading of the grey, and every point step before the first area step. */
  readonly read: Uint16Array;
  readonly then: readonly (
    | { readonly table: Uint16Array }
    | { readonly margin: number; readonly apply: (plane: Plane, place: AreaPlace) => Plane }
  )[];
  /** Rows above and below that a row's result depends on, over all steps. */
  readonly margin: number;
}

/** Coverage as read from the grey alone, as a share: 1 − grey, or 1 − the light it reflects. */
const readGrey = (reading: GreyReading, coverage: number): number =>
  reading === 'dots' ? coverage : 1 - srgbToLinear(1 - coverage);

const recentTables = recentOnly<Uint16Array>(32);

/** Point steps in their order, after the reading of the grey if there is one, as one table of 65536 coverages. */
function tableOf(reading: GreyReading | undefined, steps: readonly ToneStep[]): Uint16Array {
  return recentTables(JSON.stringify([reading, steps.map(({ kind, settings }) => [kind, settings])]), () => {
    const maps = steps.map(({ kind, settings }) => stepKind(kind).point!(settings));
    return Uint16Array.from({ length: SOLID + 1 }, (_, i) => {
      let coverage = reading ? readGrey(reading, i / SOLID) : i / SOLID;
      for (const map of maps) coverage = map(Math.min(1, Math.max(0, coverage)));
      return Math.round(Math.min(1, Math.max(0, coverage)) * SOLID);
    });
  });
}

/**
 * @param scale pixels of the original across one pixel of the level it will be used on
 * @param ppi   pixels of the original per inch of the sheet
 */
export function compileTone(tone: Tone, { scale, ppi }: Pick<AreaPlace, 'scale' | 'ppi'>): CompiledTone {
  let points: ToneStep[] = [];
  let read: Uint16Array | undefined;
  const then: CompiledTone['then'][number][] = [];
  const flush = (): void => {
    if (!read) read = tableOf(tone.grey.reading, points);
    else if (points.length > 0) then.push({ table: tableOf(undefined, points) });
    points = [];
  };
  for (const step of tone.steps) {
    if (!step.on) continue;
    const { point, area } = stepKind(step.kind);
    if (point) points.push(step);
    if (!area) continue;
    flush();
    then.push({
      margin: area.margin(step.settings, { scale, ppi }),
      apply: (plane, place) => area.apply(step.settings, plane, place),
    });
  }
  flush();
  const margin = then.reduce((sum, one) => sum + ('margin' in one ? one.margin : 0), 0);
  return { read: read!, then, margin };
}

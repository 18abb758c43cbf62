import { SOLID } from '../raster/plane.ts';
import { recentOnly } from '../recent.ts';
import { srgbToLinear } from '../colour/srgb.ts';
import { monotoneCurve, type CurvePoint } from './curve.ts';
import type { GreyWeights } from './grey.ts';
import { applyLevels, type Levels } from './levels.ts';

/**
 * What a grey of the picture asks for. `dots`: a 50 % grey asks for a 50 % dot, as a tone value written in the
 * file. `lightness`: it asks for the dot that reflects as much light as the grey does.
 */
export type GreyReading = 'dots' | 'lightness';

/** Everything that turns an original into the grey it should be, in order: grey, levels, curve, invert. */
export interface Tone {
  readonly weights: GreyWeights;
  readonly reading: GreyReading;
  readonly levels: Levels;
  readonly curve: readonly CurvePoint[];
  readonly invert: boolean;
}

/** Where in the tone steps a table or histogram stands. */
export type ToneStage = 'before' | 'after';

/** Coverage as read from the grey alone, as a share: 1 − grey, or 1 − the light it reflects. */
export const readGrey = (reading: GreyReading, coverage: number): number =>
  reading === 'dots' ? coverage : 1 - srgbToLinear(1 - coverage);

const recent = recentOnly<Uint16Array>(16);

function tabulate(of: (coverage: number) => number): Uint16Array {
  return Uint16Array.from({ length: SOLID + 1 }, (_, i) =>
    Math.round(Math.min(1, Math.max(0, of(i / SOLID))) * SOLID),
  );
}

/** The point steps of a tone as one table of 65536 coverages. `before` holds the grey reading alone. */
export function toneTable(tone: Tone, stage: ToneStage = 'after'): Uint16Array {
  const { reading, levels, curve, invert } = tone;
  if (stage === 'before') return recent(reading, () => tabulate((c) => readGrey(reading, c)));
  return recent(JSON.stringify([reading, levels, curve, invert]), () => {
    const along = monotoneCurve(curve);
    return tabulate((c) => {
      const out = along(applyLevels(levels, readGrey(reading, c)) * 100) / 100;
      return invert ? 1 - out : out;
    });
  });
}

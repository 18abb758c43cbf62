import { cache } from '../base/cache.ts';
import { quickLab } from '../colour/lab.ts';
import { srgbToLinear } from '../colour/srgb.ts';
import { createPlane, SOLID, type Plane } from '../raster/plane.ts';
import type { Rows } from '../raster/rows.ts';
import { bandRows, type ToneSource } from '../tone/tone-rows.ts';
import type { Tone } from '../tone/tone.ts';
import { channelRows } from './channel-rows.ts';
import { ROWS_AT_ONCE } from './mapped-rows.ts';

/** Linear light of a coverage of a channel. */
const LIGHT = Float64Array.from({ length: SOLID + 1 }, (_, coverage) => srgbToLinear(1 - coverage / SOLID));

const recentBands = cache<Plane>('values by colour', ({ data }) => data.byteLength);

/**
 * What each colour of a source comes to after its tone steps, on the source's own grid or a finer one.
 *
 * @param key     equal iff `valueOf` is the same
 * @param valueOf a number from 0 to 65535 for a CIELAB colour (D50), which is written over for the next
 */
export function colourRows(
  source: ToneSource,
  tone: Tone,
  key: unknown,
  valueOf: (lab: Float64Array) => number,
): Rows {
  const channels = [0, 1, 2].map((channel) => channelRows(source, tone, channel));
  const [{ width, height }] = channels;
  const name = JSON.stringify([source.key, source.scale, source.ppi, tone.steps, key]);
  return bandRows(width, height, ROWS_AT_ONCE, (band) =>
    recentBands(`${name} ${band}`, () => {
      const top = band * ROWS_AT_ONCE;
      const out = createPlane(width, Math.min(height, top + ROWS_AT_ONCE) - top);
      const lab = new Float64Array(3);
      for (let y = 0, i = 0; y < out.height; y++) {
        const [reds, greens, blues] = channels.map((rows) => rows.row(top + y));
        for (let x = 0; x < width; x++, i++) {
          quickLab(LIGHT[reds[x]], LIGHT[greens[x]], LIGHT[blues[x]], lab);
          out.data[i] = valueOf(lab);
        }
      }
      return out;
    }),
  );
}

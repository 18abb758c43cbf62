import type { Picture } from '../raster/picture.ts';
import type { Plane } from '../raster/plane.ts';
import type { Region } from '../raster/region.ts';
import type { Rows } from '../raster/rows.ts';
import { recentBytes } from '../recent.ts';
import { compileTone } from './compile.ts';
import type { AreaPlace } from './steps/step.ts';
import type { Tone } from './tone.ts';

/** Something with tones, on a grid of pixels of its own. */
export interface ToneSource {
  /** The same only for the same tones on the same grid. */
  readonly key: string;
  readonly width: number;
  readonly height: number;
  /** Pixels of the original across one of these: 2 when this is the original's first halving. */
  readonly scale: number;
  /** Pixels of the original per inch of the sheet. */
  readonly ppi: number;
  /** The picture behind it, if there is one. */
  readonly picture?: Picture;
  /** A region's coverage sent through a table of 65536 coverages. */
  readonly coverage: (tone: Tone, table: Uint16Array, region: Region) => Plane;
}

/** Least rows made at once; more where steps look far around, so that little is made twice. */
const LEAST_BAND = 64;

/** Bands made lately, of all originals. Once a tone is made, screens can change without making it again. */
const recentBands = recentBytes<Plane>(128 << 20, ({ data }) => data.byteLength);

/**
 * A source's coverage after all tone steps. Bands of rows are made when they are asked for, with as much around them as
 * the steps need; any band equals that part of the whole.
 */
export function toneRows(source: ToneSource, tone: Tone, leastBand = LEAST_BAND): Rows {
  const { width, height, scale, ppi } = source;
  const compiled = compileTone(tone, source);
  const size = Math.max(leastBand, compiled.margin);
  const key = `${source.key} ${scale} ${ppi} ${size} ${JSON.stringify(tone)}`;
  const make = (band: number): Plane => {
    const top = band * size;
    const bottom = Math.min(height, top + size);
    const from = Math.max(0, top - compiled.margin);
    const to = Math.min(height, bottom + compiled.margin);
    let plane = source.coverage(tone, compiled.read, { x: 0, y: from, width, height: to - from });
    const place: AreaPlace = { x: 0, y: from, fullWidth: width, fullHeight: height, scale, ppi };
    for (const one of compiled.then)
      plane = 'table' in one ? through(one.table, plane) : one.apply(plane, place);
    if (bottom - top === plane.height) return plane;
    return {
      width,
      height: bottom - top,
      data: plane.data.slice((top - from) * width, (bottom - from) * width),
    };
  };
  let last = -1;
  let held: Plane | undefined;
  return {
    width,
    height,
    row(y) {
      const band = Math.floor(y / size);
      if (band !== last) {
        held = recentBands(`${key} ${band}`, () => make(band));
        last = band;
      }
      const at = (y - band * size) * width;
      return held!.data.subarray(at, at + width);
    },
  };
}

function through(table: Uint16Array, plane: Plane): Plane {
  const data = new Uint16Array(plane.data.length);
  for (let i = 0; i < data.length; i++) data[i] = table[plane.data[i]];
  return { ...plane, data };
}

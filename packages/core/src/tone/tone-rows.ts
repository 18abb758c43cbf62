import { after, scaled, type Affine } from '../raster/affine.ts';
import type { Picture } from '../raster/picture.ts';
import { createPlane, SOLID, type Plane } from '../raster/plane.ts';
import type { Region } from '../raster/region.ts';
import { cutRows, type Rows } from '../raster/rows.ts';
import { throughFilters, type RowFilter } from '../filter/row-filter.ts';
import { bandPlane, releaseBand } from '../raster/band-plane.ts';
import { uploadOnce, kernels } from '../kernel/memory.ts';
import { recycle } from '../raster/scratch.ts';
import { cache } from '../base/cache.ts';
import { compileTone, type AreaStage, type ToneStage } from './compile.ts';
import type { Tone } from './tone.ts';

/** Something with tones, on a grid of pixels of its own. */
export interface ToneSource {
  /** Cache key: equal iff the tones and their grid are equal. */
  readonly key: string;
  readonly width: number;
  readonly height: number;
  /** Pixels of the original across one of these: 2 when this is the original's first halving. */
  readonly scale: number;
  /** Pixels of the original per inch of the sheet. */
  readonly ppi: number;
  /** The picture behind it, if there is one. */
  readonly picture?: Picture;
  /** True for one that is no picture and has colours. */
  readonly isColoured?: boolean;
  /** A region's coverage sent through a table of 65536 coverages, in a new plane unless one is given. */
  readonly coverage: (tone: Tone, table: Uint16Array, region: Region, out?: Plane) => Plane;
}

/** Least rows made at once; more where a step looks far around, so that little is made twice. */
const LEAST_BAND = 64;
/** Most pixels of a band that is longer than the least. */
const MOST_PIXELS = 8e6;

/** Share of what was made for a band that is kept as it is. */
const LEAST_SHARE = 0.7;

/** Bands of finished tones, of all originals. Once a tone is made, screens can change without making it again. */
const recentFinished = cache<Plane>('finished tones', ({ data }) => data.byteLength, releaseBand);
/** What a step that is being changed begins from: while it is, the steps before it need not be made again. */
const recentBefore = cache<Plane>('tones before a step', ({ data }) => data.byteLength, releaseBand);
/** Bands on their way through the steps. */
const recentPassing = cache<Plane>('tones in passing', ({ data }) => data.byteLength, releaseBand);

/** Stages of a source's latest tone, and which of them stayed the same when it changed last. */
interface Latest {
  readonly keys: readonly string[];
  readonly before: number;
}

/** Sources that are remembered. */
const MOST_LATEST = 24;
const latest = new Map<string, Latest>();

/** The last stage that a source's tone has in common with the one before it, by its place; −1 when there is none. */
function stageBefore(name: string, keys: readonly string[]): number {
  const known = latest.get(name);
  if (known && known.keys.length === keys.length && known.keys.every((key, i) => key === keys[i])) {
    return known.before;
  }
  let same = 0;
  while (known && same < Math.min(known.keys.length, keys.length) && known.keys[same] === keys[same]) same++;
  latest.delete(name);
  latest.set(name, { keys, before: same - 1 });
  const [oldest = name] = latest.keys();
  if (latest.size > MOST_LATEST) latest.delete(oldest);
  return same - 1;
}

/**
 * A source's coverage after all tone steps, on the source's grid or a finer one. Bands of rows are made when they are asked
 * for, step by step, each with as much around it as the step needs; any band equals that part of the whole.
 */
export function toneRows(source: ToneSource, tone: Tone, leastBand = LEAST_BAND): Rows {
  let { width, height, scale } = source;
  const { ppi } = source;
  const stages = compileTone(tone, source);
  const name = `${source.key} ${scale} ${ppi} ${leastBand}`;
  const grey = `grey ${JSON.stringify(tone.grey.weights)}`;
  // −1 stands for the grey itself, −2 for nothing.
  const kept = stageBefore(name, [grey, ...stages.map(({ key }) => key)]) - 1;
  /** Rows of the grid as it is now, in bands that are kept as long as they are of use; `i` is the last stage they went through. */
  const bands = (i: number, size: number, make: (top: number, bottom: number) => Plane): Rows => {
    const recentOf = i === stages.length - 1 ? recentFinished : i === kept ? recentBefore : recentPassing;
    const stageName = `${name} ${i < 0 ? grey : stages[i].key}`;
    const limit = height;
    return bandRows(width, height, size, (band) =>
      recentOf(`${stageName} ${band}`, () => make(band * size, Math.min(limit, (band + 1) * size))),
    );
  };
  const sizeFor = (rows: number): number =>
    Math.min(Math.max(leastBand, Math.floor(MOST_PIXELS / width)), Math.max(leastBand, rows));
  // The grey is read through the first table, unless that is what is being changed.
  const [begin, table] = kept === -1 ? [-1, SAME] : [0, stages[0].table];
  const first = { width };
  let rows = bands(begin, sizeFor(0), (y, bottom) =>
    source.coverage(
      tone,
      table,
      { x: 0, y, width: first.width, height: bottom - y },
      bandPlane(first.width, bottom - y),
    ),
  );
  for (let i = begin + 1; i < stages.length; i++) {
    const input = rows;
    const { filters, last } = chainFrom(stages, i, kept);
    if (last >= i) {
      i = last;
      const around = filters.reduce((sum, { before, after }) => sum + before + after, 0);
      rows = bands(i, sizeFor(8 * around), (top, bottom) =>
        throughFilters(input, filters, top, bottom, bandPlane(input.width, bottom - top)),
      );
      continue;
    }
    const stage = stages[i];
    // A table goes with the filters around it, so what is left is an area.
    if (!('area' in stage)) continue;
    const { area } = stage;
    const { wide } = area;
    if (wide) {
      rows = bands(i, sizeFor(4 * area.margin), (top, bottom) =>
        wide(input, top, bottom, bandPlane(input.width, bottom - top)),
      );
      continue;
    }
    const before = { width, height, scale };
    [width, height, scale] = [width * area.finer, height * area.finer, scale / area.finer];
    // Whole rows of the grid before.
    const size = Math.ceil(sizeFor(4 * area.margin) / area.finer) * area.finer;
    rows = bands(i, size, (top, bottom) => applied(area, input, { ...before, ppi }, top, bottom));
  }
  return rows;
}

/** The filters of the stages from one on that go row by row: they go together, but not beyond one whose result is kept. */
function chainFrom(
  stages: readonly ToneStage[],
  from: number,
  kept: number,
): { filters: RowFilter[]; last: number } {
  const filters: RowFilter[] = [];
  let last = from - 1;
  while (last < stages.length - 1 && (last !== kept || last < from)) {
    const stage = stages[last + 1];
    const more = 'table' in stage ? [tableFilter(stage.table)] : stage.area.filters;
    if (!more) break;
    filters.push(...more);
    last++;
  }
  return { filters, last };
}

/** A table that changes nothing. */
const SAME = Uint16Array.from({ length: SOLID + 1 }, (_, coverage) => coverage);

const tableFilter = (table: Uint16Array): RowFilter => ({
  before: 0,
  after: 0,
  make: (_y, at, out, width) => kernels.throughTable(at(0), uploadOnce(table), out, width),
});

/** Rows `top` to `bottom` of what an area step makes of rows, on a grid that may be finer. */
function applied(
  { margin, finer, apply }: AreaStage['area'],
  input: Rows,
  { scale, ppi }: Pick<ToneSource, 'scale' | 'ppi'>,
  top: number,
  bottom: number,
): Plane {
  const { width, height } = input;
  const from = Math.max(0, top / finer - margin);
  const to = Math.min(height, Math.ceil(bottom / finer) + margin);
  const around = cutRows(input, { x: 0, y: from, width, height: to - from });
  const made = apply(around, { x: 0, y: from, fullWidth: width, fullHeight: height, scale, ppi });
  if (made !== around) recycle(around);
  const data = made.data.subarray((top - from * finer) * made.width, (bottom - from * finer) * made.width);
  // What lies around a band is small enough to be kept with it, or else it is cut off.
  if (data.length > LEAST_SHARE * made.data.length) return { width: made.width, height: bottom - top, data };
  const cut = data.slice();
  recycle(made);
  return { width: made.width, height: bottom - top, data: cut };
}

/** A map to a source's pixels, as one to those of tones made of it. */
export const toTones = (toSource: Affine, source: Pick<ToneSource, 'width'>, tones: Rows): Affine =>
  tones.width === source.width ? toSource : after(toSource, scaled(tones.width / source.width));

/** Rows out of bands of `size` rows. */
export function bandRows(width: number, height: number, size: number, bandAt: (band: number) => Plane): Rows {
  let [last, held]: [number, Plane] = [-1, createPlane(0, 0)];
  return {
    width,
    height,
    row(y) {
      const band = Math.floor(y / size);
      if (band !== last) {
        held = bandAt(band);
        last = band;
      }
      const at = (y - band * size) * width;
      return held.data.subarray(at, at + width);
    },
  };
}

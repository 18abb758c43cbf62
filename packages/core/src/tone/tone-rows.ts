import { after, scaled, type Affine } from '../raster/affine.ts';
import type { Picture } from '../raster/picture.ts';
import type { Plane } from '../raster/plane.ts';
import type { Region } from '../raster/region.ts';
import { cutRows, type Rows } from '../raster/rows.ts';
import { keep, kernels, pixelsAt, ROWS } from '../kernel/memory.ts';
import { giveBack } from '../raster/scratch.ts';
import { recentBytes } from '../recent.ts';
import { compileTone } from './compile.ts';
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

/** Least rows made at once; more where a step looks far around, so that little is made twice. */
const LEAST_BAND = 64;
/** Most pixels of a band that is longer than the least. */
const MOST_PIXELS = 8e6;

/** Share of what was made for a band that is kept as it is. */
const LEAST_SHARE = 0.7;

/** Bands of finished tones, of all originals. Once a tone is made, screens can change without making it again. */
const recentFinished = recentBytes<Plane>(96 << 20, ({ data }) => data.byteLength);
/** What a step that is being changed begins from: while it is, the steps before it need not be made again. */
const recentBefore = recentBytes<Plane>(96 << 20, ({ data }) => data.byteLength);
/** Bands on their way through the steps. */
const recentPassing = recentBytes<Plane>(32 << 20, ({ data }) => data.byteLength);

/** Stages of a source's latest tone, and which of them stayed the same when it changed last. */
interface Latest {
  readonly keys: readonly string[];
  readonly before: number;
}

/** Sources that are remembered. */
const MOST_LATEST = 24;
const latest = new Map<string, Latest>();

/** The last stage that a source's tone has in common with the one before it; −1 when there is none. */
function stageBefore(name: string, keys: readonly string[]): number {
  const known = latest.get(name);
  if (known && known.keys.length === keys.length && known.keys.every((key, i) => key === keys[i])) {
    return known.before;
  }
  let same = 0;
  while (known && same < Math.min(known.keys.length, keys.length) && known.keys[same] === keys[same]) same++;
  latest.delete(name);
  latest.set(name, { keys, before: same - 1 });
  if (latest.size > MOST_LATEST) latest.delete(latest.keys().next().value!);
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
  const kept = stageBefore(
    name,
    stages.map(({ key }) => key),
  );
  let rows: Rows | undefined;
  for (const [i, { key, table, area }] of stages.entries()) {
    const input = rows;
    const margin = area?.margin ?? 0;
    const finer = area?.finer ?? 1;
    const before = { width, height, scale };
    [width, height, scale] = [width * finer, height * finer, scale / finer];
    const here = { width, height };
    const longest = Math.max(leastBand, Math.floor(MOST_PIXELS / width));
    // Whole rows of the grid before.
    const size = Math.ceil(Math.min(longest, Math.max(leastBand, 4 * margin)) / finer) * finer;
    const make = (band: number): Plane => {
      const top = band * size;
      const bottom = Math.min(here.height, top + size);
      const own = { x: 0, y: top, width: here.width, height: bottom - top };
      if (!input) return source.coverage(tone, table!, own);
      if (!area) return through(table!, cutRows(input, own));
      const from = Math.max(0, top / finer - margin);
      const to = Math.min(before.height, bottom / finer + margin);
      const around = cutRows(input, { x: 0, y: from, width: before.width, height: to - from });
      const made = area.apply(around, {
        x: 0,
        y: from,
        fullWidth: before.width,
        fullHeight: before.height,
        scale: before.scale,
        ppi,
      });
      if (made !== around) giveBack(around);
      const data = made.data.subarray(
        (top - from * finer) * here.width,
        (bottom - from * finer) * here.width,
      );
      // What lies around a band is small enough to be kept with it, or else it is cut off.
      if (data.length > LEAST_SHARE * made.data.length)
        return { width: here.width, height: bottom - top, data };
      const cut = data.slice();
      giveBack(made);
      return { width: here.width, height: bottom - top, data: cut };
    };
    const recentOf = i === stages.length - 1 ? recentFinished : i === kept ? recentBefore : recentPassing;
    const stageName = `${name} ${key}`;
    rows = bandRows(width, height, size, (band) => recentOf(`${stageName} ${band}`, () => make(band)));
  }
  return rows!;
}

/** A map to a source's pixels, as one to those of tones made of it. */
export const toTones = (toSource: Affine, source: Pick<ToneSource, 'width'>, tones: Rows): Affine =>
  tones.width === source.width ? toSource : after(toSource, scaled(tones.width / source.width));

/** Rows out of bands of `size` rows. */
export function bandRows(width: number, height: number, size: number, bandAt: (band: number) => Plane): Rows {
  let last = -1;
  let held: Plane | undefined;
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
      return held!.data.subarray(at, at + width);
    },
  };
}

/** Pixels that are handed to the kernel at once. */
const RUN = 1 << 15;

/** A plane of one's own sent through a table. */
function through(table: Uint16Array, plane: Plane): Plane {
  const { data } = plane;
  for (let at = 0; at < data.length; at += RUN) {
    const run = data.subarray(at, at + RUN);
    const pixels = pixelsAt(ROWS.upper, run.length);
    pixels.set(run);
    kernels.throughTable(ROWS.upper, keep(table), ROWS.upper, run.length);
    run.set(pixels);
  }
  return plane;
}

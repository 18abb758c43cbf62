import { materialsKey } from '../recipe/materials-key.ts';
import { blocksOf, wavesOf, type Blocks } from './blocks.ts';
import { LightRows, type Columns, type SetColours } from './light-rows.ts';
import { isEnlarged, type PlatesView, type View } from './plates-view.ts';
import { enlargedSets } from './enlarged.ts';
import { ROWS_AROUND, withinRange } from './within-range.ts';
import { PassedRows } from './passed-rows.ts';
import { columnsBehind, lowPassed, rowsBehind } from './reconstruct.ts';

/** What screen pixels of plates reflect. */
export interface SeenLight {
  /** For each kind of colours that was asked for a plane of each channel. */
  readonly planes: readonly (readonly Float32Array[])[];
  /** Share of what is looked at that each plate inks. */
  readonly inked: readonly number[];
}

/** What one plate's share of a pixel is seen by, instead of light. */
export const SHARE = Float64Array.of(0, 0, 0, 1, 1, 1);

/**
 * Light of plates on screen pixels: the films' bits through a low-pass in linear light where a screen pixel covers more than a device pixel, else
 * the device pixel under its middle.
 *
 * @param colours  of the sets of plates, at most two kinds
 * @param margin   screen pixels at each side of the view that `inked` leaves out
 * @param channels of each kind; those beyond are not made
 */
export function seenLight(
  request: PlatesView,
  colours: readonly SetColours[],
  margin = 0,
  channels = 3,
): SeenLight {
  // Bare stock is the same at any size.
  if (isEnlarged(request) || request.plates.length === 0) return wholeLight(request, colours, margin);
  const fixed = colours.filter((one) => one instanceof Float64Array);
  // All light of one plate lies between that of two colours, by the share that it inks.
  if (request.plates.length === 1 && channels > 1 && fixed.length === colours.length) {
    const { planes, inked } = blockLight(request, [SHARE], margin, 1);
    return { planes: fixed.map((pair) => between(planes[0][0], pair, channels)), inked };
  }
  return blockLight(request, colours, margin, channels);
}

/** Planes of the channels between two colours, by shares of the second. */
function between(shares: Float32Array, pair: Float64Array, channels: number): Float32Array[] {
  return Array.from({ length: channels }, (_, channel) => {
    const [from, range] = [pair[channel], pair[3 + channel] - pair[channel]];
    const plane = new Float32Array(shares.length);
    for (let i = 0; i < plane.length; i++) plane[i] = from + range * shares[i];
    return plane;
  });
}

/** Where every screen pixel shows one set alone. */
function wholeLight(request: PlatesView, colours: readonly SetColours[], margin: number): SeenLight {
  const { view, rows, plates } = request;
  const sets = enlargedSets(request);
  const [across, down] = [view.width / view.columns, view.height / view.rows];
  const planes = colours.map((given) => {
    const made = [0, 1, 2].map(() => new Float32Array(sets.length));
    for (let y = 0, i = 0; y < rows.count; y++) {
      for (let x = 0; x < view.columns; x++, i++) {
        const here =
          typeof given === 'function'
            ? given(view.x + (x + 0.5) * across, view.y + (rows.first + y + 0.5) * down)
            : given;
        for (let channel = 0; channel < 3; channel++) made[channel][i] = here[3 * sets[i] + channel];
      }
    }
    return made;
  });
  const counts = plates.map(() => 0);
  for (let y = margin; y < rows.count - margin; y++) {
    for (let x = margin; x < view.columns - margin; x++) {
      const set = sets[y * view.columns + x];
      for (let plate = 0; plate < counts.length; plate++) counts[plate] += (set >> plate) & 1;
    }
  }
  const pixels = (view.columns - 2 * margin) * (rows.count - 2 * margin);
  return { planes, inked: counts.map((count) => count / pixels) };
}

/** Rows of blocks made last: parts of a view reach into one another, and what the last one has of the next is not made again. */
let last: { readonly key: string; readonly made: Made } | undefined;

interface Made {
  readonly blocks: Blocks;
  readonly columns: Columns;
  readonly counted: Columns;
  readonly rows: LightRows;
  readonly passed: PassedRows;
}

function blockLight(
  request: PlatesView,
  colours: readonly SetColours[],
  margin: number,
  channels: number,
): SeenLight {
  const { scene, frame, view, plates, film } = request;
  const known = colours.map((one) => (typeof one === 'function' ? 'by place' : one.join()));
  const key = JSON.stringify([
    scene.recipe,
    materialsKey(scene),
    frame,
    view,
    plates,
    margin,
    channels,
    known,
    film,
  ]);
  const begin = (): Made => {
    const blocks = blocksOf(view, wavesOf(request));
    const columns = columnsBehind(view, blocks);
    const counted = innerColumns(view, blocks, margin);
    const rows = new LightRows(request, blocks, columns, colours, counted, channels);
    if (last) rows.reuse(last.made.rows);
    const passed = new PassedRows(rows, view, blocks, columns, colours.length * channels);
    return { blocks, columns, counted, rows, passed };
  };
  const made = last?.key === key ? last.made : begin();
  const { blocks, columns, counted, rows, passed } = made;
  // Should anything fail from here on, nothing is left half made.
  last = undefined;
  const more = blocks.overshoots ? ROWS_AROUND : 0;
  const shown = { first: request.rows.first - more, count: request.rows.count + 2 * more };
  const { first, end } = rowsBehind(view, shown, blocks);
  rows.have(first, end);
  const all = blocks.overshoots
    ? limited(passed.planes(shown), view, colours, channels)
    : lowPassed(rows, view, shown, blocks, columns, colours.length * channels);
  const inked = inkedShares(rows, request, blocks, counted, margin);
  last = { key, made };
  return { planes: colours.map((_, k) => all.slice(channels * k, channels * (k + 1))), inked };
}

/** Places along each side of a view at which colours that change from place to place are asked for. */
const ASKED = 8;

/** Planes of each of so many channels of kinds of colours, within what these colours have. */
function limited(
  planes: readonly Float32Array[],
  { x, y, width, height, columns }: View,
  colours: readonly SetColours[],
  channels: number,
): Float32Array[] {
  const at = (start: number, size: number, i: number) => start + (i * size) / (ASKED - 1);
  return colours.flatMap((given, kind) => {
    const all =
      typeof given === 'function'
        ? Array.from({ length: ASKED ** 2 }, (_, i) =>
            given(at(x, width, i % ASKED), at(y, height, Math.floor(i / ASKED))),
          )
        : [given];
    return Array.from({ length: channels }, (_, channel) => {
      const light = all.flatMap((sets) => [...sets.filter((_, i) => i % 3 === channel)]);
      const range = { least: Math.min(...light), most: Math.max(...light) };
      return withinRange(planes[channels * kind + channel], columns, range);
    });
  });
}

/** Blocks whose middles lie in the columns of a view within its margin. */
function innerColumns({ x, width, columns }: View, blocks: Blocks, margin: number): Columns {
  const edge = (margin * width) / columns;
  const first = Math.ceil((x + edge) / blocks.width - 0.5);
  return { first, count: Math.max(1, Math.ceil((x + width - edge) / blocks.width - 0.5) - first) };
}

function inkedShares(
  rows: LightRows,
  { view, rows: shown, plates }: PlatesView,
  { width, height }: Blocks,
  counted: Columns,
  margin: number,
): number[] {
  const edge = (row: number) => Math.ceil((view.y + (row * view.height) / view.rows) / height - 0.5);
  const first = edge(shown.first + margin);
  const end = Math.max(first + 1, edge(shown.first + shown.count - margin));
  return plates.map((_, plate) => {
    let sum = 0;
    for (let y = first; y < end; y++) sum += rows.inked(y, plate);
    return sum / ((end - first) * counted.count * width * height);
  });
}

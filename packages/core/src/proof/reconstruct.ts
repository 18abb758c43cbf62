import { kernels, LIGHT, lightAt, LOW_PASS, wholesAt } from '../kernel/memory.ts';
import { cache } from '../base/cache.ts';
import type { Blocks } from './blocks.ts';
import type { Columns, LightRows } from './light-rows.ts';
import { lowPassTaps, meanTaps, RADIUS, type Taps } from './low-pass.ts';
import type { View, ViewRows } from './plates-view.ts';

/** Blocks that the rows of a view are made from: rows `first` to `end`. */
export function rowsBehind(view: View, rows: ViewRows, blocks: Blocks): { first: number; end: number } {
  const edge = (row: number) => rowsTaps(view, blocks, { first: row, count: 1 })[0];
  const foot = edge(rows.first + rows.count - 1);
  return { first: edge(rows.first).first, end: foot.first + foot.a.length };
}

/** Blocks that all columns of a view are made from. */
export function columnsBehind(view: View, { width, perColumn }: Blocks): Columns {
  const first = Math.floor(view.x / width - RADIUS * perColumn) - 1;
  return { first, count: Math.ceil((view.x + view.width) / width + RADIUS * perColumn) + 1 - first };
}

const tapsOf = (plain: boolean) => (plain ? meanTaps : lowPassTaps);

/** The middle of a screen pixel, in device pixels. */
const middle = (start: number, size: number, pixels: number, at: number): number =>
  start + ((at + 0.5) * size) / pixels;

/** Rows of a view whose weights are found at once. */
const ROWS_AT_ONCE = 64;
const recentTaps = cache<readonly Taps[]>('low-pass rows');

/** Weights of the rows of blocks that rows of a view are made from; a slider asks for those of the same view again and again. */
function rowsTaps(view: View, blocks: Blocks, { first, count }: ViewRows): Taps[] {
  const { y, height, rows } = view;
  const taps = (row: number) =>
    tapsOf(blocks.plain)(middle(y, height, rows, row) / blocks.height, blocks.perRow);
  const group = (at: number) =>
    recentTaps(`${y} ${height} ${rows} ${blocks.height} ${blocks.plain} ${at}`, () =>
      Array.from({ length: ROWS_AT_ONCE }, (_, i) => taps(ROWS_AT_ONCE * at + i)),
    );
  const from = Math.floor(first / ROWS_AT_ONCE);
  const groups = Math.floor((first + count - 1) / ROWS_AT_ONCE) - from + 1;
  const start = first - ROWS_AT_ONCE * from;
  return Array.from({ length: groups }, (_, i) => group(from + i))
    .flat()
    .slice(start, start + count);
}

/** Weights of the columns of a view: those of row sums a and then b for each screen pixel, and where they begin. */
interface ColumnWeights {
  readonly starts: Int32Array;
  readonly weights: Float32Array;
  /** Weights of each; a multiple of 4. */
  readonly taps: number;
}

const recentWeights = cache<ColumnWeights>('low-pass weights');

function columnWeights(view: View, blocks: Blocks, first: number): ColumnWeights {
  const { x, width, columns } = view;
  return recentWeights(`${x} ${width} ${columns} ${blocks.width} ${blocks.plain} ${first}`, () => {
    const all = Array.from({ length: columns }, (_, column) =>
      tapsOf(blocks.plain)(middle(x, width, columns, column) / blocks.width, blocks.perColumn),
    );
    const taps = (Math.max(...all.map(({ a }) => a.length)) + 3) & ~3;
    const weights = new Float32Array(2 * taps * columns);
    all.forEach(({ a, b }, column) => {
      weights.set(a, 2 * taps * column);
      weights.set(
        b.map((weight) => -weight),
        2 * taps * column + taps,
      );
    });
    return { starts: Int32Array.from(all, (one) => one.first - first), weights, taps };
  });
}

/**
 * Light of screen pixels: blocks of device pixels through the low-pass. Rows of blocks must have been made.
 *
 * @param columns of the blocks' rows
 * @returns a plane of each of the first so many channels
 */
export function lowPassed(
  rows: LightRows,
  view: View,
  shown: ViewRows,
  blocks: Blocks,
  columns: Columns,
  channels: number,
): Float32Array[] {
  const across = columnWeights(view, blocks, columns.first);
  const downs = rowsTaps(view, blocks, shown);
  const planes = Array.from({ length: channels }, () => new Float32Array(view.columns * shown.count));
  planes.forEach((plane, channel) => {
    for (let from = 0; from < view.columns; from += LOW_PASS.pixels) {
      const count = Math.min(LOW_PASS.pixels, view.columns - from);
      passColumns(rows, channel, downs, across, { first: from, count }, plane, view.columns);
    }
  });
  return planes;
}

/**
 * Makes some columns of a plane.
 *
 * @param downs weights of the rows of blocks, for each row of the plane
 * @param width of the plane
 */
function passColumns(
  rows: LightRows,
  channel: number,
  downs: readonly Taps[],
  { starts, weights, taps }: ColumnWeights,
  columns: Columns,
  out: Float32Array,
  width: number,
): void {
  const { first, count } = columns;
  const start = starts[first];
  const numbers = starts[first + count - 1] + taps - start;
  wholesAt(LIGHT.starts, count).set(starts.subarray(first, first + count).map((one) => one - start));
  lightAt(LIGHT.columnWeights, 2 * taps * count).set(
    weights.subarray(2 * taps * first, 2 * taps * (first + count)),
  );
  const [a, b] = LIGHT.sums;
  // Row y lies at y modulo the number of rows that there is room for.
  const held = new Map<number, number>();
  downs.forEach((down, y) => {
    const addresses = wholesAt(LIGHT.addresses, down.a.length);
    const two = lightAt(LIGHT.weights, 2 * down.a.length);
    down.a.forEach((weight, k) => {
      const row = down.first + k;
      const slot = ((row % LOW_PASS.taps) + LOW_PASS.taps) % LOW_PASS.taps;
      const address = LIGHT.rows + slot * LIGHT.rowBytes;
      if (held.get(slot) !== row) {
        rows.copy(row, channel, start, lightAt(address, numbers));
        held.set(slot, row);
      }
      addresses[k] = address;
      two[2 * k] = weight;
      two[2 * k + 1] = down.b[k];
    });
    kernels.weighRows(LIGHT.addresses, LIGHT.weights, down.a.length, a, b, numbers);
    kernels.weighColumns(a, b, LIGHT.starts, LIGHT.columnWeights, taps, LIGHT.out, count);
    out.set(lightAt(LIGHT.out, count), y * width + first);
  });
}

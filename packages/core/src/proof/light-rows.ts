import {
  addressOf,
  BLOCKS,
  bytesAt,
  COUNTED_PIXELS,
  COUNTED_PLATES,
  kernels,
  lightAt,
} from '../kernel/memory.ts';
import type { Bits } from '../raster/bits.ts';
import { bands } from '../raster/region.ts';
import { withWorkBits } from '../raster/work-memory.ts';
import type { Blocks } from './blocks.ts';
import { viewedBits, type PlatesView } from './plates-view.ts';

/**
 * Colours of the sets of plates (a bit for each), three channels each, one after another: everywhere the same, or asked for by a place in device
 * pixels.
 */
export type SetColours = Float64Array | ((x: number, y: number) => Float64Array);

/** Pixels of bits held at once. */
const BAND_PIXELS = 1 << 22;
/** Colours that change from place to place are asked for once for so many blocks, as many as a kernel takes at once. */
const STEP = 8;
/** Bytes from one row of bits in common to the next. */
const ROW_BYTES = COUNTED_PIXELS / 8;

/** Blocks of a row, from the film's left edge. */
export interface Columns {
  readonly first: number;
  readonly count: number;
}

/** A row of blocks: light of each channel of each kind of colours, and pixels that each plate inks where ink is counted. */
interface LightRow {
  readonly light: readonly Float32Array[];
  readonly inked: Float64Array;
}

/** Rows of bits in the kernels' memory. */
interface Rows {
  readonly address: number;
  readonly stride: number;
}

/** Light that blocks of plates reflect, row by row, made from their films’ bits and kept. Beyond its edges the film is mirrored. */
export class LightRows {
  private readonly rows = new Map<number, LightRow>();
  /** Rows that are kept no longer, to be used again. */
  private free: LightRow[] = [];
  private readonly full: number;
  /** Whole blocks of the film. */
  private readonly film: { readonly columns: number; readonly rows: number };

  /**
   * @param colours  at most two kinds
   * @param counted  blocks whose ink is counted
   * @param channels of each kind that are kept, 1–3
   */
  constructor(
    private readonly request: Pick<PlatesView, 'scene' | 'frame' | 'plates' | 'film'>,
    private readonly blocks: Blocks,
    private readonly columns: Columns,
    private readonly colours: readonly SetColours[],
    private readonly counted: Columns,
    private readonly channels: number,
  ) {
    this.full = blocks.width * blocks.height;
    const { width, height } = request.frame;
    const whole = (pixels: number, block: number) => Math.max(1, Math.floor(pixels / block));
    this.film = { columns: whole(width, blocks.width), rows: whole(height, blocks.height) };
  }

  /** Makes what is missing of some rows, and keeps no others. */
  have(first: number, end: number): void {
    const wanted = Array.from({ length: end - first }, (_, i) => mirrored(first + i, this.film.rows));
    const [top, foot] = [Math.min(...wanted), Math.max(...wanted) + 1];
    for (const [y, row] of this.rows) {
      if (y >= top && y < foot) continue;
      this.rows.delete(y);
      this.free.push(row);
    }
    let from = top;
    while (from < foot && this.rows.has(from)) from++;
    let to = foot;
    while (to > from && this.rows.has(to - 1)) to--;
    if (from < to) this.make(from, to);
  }

  /**
   * Copies light of a channel of a row that `have` has made; channels of the second colours follow those of the first.
   *
   * @param start of the columns, counted from the first of them
   */
  copy(y: number, channel: number, start: number, out: Float32Array): void {
    const plane = this.at(mirrored(y, this.film.rows)).light[channel];
    out.set(plane.subarray(start, start + out.length));
    // What is asked for past the last column has no weight, but must be a number.
    out.fill(0, Math.min(out.length, plane.length - start));
    const { columns } = this.film;
    const beginning = this.columns.first + start;
    const mirror = (from: number, to: number) => {
      for (let i = from; i < to; i++)
        out[i] = plane[mirrored(beginning + i, columns) - this.columns.first] ?? 0;
    };
    mirror(0, Math.min(out.length, -beginning));
    mirror(Math.max(0, columns - beginning), out.length);
  }

  /** Inked pixels of a plate, by its place among them, in a row. */
  inked(y: number, plate: number): number {
    return this.at(mirrored(y, this.film.rows)).inked[plate];
  }

  /** Uses the room of rows that are needed no longer, where these are as long and as many. */
  reuse(others: LightRows): void {
    const freed = [...others.free, ...others.rows.values()];
    others.rows.clear();
    others.free = [];
    const isAlike = ({ light, inked }: LightRow) =>
      light.length === this.colours.length * this.channels &&
      inked.length === this.request.plates.length &&
      light[0].length === this.columns.count;
    if (freed.every(isAlike)) this.free = freed;
  }

  private at(y: number): LightRow {
    const row = this.rows.get(y);
    if (!row) throw new RangeError(`Row ${y} has not been made.`);
    return row;
  }

  private make(from: number, to: number): void {
    const { blocks, request } = this;
    const { frame, plates } = request;
    const left = Math.max(0, (this.columns.first * blocks.width) & ~7);
    const right = Math.min(frame.width, (this.columns.first + this.columns.count) * blocks.width);
    const width = Math.max(0, right - left);
    for (let y = from; y < to; y++) this.rows.set(y, this.bareRow(y));
    const top = Math.max(0, from * blocks.height);
    const height = Math.min(frame.height, to * blocks.height) - top;
    if (width === 0 || height <= 0) return;
    // Whole rows of blocks at once, unless one alone is too much.
    const most = Math.max(1, Math.floor(BAND_PIXELS / width));
    const least = most < blocks.height ? most : most - (most % blocks.height);
    for (const band of bands({ x: left, y: top, width, height }, 1, least)) {
      withWorkBits(plates.length, width, band.height, (work) => {
        const bits = plates.map((plate, k) => viewedBits(request, plate, band, work[k]));
        const foot = Math.ceil((band.y + band.height) / blocks.height);
        for (let y = Math.floor(band.y / blocks.height); y < foot; y++) this.addBits(bits, y, left, band.y);
      });
    }
  }

  /** A row of bare stock. */
  private bareRow(y: number): LightRow {
    const { blocks, columns } = this;
    const row = this.free.pop() ?? this.newRow();
    row.inked.fill(0);
    this.colours.forEach((colours, kind) => {
      const step = typeof colours === 'function' ? STEP : columns.count;
      for (let i = 0; i < columns.count; i += step) {
        const here = coloursAt(colours, blocks, columns.first + i, y);
        for (let channel = 0; channel < this.channels; channel++)
          row.light[this.channels * kind + channel].fill(here[channel], i, i + step);
      }
    });
    return row;
  }

  private newRow(): LightRow {
    const planes = this.colours.length * this.channels;
    return {
      light: Array.from({ length: planes }, () => new Float32Array(this.columns.count)),
      inked: new Float64Array(this.request.plates.length),
    };
  }

  /** Adds what a row of blocks has of bits that begin at `left` and `top` of the film. */
  private addBits(bits: readonly Bits[], y: number, left: number, top: number): void {
    const { blocks } = this;
    const row = this.at(y);
    // Narrow blocks that lie beside one another are counted on their own.
    const narrow = blocks.width / blocks.across;
    const all = Math.ceil(bits[0].width / narrow);
    const tile = COUNTED_PIXELS / narrow;
    const start = Math.max(0, y * blocks.height - top);
    const end = Math.min(bits[0].height, (y + 1) * blocks.height - top);
    for (let from = 0; from < all; from += tile) {
      const count = Math.min(tile, all - from);
      // Where these lie among the row's blocks.
      const at = left / narrow + from - this.columns.first * blocks.across;
      this.take(row, at, count);
      for (let r = start; r < end; r += blocks.rows) {
        this.addTile(bits, { r, rows: Math.min(blocks.rows, end - r), from, count, at, y }, row.inked);
      }
      this.give(row, at, count);
    }
  }

  /** Adds the light of some rows of a stretch of narrow blocks, and counts its ink. */
  private addTile(
    bits: readonly Bits[],
    {
      r,
      rows,
      from,
      count,
      at,
      y,
    }: { r: number; rows: number; from: number; count: number; at: number; y: number },
    inked: Float64Array,
  ): void {
    const { blocks, counted, columns } = this;
    const narrow = blocks.width / blocks.across;
    const part = { row: r, rows, byte: (from * narrow) >> 3, bytes: Math.ceil((count * narrow) / 8) };
    const first = Math.max(0, (counted.first - columns.first) * blocks.across - at);
    const end = Math.min(count, (counted.first + counted.count - columns.first) * blocks.across - at);
    for (const { sets, offset } of setGroups(bits, part)) {
      sets.forEach(({ address, stride }, k) => {
        const to = BLOCKS.counts + k * BLOCKS.countBytes;
        kernels.countBlocks(address, stride, rows, blocks.shift, to, count);
        const plate = Math.log2(offset + k);
        if (Number.isInteger(plate) && end > first) inked[plate] += kernels.sumBytes(to + first, end - first);
      });
      this.colours.forEach((colours, k) => {
        const light = BLOCKS.light + 3 * k * BLOCKS.lightBytes;
        const step = typeof colours === 'function' ? STEP * blocks.across : count;
        for (let i = 0; i < count; i += step) {
          const here = coloursAt(colours, blocks, columns.first + Math.floor((at + i) / blocks.across), y);
          layWeights(addedBy(here), offset, sets.length, this.full);
          kernels.addLight(
            BLOCKS.counts + i,
            BLOCKS.countBytes,
            sets.length,
            BLOCKS.weights,
            light + 4 * i,
            BLOCKS.lightBytes,
            Math.min(step, count - i),
          );
        }
      });
    }
  }

  /** Lays the light of a stretch of narrow blocks before the kernels. */
  private take({ light }: LightRow, at: number, count: number): void {
    light.forEach((plane, k) => {
      const made = lightAt(this.addressOf(k), count);
      if (this.blocks.across > 1) made.fill(0);
      else made.set(plane.subarray(Math.max(0, at), at + count), Math.max(0, -at));
    });
  }

  /** Takes it back into the row. */
  private give({ light }: LightRow, at: number, count: number): void {
    const { across } = this.blocks;
    light.forEach((plane, k) => {
      const made = lightAt(this.addressOf(k), count);
      if (across === 1) {
        const from = Math.max(0, -at);
        plane.set(made.subarray(from, Math.min(count, plane.length - at)), at + from);
        return;
      }
      const end = Math.min(count, plane.length * across - at);
      for (let i = Math.max(0, -at); i < end; i++) plane[Math.floor((at + i) / across)] += made[i];
    });
  }

  /** Where the light of a plane lies in the kernels' memory: three channels of each kind of colours. */
  private addressOf(plane: number): number {
    const kind = Math.floor(plane / this.channels);
    return BLOCKS.light + (3 * kind + (plane % this.channels)) * BLOCKS.lightBytes;
  }
}

/** A place before the first or past the last of so many as far within. */
const mirrored = (at: number, count: number): number =>
  Math.min(count - 1, Math.max(0, at < 0 ? -1 - at : at >= count ? 2 * count - 1 - at : at));

/** Colours in the middle of some blocks from one on. */
const coloursAt = (colours: SetColours, { width, height }: Blocks, x: number, y: number): Float64Array =>
  typeof colours === 'function' ? colours((x + STEP / 2) * width, (y + 0.5) * height) : colours;

/** What was found last: colours mostly stay the same from row to row. */
const knownAdded = new WeakMap<Float64Array, Float64Array>();

/**
 * What each set adds to the colours of the sets within it. Their sum over areas where at least a set has ink is that of the colours over areas
 * where exactly it has (Möbius inversion).
 */
function addedBy(colours: Float64Array): Float64Array {
  const known = knownAdded.get(colours);
  if (known) return known;
  const added = colours.slice();
  for (let bit = 3; bit < added.length; bit *= 2) {
    for (let i = 0; i < added.length; i++) if (Math.floor(i / bit) & 1) added[i] -= added[i - bit];
  }
  knownAdded.set(colours, added);
  return added;
}

function layWeights(added: Float64Array, offset: number, sets: number, full: number): void {
  const weights = lightAt(BLOCKS.weights, 3 * sets);
  for (let i = 0; i < weights.length; i++) weights[i] = added[3 * offset + i] / full;
}

/** Rows and bytes of bits that are counted at once. */
interface Part {
  readonly row: number;
  readonly rows: number;
  readonly byte: number;
  readonly bytes: number;
}

/**
 * Bits that each set of plates has in common, in the kernels' memory, as many sets at once as find room there: set `offset` + i is the i-th of a
 * group. They are good until the next group is asked for.
 */
function* setGroups(bits: readonly Bits[], part: Part): Generator<{ sets: Rows[]; offset: number }> {
  const few = Math.min(bits.length, COUNTED_PLATES);
  const alone: Rows[] = [];
  for (let set = 1; set < 1 << few; set++) {
    const highest = 31 - Math.clz32(set);
    const rest = set & ~(1 << highest);
    const to = BLOCKS.alone + set * BLOCKS.setBytes;
    alone[set] =
      rest === 0 ? rowsOf(bits[highest], part, to) : inCommon(alone[rest], alone[1 << highest], part, to);
  }
  yield { sets: alone.slice(1), offset: 1 };
  for (let others = 1; others < 1 << (bits.length - few); others++) {
    let further: Rows | undefined;
    for (let k = 0; k < bits.length - few; k++) {
      if (!(others & (1 << k))) continue;
      further = further
        ? inCommon(further, rowsOf(bits[few + k], part, BLOCKS.shared), part, BLOCKS.further)
        : rowsOf(bits[few + k], part, BLOCKS.further);
    }
    if (!further) continue;
    const sets = [further];
    for (let set = 1; set < 1 << few; set++) {
      sets.push(inCommon(alone[set], further, part, BLOCKS.shared + set * BLOCKS.setBytes));
    }
    yield { sets, offset: others << few };
  }
}

/** Rows of bits in the kernels' memory: where they lie, or copied to a place there. */
function rowsOf({ data, stride }: Bits, { row, rows, byte, bytes }: Part, to: number): Rows {
  const address = addressOf(data);
  if (address !== undefined) return { address: address + row * stride + byte, stride };
  for (let r = 0; r < rows; r++) {
    const from = (row + r) * stride + byte;
    bytesAt(to + r * ROW_BYTES, bytes).set(data.subarray(from, from + bytes));
  }
  return { address: to, stride: ROW_BYTES };
}

function inCommon(a: Rows, b: Rows, { rows, bytes }: Part, to: number): Rows {
  for (let r = 0; r < rows; r++) {
    kernels.bothBits(a.address + r * a.stride, b.address + r * b.stride, to + r * ROW_BYTES, bytes);
  }
  return { address: to, stride: ROW_BYTES };
}

import { frameOf } from '../recipe/frame.ts';
import type { Scene } from '../recipe/scene.ts';
import { after, scaled, type Affine } from '../raster/affine.ts';
import { bitAt, type Bits } from '../raster/bits.ts';
import type { Frame } from '../raster/frame.ts';
import { SOLID, type Plane } from '../raster/plane.ts';
import type { Spot } from '../screen/spot/spot.ts';
import { orderOf } from '../screen/tile.ts';
import type { Transfer } from '../screen/transfer.ts';
import type { LatticeGrid } from './lattice-grid.ts';
import type { Tiles } from './tiles.ts';
import type { TileTones } from './tile-tones.ts';

/** Samples along a cell; on films of fewer pixels to a cell some fall on the same pixel. */
const SIDE = 16;
const SAMPLES = SIDE * SIDE;
/** Pixels of tone along a cell at most: with no more than there are samples, coarse cells would be off by as much as they may. */
const PIXELS = 20;
/** Halvings by which a dot is found that lies across the edge of what is drawn. */
const HALVINGS = 14;

/**
 * What a plate's film inks of each cell of a straight lattice, 0–1, told by the screen's own rule at many points of the cell: a dot that
 * fills so much of its cell has the film's area, whatever the tones are inside it.
 */
export class CellShares {
  private readonly tiles: Tiles<TileTones>;
  private readonly table: Uint16Array | undefined;
  /** From u, v of the lattice to pixels of tone. */
  private readonly toPixels: Affine;
  /** Places of the samples from the middle of a cell, in pixels of tone, in the order in which the screen inks them. */
  private readonly x: Float64Array;
  private readonly y: Float64Array;
  private offsets = { width: 0, places: new Int32Array(0) };
  private readonly asked = new Float64Array(SAMPLES);

  /**
   * @param frame   grid of the tones
   * @param tilesOf tiles of them, with so many pixels around each, and whether tones go on beyond what is drawn
   */
  constructor(
    spot: Spot,
    lattice: LatticeGrid,
    frame: Frame,
    { table }: Transfer,
    tilesOf: (reach: number, goesOn: boolean) => Tiles<TileTones>,
  ) {
    this.table = table;
    const scale = frame.resolution / lattice.film.resolution;
    // Cells whose middle lies beyond the sheet are read from the tile nearest to it: twice half a cell's diagonal.
    this.tiles = tilesOf(Math.ceil(lattice.side * scale * Math.SQRT2) + 2, false);
    this.toPixels = after(lattice.toFilm, scaled(scale));
    const { xx, xy, yx, yy } = this.toPixels;
    const samples = samplesOf(spot);
    const at = (along: number, over: number) => (k: number) => along * across(k) + over * down(k);
    this.x = Float64Array.from(samples, at(xx, xy));
    this.y = Float64Array.from(samples, at(yx, yy));
  }

  /** @param place of the cell: one across the edge of what is drawn gets the share whose dot has, within, the film's area */
  share(column: number, row: number, place: 'inside' | 'edge'): number {
    const { xx, xy, yx, yy } = this.toPixels;
    const [u, v] = [column + 0.5, row + 0.5];
    const [x, y] = [xx * u + xy * v, yx * u + yy * v];
    const tile = this.tiles.about(x, y);
    const [ofX, ofY] = [x - tile.x, y - tile.y];
    return place === 'edge' && tile.inside
      ? this.shareAtEdge(tile.tones, tile.inside, ofX, ofY)
      : this.shareOfAll(tile.tones, ofX, ofY);
  }

  /** What is inked of a cell whose middle lies in the pixel at x, y. */
  private shareOfAll({ data, width }: Plane, x: number, y: number): number {
    const { table } = this;
    const offsets = this.offsetsIn(width);
    const middle = Math.floor(y) * width + Math.floor(x);
    let sum = 0;
    for (let k = 0, rank = 0; k < SAMPLES; k++, rank += SOLID) {
      const tone = data[middle + offsets[k]];
      const over = (table ? table[tone] : tone) * SAMPLES - rank;
      if (over >= SOLID) sum += SOLID;
      else if (over > 0) sum += over;
    }
    return sum / SOLID / SAMPLES;
  }

  /** Places of the samples from the pixel of a cell's middle, in a plane of a width. */
  private offsetsIn(width: number): Int32Array {
    if (this.offsets.width !== width) {
      const places = Int32Array.from(
        this.x,
        (x, k) => Math.floor(this.y[k] + 0.5) * width + Math.floor(x + 0.5),
      );
      this.offsets = { width, places };
    }
    return this.offsets.places;
  }

  /** What would be inked of a cell if all of it were inside. */
  private shareAtEdge({ data, width }: Plane, inside: Bits, x: number, y: number): number {
    const { asked, table } = this;
    let [sum, held] = [0, 0];
    for (let k = 0; k < SAMPLES; k++) {
      const column = Math.floor(x + this.x[k]);
      const row = Math.floor(y + this.y[k]);
      const isIn = bitAt(inside, column, row) === 1;
      const tone = data[row * width + column];
      asked[k] = isIn ? (table ? table[tone] : tone) : OUTSIDE;
      if (!isIn) continue;
      held++;
      sum += inkOf(asked[k], k);
    }
    return sum === 0 ? 0 : held === SAMPLES ? sum / SAMPLES : shareWithin(sum, asked);
  }
}

/** Marks samples that lie outside what is drawn. */
const OUTSIDE = -1;

/** The grid that tones are read on: the film's, or a coarser one where a cell has very many of its pixels. */
export function toneFrame({ recipe }: Scene, side: number, film: Frame): Frame {
  // Dots that stay whole at an edge are told by the film's own cells.
  const whole = recipe.originals.some(({ container }) => container?.edge === 'whole');
  return whole || side <= PIXELS ? film : frameOf(recipe.sheet, (film.resolution * PIXELS) / side);
}

/** Places of samples in their cell, from its middle. */
const across = (sample: number): number => ((sample % SIDE) + 0.5) / SIDE - 0.5;
const down = (sample: number): number => (Math.floor(sample / SIDE) + 0.5) / SIDE - 0.5;

/** The samples of a cell in the order in which they are inked, equal ones scattered over it. */
function samplesOf(spot: Spot): number[] {
  const values = Float64Array.from({ length: SAMPLES }, (_, k) =>
    spot.value(across(scattered(k)), down(scattered(k))),
  );
  return Array.from(orderOf(values), scattered);
}

/** Counts through the samples of a cell in leaps: 97 is prime to them. */
const scattered = (k: number): number => (k * 97) % SAMPLES;

const RANKS = SAMPLES / SOLID;

/** What a sample of a rank adds to the ink of its cell, 0–1: a flat coverage inks just its share of all of them. */
function inkOf(coverage: number, rank: number): number {
  const over = coverage * RANKS - rank;
  return over <= 0 ? 0 : over >= 1 ? 1 : over;
}

/** The share of a cell whose dot inks so much of the samples that are inside. */
function shareWithin(sum: number, inked: Float64Array): number {
  let [low, high] = [0, SOLID];
  for (let turn = 0; turn < HALVINGS; turn++) {
    const middle = (low + high) / 2;
    let made = 0;
    for (let s = 0; s < SAMPLES; s++) if (inked[s] !== OUTSIDE) made += inkOf(middle, s);
    if (made < sum) low = middle;
    else high = middle;
  }
  return high / SOLID;
}

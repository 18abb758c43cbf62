import { after, scaled, type Affine } from '../raster/affine.ts';
import type { Frame } from '../raster/frame.ts';
import { SOLID } from '../raster/plane.ts';
import { smoothThresholds } from '../screen/smooth-cell.ts';
import type { Spot } from '../screen/spot/spot.ts';
import type { Transfer } from '../screen/transfer.ts';
import { CellField, cellThresholds } from './cell-field.ts';
import { dotManners, sideOf, type DotManner } from './dot-manners.ts';
import type { Dot } from './lattice-dot.ts';
import type { LatticeGrid } from './lattice-grid.ts';
import type { Tiles } from './tiles.ts';
import type { TileTones } from './tile-tones.ts';

/** Pixels of the film that an edge as long as a cell would move by from the least of its tones to the largest, where they count as even. */
const EVEN = 1;
/** Parts of a pixel that places are told by, and those that tones between pixels are mixed by: tones times their square are whole numbers of 30 bits. */
const PLACE_BITS = 16;
const PLACES = 1 << PLACE_BITS;
const PARTS_BITS = 7;
const PARTS = 1 << PARTS_BITS;
const REST_BITS = PLACE_BITS - PARTS_BITS;
const { imul } = Math;

/** The dots of a straight lattice as the film has them in single cells: where coverage is above its threshold, inside the cell. */
export class CellContours {
  private readonly mannerOf: (share: number) => DotManner | undefined;
  private readonly fields: (CellField | undefined)[] = [];
  private readonly places: ({ across: Int32Array; down: Int32Array } | undefined)[] = [];
  private readonly threshold: (u: number, v: number) => number;
  private readonly table: Uint16Array | undefined;
  private readonly even: number;
  private readonly tiles: Tiles<TileTones>;
  /** From cells to the middles of pixels of tone. */
  private readonly toPixels: Affine;

  /**
   * @param key     cache key: equal iff the shape is equal
   * @param side    points along a cell that outlines are looked for at, even
   * @param shape   the screen's own dot of a share of its cell, 0–1
   * @param tilesOf tiles of tones on the grid, with so many pixels around each, and whether tones go on beyond what is drawn
   */
  constructor(
    spot: Spot,
    private readonly key: string,
    lattice: LatticeGrid,
    grid: Frame,
    { table }: Transfer,
    private readonly side: number,
    private readonly shape: (share: number) => Dot,
    tilesOf: (reach: number, goesOn: boolean) => Tiles<TileTones>,
  ) {
    this.even = (EVEN / lattice.side) * SOLID;
    this.threshold = smoothThresholds(key, spot);
    this.mannerOf = dotManners(key, this.threshold, side, shape);
    this.table = table;
    // Cells whose middle lies beyond the sheet are read from the tile nearest to it: twice half a cell's diagonal.
    this.tiles = tilesOf(Math.ceil(side * Math.SQRT2) + 4, true);
    const toGrid = after(lattice.toFilm, scaled(grid.resolution / lattice.film.resolution));
    this.toPixels = { ...toGrid, x0: toGrid.x0 - 0.5, y0: toGrid.y0 - 0.5 };
  }

  /** The dot of a cell; undefined for none. */
  dot(column: number, row: number): Dot | undefined {
    const { least, most, mean } = this.readTones(column, row, 0);
    if (most === 0) return undefined;
    const manner = most - least < this.even ? undefined : this.mannerOf(mean / SOLID);
    if (!manner) return this.shape(mean / SOLID);
    const { level, shift } = manner;
    if (level > 0) this.readTones(column, row, level);
    return this.fieldOf(level).outlines(shift).dot();
  }

  private fieldOf(level: number): CellField {
    return (this.fields[level] ??= new CellField(
      cellThresholds(this.key, this.threshold, sideOf(this.side, level)),
    ));
  }

  /**
   * Reads tones at the points of a cell into the field of a level. Where cells meet they read the same ones, but for rounding.
   *
   * @returns the least and the largest of what is made of them, and their mean
   */
  private readTones(
    column: number,
    row: number,
    level: number,
  ): { least: number; most: number; mean: number } {
    const { tones } = this.fieldOf(level);
    const { across, down } = this.placesOf(level);
    const { table } = this;
    const { xx, xy, x0, yx, yy, y0 } = this.toPixels;
    const [u, v] = [column + 0.5, row + 0.5];
    const tile = this.tiles.about(xx * u + xy * v + x0, yx * u + yy * v + y0);
    const { data, width } = tile.tones;
    // From the tile's first pixel: above 0, so that what is cut off is below.
    const fromX = ((xx * column + xy * row + x0 - tile.x) * PLACES) | 0;
    const fromY = ((yx * column + yy * row + y0 - tile.y) * PLACES) | 0;
    let least = SOLID;
    let most = 0;
    let sum = 0;
    for (let i = 0; i < tones.length; i++) {
      const x = (fromX + across[i]) | 0;
      const y = (fromY + down[i]) | 0;
      const fx = (x >> REST_BITS) & (PARTS - 1);
      const at = imul(y >> PLACE_BITS, width) + (x >> PLACE_BITS);
      const upper = (data[at] << PARTS_BITS) + imul(data[at + 1] - data[at], fx);
      const foot = at + width;
      const lower = (data[foot] << PARTS_BITS) + imul(data[foot + 1] - data[foot], fx);
      const tone =
        ((upper << PARTS_BITS) + imul(lower - upper, (y >> REST_BITS) & (PARTS - 1))) >> (2 * PARTS_BITS);
      // What is bare stays so, whatever the least dot.
      const made = table && tone > 0 ? table[tone] : tone;
      tones[i] = made;
      sum += made;
      if (made < least) least = made;
      if (made > most) most = made;
    }
    return { least, most, mean: sum / tones.length };
  }

  /** Where the points of a level lie from the first corner of their cell, parts of a pixel. */
  private placesOf(level: number): { across: Int32Array; down: Int32Array } {
    return (this.places[level] ??= (() => {
      const { side, width, tones } = this.fieldOf(level);
      const { xx, xy, yx, yy } = this.toPixels;
      const [across, down] = [new Int32Array(tones.length), new Int32Array(tones.length)];
      for (let i = 0; i < tones.length; i++) {
        const [u, v] = [((i % width) * PLACES) / side, (Math.floor(i / width) * PLACES) / side];
        across[i] = Math.round(xx * u + xy * v);
        down[i] = Math.round(yx * u + yy * v);
      }
      return { across, down };
    })());
  }
}

import { after, scaled, type Affine } from '../raster/affine.ts';
import type { Frame } from '../raster/frame.ts';
import { CELL, kernels, uploadOnce, wholesAt } from '../kernel/memory.ts';
import { SOLID } from '../raster/plane.ts';
import { smoothThresholds } from '../screen/smooth-cell.ts';
import type { Spot } from '../screen/spot/spot.ts';
import type { Transfer } from '../screen/transfer.ts';
import { cellOutlines, cellThresholds, type CellThresholds } from './cell-field.ts';
import { dotManners, sideOf, type DotManner } from './dot-manners.ts';
import type { Dot } from './lattice-dot.ts';
import type { LatticeGrid } from './lattice-grid.ts';
import type { Tiles } from './tiles.ts';
import type { TileTones } from './tile-tones.ts';

/** Pixels of the film that an edge as long as a cell would move by from the least of its tones to the largest, where they count as even. */
const EVEN = 1;
/** Parts of a pixel that places are told by. */
const PLACES = 1 << 20;
const RANGE = wholesAt(CELL.range, 2);

/** The dots of a straight lattice as the film has them in single cells: where coverage is above its threshold, inside the cell. */
export class CellContours {
  private readonly mannerOf: (share: number) => DotManner | undefined;
  private readonly thresholds: (CellThresholds | undefined)[] = [];
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
    return cellOutlines(this.thresholdsOf(level), CELL.tones, shift).dot;
  }

  private thresholdsOf(level: number): CellThresholds {
    return (this.thresholds[level] ??= cellThresholds(this.key, this.threshold, sideOf(this.side, level)));
  }

  /**
   * Reads tones at the points of a cell of a level. Where cells meet they read the same ones, but for rounding.
   *
   * @returns the least and the largest of what is made of them, and their mean
   */
  private readTones(
    column: number,
    row: number,
    level: number,
  ): { least: number; most: number; mean: number } {
    const { side } = this.thresholdsOf(level);
    const points = side + 1;
    const { xx, xy, x0, yx, yy, y0 } = this.toPixels;
    const [u, v] = [column + 0.5, row + 0.5];
    const tile = this.tiles.about(xx * u + xy * v + x0, yx * u + yy * v + y0);
    const { tones } = tile;
    const step = PLACES / side;
    // What is uploaded first may have to make room for what follows.
    if (this.table) uploadOnce(this.table);
    const plane = uploadOnce(tones.data);
    const sum = kernels.readCell(
      plane,
      tones.width,
      Math.round((xx * column + xy * row + x0 - tile.x) * PLACES),
      Math.round((yx * column + yy * row + y0 - tile.y) * PLACES),
      Math.round(xx * step),
      Math.round(xy * step),
      Math.round(yx * step),
      Math.round(yy * step),
      points,
      this.table ? uploadOnce(this.table) : 0,
      CELL.tones,
      CELL.range,
    );
    return { least: RANGE[0], most: RANGE[1], mean: sum / (points * points) };
  }
}

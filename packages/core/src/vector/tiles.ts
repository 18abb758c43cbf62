import { clamp } from '../base/numbers.ts';
import type { Frame } from '../raster/frame.ts';
import type { Region } from '../raster/region.ts';

/** Pixels of a tile each way. */
const TILE = 512;
/** Tiles that are kept besides those that a line across the grid passes through. */
const SPARE = 12;
/** Tiles of a grid are told from those of another part of the sheet by this, and rows of them from columns. */
const PER_FACE = 2 ** 32;
const PER_ROW = 2 ** 16;

/** Squares of a grid, each made when something in it is asked for. Of all those that share a store the ones last asked for are kept. */
export class Tiles<Tile> {
  private last: Tile | undefined;
  private lastKey = -1;

  /**
   * @param face  number of the part of the sheet whose tiles they are
   * @param reach pixels around a tile that are in it too
   * @param make  makes a tile of a part of the plane, which goes on beyond the grid
   */
  constructor(
    private readonly store: TileStore<Tile>,
    private readonly face: number,
    private readonly grid: Frame,
    private readonly reach: number,
    private readonly make: (part: Region) => Tile,
  ) {}

  /** The tile that a pixel lies in, or the one nearest to it. */
  about(x: number, y: number): Tile {
    const { grid, reach, store } = this;
    const column = clamp(Math.floor(x / TILE), 0, Math.floor((grid.width - 1) / TILE));
    const row = clamp(Math.floor(y / TILE), 0, Math.floor((grid.height - 1) / TILE));
    const key = this.face * PER_FACE + row * PER_ROW + column;
    if (key === this.lastKey && this.last !== undefined) return this.last;
    const side = TILE + 2 * reach;
    const tile = store.take(key, () =>
      this.make({ x: column * TILE - reach, y: row * TILE - reach, width: side, height: side }),
    );
    [this.last, this.lastKey] = [tile, key];
    return tile;
  }
}

/** Tiles that were asked for last: as many as rows of cells across a grid pass through at once. */
export class TileStore<Tile> {
  private readonly tiles = new Map<number, Tile>();
  private readonly most: number;

  constructor({ width, height }: Frame) {
    this.most = Math.ceil((width + height) / TILE) + SPARE;
  }

  take(key: number, make: () => Tile): Tile {
    const found = this.tiles.get(key);
    if (found !== undefined) this.tiles.delete(key);
    const tile = found ?? make();
    this.tiles.set(key, tile);
    // The one that was asked for longest ago goes.
    const [first] = this.tiles.keys();
    if (this.tiles.size > this.most) this.tiles.delete(first);
    return tile;
  }
}

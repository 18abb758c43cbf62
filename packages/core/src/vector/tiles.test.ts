import type { Region } from '../raster/region.ts';
import { Tiles, TileStore } from './tiles.ts';

const grid = { width: 2000, height: 1200, resolution: 300, bleed: 0 };

/** Tiles of one part of a sheet, and the regions that were made, in turn. */
function tilesOf(store: TileStore<Region>, face = 0): { tiles: Tiles<Region>; made: Region[] } {
  const made: Region[] = [];
  const tiles = new Tiles(store, face, grid, 10, (part) => {
    made.push(part);
    return part;
  });
  return { tiles, made };
}

it('gives the tile that a pixel lies in, with what is around it, and the nearest one beyond the grid', () => {
  const { tiles } = tilesOf(new TileStore(grid));
  expect(tiles.about(600, 40)).toEqual({ x: 502, y: -10, width: 532, height: 532 });
  expect(tiles.about(-30, -5)).toEqual({ x: -10, y: -10, width: 532, height: 532 });
  expect(tiles.about(2040, 1300)).toEqual({ x: 1526, y: 1014, width: 532, height: 532 });
});

it('makes a tile once while it is asked for, and parts of a sheet each their own', () => {
  const store = new TileStore<Region>(grid);
  const [one, other] = [tilesOf(store, 0), tilesOf(store, 1)];
  const first = one.tiles.about(5, 5);
  for (let x = 0; x < 2000; x += 100) one.tiles.about(x, 700);
  expect(one.tiles.about(6, 8)).toBe(first);
  expect(other.tiles.about(6, 8)).not.toBe(first);
  expect(one.made).toHaveLength(5);
  expect(other.made).toHaveLength(1);
});

it('lets go of those that were asked for longest ago', () => {
  const store = new TileStore<Region>(grid);
  const [one, many] = [tilesOf(store, 0), tilesOf(store, 1)];
  const lately = tilesOf(store, 2);
  one.tiles.about(5, 5);
  lately.tiles.about(5, 5);
  for (let row = 0; row < 3; row++)
    for (let column = 0; column < 4; column++) many.tiles.about(512 * column, 512 * row);
  lately.tiles.about(600, 5);
  lately.tiles.about(5, 5);
  for (let face = 3; face < 12; face++) tilesOf(store, face).tiles.about(5, 5);
  one.tiles.about(600, 5);
  one.tiles.about(5, 5);
  lately.tiles.about(600, 5);
  lately.tiles.about(5, 5);
  expect(one.made).toHaveLength(3);
  expect(lately.made).toHaveLength(2);
});

import { brickColumn, brickOf, brickRow } from './brick.ts';

/** How far chosen cells repel others, in cells. */
const REACH = 6;

/** Repulsion at a squared distance in cells: a bell, in whole numbers, so that every machine adds up the same. */
const forceAt = (squared: number): number =>
  Math.round(2 ** 20 * Math.max(0, 1 - squared / (REACH * REACH)) ** 8);

/**
 * The order in which a supercell's cells take an extra pixel, so that at every number of them the ones that have it
 * are spread evenly: each next cell is the one furthest, by a bell-shaped repulsion over the repeating supercell, from all
 * before it (the void-finding half of R. Ulichney, "The void-and-cluster method for dither array generation", 1993).
 *
 * @param m,n the supercell's edge in cells
 * @returns rank of the cell at brick position row · width + column
 */
export function cellRanks(m: number, n: number): Uint16Array {
  const brick = brickOf(m, n);
  const count = brick.width * brick.height;
  const ranks = new Uint16Array(count);
  const offsets: { dx: number; dy: number; force: number }[] = [];
  for (let dy = -REACH; dy <= REACH; dy++) {
    for (let dx = -REACH; dx <= REACH; dx++) {
      const force = forceAt(dx * dx + dy * dy);
      if (force > 0) offsets.push({ dx, dy, force });
    }
  }
  const pressure = new Float64Array(count);
  let chosen = 0;
  for (let rank = 0; rank < count; rank++) {
    ranks[chosen] = rank;
    pressure[chosen] = Infinity;
    const x = chosen % brick.width;
    const y = Math.floor(chosen / brick.width);
    for (const { dx, dy, force } of offsets) {
      const row = brickRow(brick, y + dy);
      pressure[row * brick.width + brickColumn(brick, x + dx, y + dy)] += force;
    }
    let least = Infinity;
    for (let i = 0; i < count; i++) {
      if (pressure[i] < least) {
        least = pressure[i];
        chosen = i;
      }
    }
  }
  return ranks;
}

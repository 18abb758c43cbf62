import { brickColumn, brickOf, brickRow } from './brick.ts';

/** Range of the repulsion between chosen cells, in cells. */
const SPREAD = 1.5;

/**
 * The order in which a supercell's cells take an extra pixel, so that at every number of them the ones that have it
 * are spread evenly: each next cell is the one furthest, by Gaussian repulsion over the repeating supercell, from all
 * before it (the void-finding half of R. Ulichney, "The void-and-cluster method for dither array generation", 1993).
 *
 * @param m,n the supercell's edge in cells
 * @returns rank of the cell at brick position row · width + column
 */
export function cellRanks(m: number, n: number): Uint16Array {
  const brick = brickOf(m, n);
  const count = brick.width * brick.height;
  const ranks = new Uint16Array(count);
  const reach = Math.ceil(SPREAD * 4);
  const offsets: { dx: number; dy: number; force: number }[] = [];
  for (let dy = -reach; dy <= reach; dy++) {
    for (let dx = -reach; dx <= reach; dx++) {
      offsets.push({ dx, dy, force: Math.exp(-(dx * dx + dy * dy) / (2 * SPREAD * SPREAD)) });
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

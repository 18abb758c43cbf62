import { cache } from '../base/cache.ts';
import { brickColumn, brickOf, brickRow } from './brick.ts';

/** How far chosen cells repel others, in cells. */
const REACH = 6;

/** Cells across the square in which a chosen cell repels others. */
const ACROSS = 2 * REACH + 1;

/** Repulsion over that square: a bell, in whole numbers, so that every machine adds up the same. */
const FORCES = Float64Array.from({ length: ACROSS * ACROSS }, (_, i) => {
  const squared = ((i % ACROSS) - REACH) ** 2 + (Math.floor(i / ACROSS) - REACH) ** 2;
  return Math.round(2 ** 20 * Math.max(0, 1 - squared / (REACH * REACH)) ** 8);
});

const recentRanks = cache<Uint16Array>('cell ranks');

/**
 * The order in which a supercell's cells take an extra pixel, so that at every number of them the ones that have it
 * are spread evenly: each next cell is the one furthest, by a bell-shaped repulsion over the repeating supercell, from all
 * before it (the void-finding half of R. Ulichney, "The void-and-cluster method for dither array generation", 1993).
 *
 * @param m,n the supercell's edge in cells
 * @returns rank of the cell at brick position row · width + column
 */
export const cellRanks = (m: number, n: number): Uint16Array =>
  recentRanks(`${m} ${n}`, () => rankCells(m, n));

function rankCells(m: number, n: number): Uint16Array {
  const brick = brickOf(m, n);
  const { width } = brick;
  const count = width * brick.height;
  const ranks = new Uint16Array(count);
  const pressure = new Float64Array(count);
  let chosen = 0;
  for (let rank = 0; rank < count; rank++) {
    ranks[chosen] = rank;
    pressure[chosen] = Infinity;
    const x = chosen % width;
    const y = Math.floor(chosen / width);
    for (let line = 0, k = 0; line < ACROSS; line++) {
      const row = y + line - REACH;
      const start = brickRow(brick, row) * width;
      let column = brickColumn(brick, x - REACH, row);
      for (let i = 0; i < ACROSS; i++, k++) {
        pressure[start + column] += FORCES[k];
        if (++column === width) column = 0;
      }
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

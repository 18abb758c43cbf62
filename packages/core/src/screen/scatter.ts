import { randomAt } from '../random.ts';

const at = (seed: number, i: number, j: number): number => randomAt(seed, i, j) / 2 ** 32 - 0.5;

/** A number from −½ to ½ of its own for every point of a lattice, running straight from one to the next. */
export function scatterAt(seed: number, u: number, v: number): number {
  const i = Math.floor(u);
  const j = Math.floor(v);
  const fu = u - i;
  const fv = v - j;
  const upper = at(seed, i, j) * (1 - fu) + at(seed, i + 1, j) * fu;
  return upper * (1 - fv) + (at(seed, i, j + 1) * (1 - fu) + at(seed, i + 1, j + 1) * fu) * fv;
}

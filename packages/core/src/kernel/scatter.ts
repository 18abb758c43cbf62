import { randomAt } from '../base/random.ts';

const at = (seed: number, i: number, j: number): number => randomAt(seed, i, j) / 2 ** 32 - 0.5;

/**
 * A number from −½ to ½ of its own for every point of a lattice, running straight from one to the next. Made to be asked along
 * rows: the corners of the cell asked last are remembered.
 */
export function scatter(seed: number): (u: number, v: number) => number {
  let [lastI, lastJ] = [NaN, NaN];
  let [a, b, c, d] = [0, 0, 0, 0];
  return (u, v) => {
    const i = Math.floor(u);
    const j = Math.floor(v);
    if (i !== lastI || j !== lastJ) {
      if (i === lastI + 1 && j === lastJ) {
        a = b;
        c = d;
      } else {
        a = at(seed, i, j);
        c = at(seed, i, j + 1);
      }
      b = at(seed, i + 1, j);
      d = at(seed, i + 1, j + 1);
      lastI = i;
      lastJ = j;
    }
    const fu = u - i;
    const fv = v - j;
    return (a * (1 - fu) + b * fu) * (1 - fv) + (c * (1 - fu) + d * fu) * fv;
  };
}

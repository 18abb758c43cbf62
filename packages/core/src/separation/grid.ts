/** Numbers at the nodes of a cube of colours, `each` of them a node, the last channel running first. */
export interface Grid {
  readonly size: number;
  readonly each: number;
  readonly data: Float64Array;
}

/** Makes a grid node by node, given the node's place, 0–1 each way. */
export function makeGrid(
  size: number,
  each: number,
  node: (place: readonly [number, number, number], out: Float64Array) => void,
): Grid {
  const data = new Float64Array(size ** 3 * each);
  let at = 0;
  for (let r = 0; r < size; r++) {
    for (let g = 0; g < size; g++) {
      for (let b = 0; b < size; b++, at += each) {
        node([r / (size - 1), g / (size - 1), b / (size - 1)], data.subarray(at, at + each));
      }
    }
  }
  return { size, each, data };
}

/** The numbers between the nodes, linear each way. */
export function readGrid({ size, each, data }: Grid, place: readonly number[], out: Float64Array): void {
  const at = place.map((one) => one * (size - 1));
  const low = at.map((one) => Math.min(size - 2, Math.floor(one)));
  out.fill(0);
  for (let corner = 0; corner < 8; corner++) {
    let weight = 1;
    let index = 0;
    for (let k = 0; k < 3; k++) {
      const high = (corner >> k) & 1;
      weight *= high ? at[k] - low[k] : 1 - (at[k] - low[k]);
      index = index * size + low[k] + high;
    }
    if (weight === 0) continue;
    for (let k = 0; k < each; k++) out[k] += weight * data[index * each + k];
  }
}

/** Keeps, of the pixels that are set, those connected with one of them by their sides; none if that one is not set. */
export function keepConnected(mask: Uint8Array, width: number, height: number, seed: number): void {
  const reached = new Uint8Array(mask.length);
  if (mask[seed]) flood(mask, width, height, seed, reached, new Int32Array(mask.length));
  mask.set(reached);
}

/** Marks everything connected with a pixel that has its value; gives how many, with the pixels first in `queue`. */
function flood(
  mask: Uint8Array,
  width: number,
  height: number,
  seed: number,
  reached: Uint8Array,
  queue: Int32Array,
): number {
  const value = mask[seed];
  const last = width * (height - 1);
  reached[seed] = 1;
  queue[0] = seed;
  let end = 1;
  for (let at = 0; at < end; at++) {
    const pixel = queue[at];
    const x = pixel % width;
    if (x > 0 && !reached[pixel - 1] && mask[pixel - 1] === value) {
      reached[pixel - 1] = 1;
      queue[end++] = pixel - 1;
    }
    if (x < width - 1 && !reached[pixel + 1] && mask[pixel + 1] === value) {
      reached[pixel + 1] = 1;
      queue[end++] = pixel + 1;
    }
    if (pixel >= width && !reached[pixel - width] && mask[pixel - width] === value) {
      reached[pixel - width] = 1;
      queue[end++] = pixel - width;
    }
    if (pixel < last && !reached[pixel + width] && mask[pixel + width] === value) {
      reached[pixel + width] = 1;
      queue[end++] = pixel + width;
    }
  }
  return end;
}

/** Turns over every connected patch, set or not, of fewer than `least` pixels; the smaller ones first set, then not set. */
export function dropSpecks(mask: Uint8Array, width: number, height: number, least: number): void {
  if (least <= 1) return;
  const queue = new Int32Array(mask.length);
  for (const value of [1, 0]) {
    const reached = new Uint8Array(mask.length);
    for (let i = 0; i < mask.length; i++) {
      if (reached[i] || mask[i] !== value) continue;
      const count = flood(mask, width, height, i, reached, queue);
      if (count < least) for (let k = 0; k < count; k++) mask[queue[k]] = 1 - value;
    }
  }
}

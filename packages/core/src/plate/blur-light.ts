/** A Gaussian blur of light; beyond the edges the outermost pixels repeat. */
export function blurLight(plane: Float32Array, width: number, height: number, sigma: number): Float32Array {
  const radius = Math.ceil(3 * sigma);
  const bell = Float64Array.from({ length: 2 * radius + 1 }, (_, i) =>
    Math.exp(-((i - radius) ** 2) / (2 * sigma * sigma)),
  );
  const sum = bell.reduce((a, b) => a + b, 0);
  for (let i = 0; i < bell.length; i++) bell[i] /= sum;
  const across = new Float32Array(plane.length);
  const line = new Float32Array(width + 2 * radius);
  for (let y = 0; y < height; y++) {
    const base = y * width;
    line.fill(plane[base], 0, radius);
    line.set(plane.subarray(base, base + width), radius);
    line.fill(plane[base + width - 1], radius + width);
    for (let x = 0; x < width; x++) {
      let value = 0;
      for (let k = 0; k < bell.length; k++) value += bell[k] * line[x + k];
      across[base + x] = value;
    }
  }
  const out = new Float32Array(plane.length);
  for (let y = 0; y < height; y++) {
    for (let k = 0; k < bell.length; k++) {
      const from = Math.min(height - 1, Math.max(0, y + k - radius)) * width;
      const weight = bell[k];
      for (let x = 0, to = y * width; x < width; x++, to++) out[to] += weight * across[from + x];
    }
  }
  return out;
}

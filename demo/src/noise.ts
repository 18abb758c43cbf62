/** A seeded generator of numbers in [0, 1) (the 32-bit multiply-and-shift mixer known as mulberry32). */
export function seeded(seed: number): () => number {
  let state = seed >>> 0;
  return () => {
    state = (state + 0x6d2b79f5) >>> 0;
    let t = Math.imul(state ^ (state >>> 15), 1 | state);
    t = (t + Math.imul(t ^ (t >>> 7), 61 | t)) ^ t;
    return ((t ^ (t >>> 14)) >>> 0) / 4294967296;
  };
}

/** Smooth value noise in [−1, 1] with features of about one unit. */
export function valueNoise(seed: number): (x: number, y: number) => number {
  const random = seeded(seed);
  const size = 256;
  const lattice = Float32Array.from({ length: size * size }, () => random() * 2 - 1);
  const at = (x: number, y: number) => lattice[(y & 255) * size + (x & 255)];
  const ease = (t: number) => t * t * t * (t * (t * 6 - 15) + 10);
  return (x, y) => {
    const x0 = Math.floor(x);
    const y0 = Math.floor(y);
    const u = ease(x - x0);
    const v = ease(y - y0);
    const top = at(x0, y0) + (at(x0 + 1, y0) - at(x0, y0)) * u;
    const bottom = at(x0, y0 + 1) + (at(x0 + 1, y0 + 1) - at(x0, y0 + 1)) * u;
    return top + (bottom - top) * v;
  };
}

/** Octaves of noise, each of half the size and strength of the one before; about [−1, 1]. */
export function octaves(noise: (x: number, y: number) => number, count: number) {
  return (x: number, y: number): number => {
    let sum = 0;
    let weight = 0;
    for (let k = 0, amplitude = 1, scale = 1; k < count; k++, amplitude /= 2, scale *= 2.03) {
      sum += noise(x * scale + k * 17.3, y * scale + k * 9.1) * amplitude;
      weight += amplitude;
    }
    return sum / weight;
  };
}

export const clamp01 = (value: number): number => Math.min(1, Math.max(0, value));

/** 0 below `from`, 1 above `to`, smooth between. */
export function smoothstep(from: number, to: number, value: number): number {
  const t = clamp01((value - from) / (to - from));
  return t * t * (3 - 2 * t);
}

export const mix = (a: number, b: number, t: number): number => a + (b - a) * t;

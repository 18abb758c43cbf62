import { clamp01, octaves, seeded, smoothstep, valueNoise } from './noise.ts';

/** Brightness (0–1) of a cratered moon's face, row after row; −1 outside the disc. */
export interface MoonDisc {
  readonly size: number;
  readonly light: Float32Array;
}

/** A relief of seas, highlands and craters on a globe, lit from the left. `size` is the diameter in pixels. */
export function moonDisc(size: number, seed: number): MoonDisc {
  const random = seeded(seed);
  const radius = size / 2;
  const height = new Float32Array(size * size);
  const brightness = new Float32Array(size * size);
  const relief = octaves(valueNoise(seed + 1), 7);
  const seas = octaves(valueNoise(seed + 2), 5);
  for (let y = 0; y < size; y++) {
    for (let x = 0; x < size; x++) {
      const u = (x - radius) / radius;
      const v = (y - radius) / radius;
      const sea = smoothstep(-0.02, 0.2, seas(u * 1.5 + 4.2, v * 1.5 + 1.7));
      height[y * size + x] = relief(u * 7, v * 7) * (0.7 - 0.5 * sea) * 0.012;
      brightness[y * size + x] = 0.95 - 0.42 * sea + relief(u * 22 + 9, v * 22) * 0.07;
    }
  }
  for (let n = 0; n < 900; n++) {
    const r = 0.006 * Math.pow(1 - random() * 0.985, -0.62);
    const angle = random() * Math.PI * 2;
    const out = Math.sqrt(random()) * 0.99;
    stampCrater(
      height,
      brightness,
      size,
      Math.cos(angle) * out,
      Math.sin(angle) * out,
      Math.min(r, 0.085),
      random,
    );
  }
  return { size, light: shade(height, brightness, size) };
}

function stampCrater(
  height: Float32Array,
  brightness: Float32Array,
  size: number,
  cx: number,
  cy: number,
  r: number,
  random: () => number,
): void {
  const radius = size / 2;
  // Foreshortened towards the limb.
  const rim = Math.sqrt(Math.max(0.05, 1 - cx * cx - cy * cy));
  const away = Math.hypot(cx, cy) || 1;
  const [ax, ay] = [cx / away, cy / away];
  const fresh = random() < 0.12;
  const reach = fresh && r > 0.02 ? 5 : 1.7;
  const rays = 7 + Math.floor(random() * 6);
  const phase = random() * 7;
  const span = Math.ceil(r * reach * radius);
  const px = Math.round((cx + 1) * radius);
  const py = Math.round((cy + 1) * radius);
  for (let y = Math.max(0, py - span); y < Math.min(size, py + span); y++) {
    for (let x = Math.max(0, px - span); x < Math.min(size, px + span); x++) {
      const dx = (x - px) / radius;
      const dy = (y - py) / radius;
      const along = (dx * ax + dy * ay) / rim;
      const across = dx * -ay + dy * ax;
      const d = Math.hypot(along, across) / r;
      if (d > reach) continue;
      const i = y * size + x;
      if (d < 1) height[i] += r * 0.16 * (d * d * d * d - 0.75);
      else if (d < 1.7) height[i] += r * 0.04 * (1.7 - d) * (1.7 - d) * 2;
      if (d < 1) brightness[i] -= 0.05 * (1 - d);
      if (fresh) {
        const ray = Math.max(0, Math.cos(Math.atan2(across, along) * rays + phase + d));
        brightness[i] += (d < 1.2 ? 0.16 : 0.16 * ray * ray) * clamp01(1 - d / reach);
      }
    }
  }
}

function shade(height: Float32Array, brightness: Float32Array, size: number): Float32Array {
  const radius = size / 2;
  const light = new Float32Array(size * size).fill(-1);
  const [lx, ly, lz] = [-0.62, -0.3, 0.72];
  for (let y = 1; y < size - 1; y++) {
    for (let x = 1; x < size - 1; x++) {
      const u = (x + 0.5 - radius) / radius;
      const v = (y + 0.5 - radius) / radius;
      const rr = u * u + v * v;
      if (rr >= 1) continue;
      const i = y * size + x;
      const gx = (height[i + 1] - height[i - 1]) * radius * 0.9;
      const gy = (height[i + size] - height[i - size]) * radius * 0.9;
      const nz = Math.sqrt(1 - rr);
      const nx = u - gx * nz;
      const ny = v - gy * nz;
      const length = Math.hypot(nx, ny, nz);
      const facing = (nx * lx + ny * ly + nz * lz) / length;
      const globe = u * lx + v * ly + nz * lz;
      const lit = clamp01(facing) * smoothstep(-0.06, 0.22, globe);
      light[i] = clamp01(Math.pow(lit, 0.75) * brightness[i] * 1.04 + 0.02);
    }
  }
  return light;
}

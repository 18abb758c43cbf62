import type { ToneSource } from '../tone/tone-rows.ts';
import { gradientCoverage, isColoured, type Gradient } from './gradient.ts';

/** Pixels for each mm that a gradient is worked out at, as far as its whole has no more than the longest side. */
const PIXELS_PER_MM = 12;
const LONGEST_SIDE = 8192;

/** The grid of pixels a gradient is worked out on, when it is `width` mm wide. */
export function gradientSize(gradient: Gradient, width: number): { width: number; height: number } {
  const longer = width * Math.max(1, gradient.ratio);
  const density = Math.min(PIXELS_PER_MM, LONGEST_SIDE / longer);
  return {
    width: Math.max(2, Math.round(width * density)),
    height: Math.max(2, Math.round(width * gradient.ratio * density)),
  };
}

/** A gradient as a source of tones, each pixel `scale` pixels of its grid wide. */
export function gradientSource(gradient: Gradient, mm: number, scale: number): ToneSource {
  const full = gradientSize(gradient, mm);
  const width = Math.ceil(full.width / scale);
  const height = Math.ceil(full.height / scale);
  const box = { width: full.width / scale, height: full.height / scale };
  return {
    key: `gradient ${JSON.stringify(gradient)} ${mm}`,
    width,
    height,
    scale,
    ppi: full.width / (mm / 25.4),
    isColoured: isColoured(gradient),
    coverage: (tone, table, region, out) =>
      gradientCoverage(gradient, box, table, region, out, tone.grey.weights),
  };
}

import { createPlane, SOLID, type Plane } from '../raster/plane.ts';
import type { Region } from '../raster/region.ts';

/** A place in a box: shares of its width and of its height. */
export interface Place {
  readonly x: number;
  readonly y: number;
}

/** A tone along a gradient. */
export interface GradientStop {
  /** Share of the way, 0–1. */
  readonly at: number;
  /** Percent. */
  readonly tone: number;
  /** Where between this stop and the next the middle of their tones lies, 0–1. */
  readonly middle: number;
}

/** A gradient made in place. */
export interface Gradient {
  readonly kind: 'gradient';
  /**
   * `linear` runs from one place to another; `radial` outwards in circles; `elliptical` in ellipses, `width` times as
   * wide across as along; `points` blends tones set anywhere.
   */
  readonly shape: 'linear' | 'radial' | 'elliptical' | 'points';
  /** Height of its box over its width. */
  readonly ratio: number;
  readonly from: Place;
  readonly to: Place;
  readonly width: number;
  /** In order along the way, at least two. */
  readonly stops: readonly GradientStop[];
  readonly points: readonly (Place & { readonly tone: number })[];
  /** The tone that 100 % stands for, in percent. */
  readonly limit: number;
}

/**
 * A share of the way between two stops bent so that `middle` becomes one half: t ÷ ((1/b − 2)(1 − t) + 1), b = 1 − middle
 * (C. Schlick, "Fast alternatives to Perlin's bias and gain functions", Graphics Gems IV, 1994).
 */
const bend = (t: number, middle: number): number => t / ((1 / (1 - middle) - 2) * (1 - t) + 1);

/** Tone (percent) of the stops at a share of the way. */
export function toneAlong(stops: readonly GradientStop[], t: number): number {
  if (t <= stops[0].at) return stops[0].tone;
  for (let i = 1; i < stops.length; i++) {
    const [a, b] = [stops[i - 1], stops[i]];
    if (t < b.at) return a.tone + (b.tone - a.tone) * bend((t - a.at) / (b.at - a.at), a.middle);
  }
  return stops[stops.length - 1].tone;
}

/** Steps along the way that tones are worked out for; what lies between is joined straight. */
const STEPS = 4096;

/** Entries of the ramp, from 0 to 1 of the way, in coverage that need not be whole. */
function ramp(stops: readonly GradientStop[]): Float64Array {
  return Float64Array.from({ length: STEPS + 2 }, (_, i) => toneAlong(stops, i / STEPS));
}

/**
 * Tones of a part of a gradient whose box has `size` pixels, through a table of 65536 coverages. 16 bits, and as many
 * levels as there are pixels: no banding.
 */
export function gradientCoverage(
  gradient: Gradient,
  size: { width: number; height: number },
  table: Uint16Array,
  region: Region,
  out: Plane = createPlane(region.width, region.height),
): Plane {
  const { data } = out;
  const scale = ((gradient.limit / 100) * SOLID) / 100;
  const at = wayOf(gradient, size);
  const tones = gradient.shape === 'points' ? undefined : ramp(gradient.stops);
  for (let j = 0, i = 0; j < region.height; j++) {
    const y = region.y + j + 0.5;
    for (let k = 0; k < region.width; k++, i++) {
      const value = at(region.x + k + 0.5, y);
      let tone = value;
      if (tones) {
        const t = Math.min(1, Math.max(0, value)) * STEPS;
        const low = Math.floor(t);
        tone = tones[low] + (tones[low + 1] - tones[low]) * (t - low);
      }
      data[i] = table[Math.round(tone * scale)];
    }
  }
  return out;
}

/** The share of the way, or for points the tone itself, at a pixel. */
function wayOf(gradient: Gradient, { width, height }: { width: number; height: number }) {
  const [ax, ay] = [gradient.from.x * width, gradient.from.y * height];
  const [bx, by] = [gradient.to.x * width, gradient.to.y * height];
  const [dx, dy] = [bx - ax, by - ay];
  const length2 = Math.max(1e-9, dx * dx + dy * dy);
  switch (gradient.shape) {
    case 'linear':
      return (x: number, y: number) => ((x - ax) * dx + (y - ay) * dy) / length2;
    case 'radial':
      return (x: number, y: number) => Math.sqrt(((x - ax) ** 2 + (y - ay) ** 2) / length2);
    case 'elliptical':
      return (x: number, y: number) => {
        const along = (x - ax) * dx + (y - ay) * dy;
        const across = ((y - ay) * dx - (x - ax) * dy) / gradient.width;
        return Math.sqrt(along * along + across * across) / length2;
      };
    case 'points':
      return blend(
        gradient.points.map((point) => ({ x: point.x * width, y: point.y * height, tone: point.tone })),
      );
  }
}

/** Each point counts by one over its distance cubed (D. Shepard, "A two-dimensional interpolation function…", 1968). */
function blend(points: readonly { x: number; y: number; tone: number }[]) {
  return (x: number, y: number): number => {
    let sum = 0;
    let total = 0;
    for (const point of points) {
      const d2 = (x - point.x) ** 2 + (y - point.y) ** 2 + 1e-6;
      const weight = 1 / (d2 * Math.sqrt(d2));
      sum += weight * point.tone;
      total += weight;
    }
    return sum / total;
  };
}

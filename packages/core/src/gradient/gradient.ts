import { hexToRgb } from '../colour/srgb.ts';
import type { Picture } from '../raster/picture.ts';
import { createPlane, SOLID, type Plane } from '../raster/plane.ts';
import type { Region } from '../raster/region.ts';
import { BT709, greyCoverage, type HueWeights } from '../tone/grey.ts';

/** A place in a box: shares of its width and of its height. */
export interface Place {
  readonly x: number;
  readonly y: number;
}

/** A tone of a gradient, and the colour it may have instead. */
export interface GradientTone {
  /** Percent. */
  readonly tone: number;
  /** sRGB, #rrggbb; missing where it is a grey: its tone. */
  readonly colour?: string;
}

/** A tone along a gradient. */
export interface GradientStop extends GradientTone {
  /** Share of the way, 0–1. */
  readonly at: number;
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
  readonly points: readonly (Place & GradientTone)[];
  /** The tone that 100 % stands for, in percent. */
  readonly limit: number;
}

/**
 * A share of the way between two stops bent so that `middle` becomes one half: t ÷ ((1/b − 2)(1 − t) + 1), b = 1 − middle
 * (C. Schlick, "Fast alternatives to Perlin's bias and gain functions", Graphics Gems IV, 1994).
 */
const bend = (t: number, middle: number): number => t / ((1 / (1 - middle) - 2) * (1 - t) + 1);

/** A value of the stops at a share of the way, from one stop's to the next's. */
function valueAlong(
  stops: readonly GradientStop[],
  t: number,
  valueOf: (stop: GradientStop) => number,
): number {
  if (t <= stops[0].at) return valueOf(stops[0]);
  for (let i = 1; i < stops.length; i++) {
    const [a, b] = [stops[i - 1], stops[i]];
    if (t < b.at) {
      const from = valueOf(a);
      return from + (valueOf(b) - from) * bend((t - a.at) / (b.at - a.at), a.middle);
    }
  }
  return valueOf(stops[stops.length - 1]);
}

/** Tone (percent) of the stops at a share of the way. */
export const toneAlong = (stops: readonly GradientStop[], t: number): number =>
  valueAlong(stops, t, ({ tone }) => tone);

/** The tones that a gradient runs through or blends. */
export const gradientTones = ({ shape, stops, points }: Gradient): readonly GradientTone[] =>
  shape === 'points' ? points : stops;

/** True for a gradient of colours. */
export const isColoured = (gradient: Gradient): boolean =>
  gradientTones(gradient).some(({ colour }) => colour !== undefined);

/** Red, green and blue of a gradient's tone, 0–255. */
export function colourOf({ tone, colour }: GradientTone): [number, number, number] {
  const grey = 255 * (1 - tone / 100);
  return colour === undefined ? [grey, grey, grey] : hexToRgb(colour);
}

/** Red, green and blue (0–255) of the stops at a share of the way: joined straight in sRGB, as in SVG 2, 14.2. */
export const colourAlong = (stops: readonly GradientStop[], t: number): number[] =>
  [0, 1, 2].map((channel) => valueAlong(stops, t, (stop) => colourOf(stop)[channel]));

/** Steps along the way that tones are worked out for; what lies between is joined straight. */
const STEPS = 4096;

/** Entries of the ramp, from 0 to 1 of the way, in coverage that need not be whole. */
function ramp(stops: readonly GradientStop[]): Float64Array {
  return Float64Array.from({ length: STEPS + 2 }, (_, i) => toneAlong(stops, i / STEPS));
}

/**
 * Tones of a part of a gradient whose box has `size` pixels, through a table of 65536 coverages. 16 bits, and as many
 * levels as there are pixels: no banding.
 *
 * @param weights what each hue of a gradient of colours weighs
 */
export function gradientCoverage(
  gradient: Gradient,
  size: { width: number; height: number },
  table: Uint16Array,
  region: Region,
  out: Plane = createPlane(region.width, region.height),
  weights: HueWeights = BT709,
): Plane {
  if (isColoured(gradient)) return coloursCoverage(gradient, size, table, region, out, weights);
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

/** Greys of colours, as coverage (0–65535) after the gradient's limit. */
function greysOf(rgb: Uint16Array, weights: HueWeights, limit: number): Float64Array {
  const width = rgb.length / 3;
  const picture: Picture = { width, height: 1, channels: 3, data: rgb };
  const { data } = greyCoverage(picture, weights, SAME, { x: 0, y: 0, width, height: 1 });
  return Float64Array.from(data, (coverage) => (coverage * limit) / 100);
}

const SAME = Uint16Array.from({ length: SOLID + 1 }, (_, coverage) => coverage);

/** The coverage of a gradient of colours: its colours' greys. */
function coloursCoverage(
  gradient: Gradient,
  size: { width: number; height: number },
  table: Uint16Array,
  region: Region,
  out: Plane,
  weights: HueWeights,
): Plane {
  const { width, height } = region;
  if (gradient.shape === 'points') {
    const values = [0, 1, 2].map((channel) =>
      wayOf(
        {
          ...gradient,
          points: gradient.points.map((point) => ({
            x: point.x,
            y: point.y,
            tone: colourOf(point)[channel],
          })),
        },
        size,
      ),
    );
    const rgb = new Uint16Array(3 * width);
    for (let j = 0; j < height; j++) {
      for (let i = 0; i < width; i++)
        for (let k = 0; k < 3; k++)
          rgb[3 * i + k] = Math.round(values[k](region.x + i + 0.5, region.y + j + 0.5) * 257);
      const row = greysOf(rgb, weights, gradient.limit);
      for (let i = 0; i < width; i++) out.data[j * width + i] = table[Math.round(row[i])];
    }
    return out;
  }
  const { stops } = gradient;
  const rgb = Uint16Array.from({ length: 3 * (STEPS + 2) }, (_, i) =>
    Math.round(257 * colourAlong(stops, Math.floor(i / 3) / STEPS)[i % 3]),
  );
  const greys = greysOf(rgb, weights, gradient.limit);
  const at = wayOf(gradient, size);
  for (let j = 0, i = 0; j < height; j++) {
    for (let k = 0; k < width; k++, i++) {
      const t = Math.min(1, Math.max(0, at(region.x + k + 0.5, region.y + j + 0.5))) * STEPS;
      const low = Math.floor(t);
      out.data[i] = table[Math.round(greys[low] + (greys[low + 1] - greys[low]) * (t - low))];
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

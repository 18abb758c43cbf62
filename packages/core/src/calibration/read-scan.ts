import { median } from '../base/numbers.ts';
import { srgbToLinear } from '../colour/srgb.ts';
import { fullSample, type Picture } from '../raster/picture.ts';
import type { LadderReading } from './calibration.ts';
import { findCorners, type LightPlane } from './find-corners.ts';
import { mapThrough, solved, type Homography } from './homography.ts';
import { UnreadableScan } from './scan-problem.ts';
import {
  LADDER_SHARE,
  PATCH,
  type LadderStep,
  type Patch,
  type Point,
  type TargetLayout,
} from './target-layout.ts';
import { murrayDavies } from './tone-value.ts';

/** Pixels of an inch of the target below which halftones are no longer told from their surroundings. */
const LEAST_PPI = 90;
/** Pixels that are read, at most: more are averaged first. */
const MOST_PIXELS = 12e6;
/** Part of a patch's side that is looked at: its edges are blurred. */
const INNER = 0.62;
/** Light that a picture cannot tell from more. */
const CLIPPED = 0.985;
/** Shares of what is looked at that may be clipped, and how much light may fall off over the target. */
const [MOST_CLIPPED, MOST_UNEVEN] = [0.05, 0.6];
/** How far a solid is from its stock at least, as a share of the stock's light, in the channel that tells most. */
const LEAST_CONTRAST = 0.2;
/** How far repeats may be apart, percent of tone: more, and the patches are not those of this target. */
const MOST_APART = 8;

/** A patch as it was read. */
export interface PatchReading extends Patch {
  /** Percent printed. */
  readonly printed: number;
}

/** What a picture of a printed target says. */
export interface ScanReading {
  readonly patches: readonly PatchReading[];
  /** Shares of each ladder field that are inked, 0–1. */
  readonly ladder: readonly (LadderStep & { readonly printed: number })[];
  /** Pixels an inch that the target has in the picture. */
  readonly ppi: number;
  /** From mm of the target to pixels of the picture. */
  readonly map: Homography;
}

/**
 * Reads a scan or photograph of a printed target: finds its corner marks, takes perspective out, flattens uneven light by the bare patches, and
 * reads each patch in the channels that tell its ink.
 *
 * @throws UnreadableScan with a sentence when the picture is not good enough
 */
export function readScan(picture: Picture, layout: TargetLayout): ScanReading {
  const times = Math.max(1, Math.ceil(Math.sqrt((picture.width * picture.height) / MOST_PIXELS)));
  const channels = lightOf(picture, times);
  const grey = meanOf(channels);
  const map = cornersOf(grey, channels, layout);
  const ppi = times * resolutionOf(map, layout);
  if (ppi < LEAST_PPI)
    throw new UnreadableScan(
      `The target has only ${Math.round(ppi)} pixels an inch in this picture; ${LEAST_PPI} are needed at least. Come nearer, or scan it finer.`,
    );
  const bare = bareSpots(layout);
  const flat = channels.map((channel) => flattened(channel, map, bare, layout));
  const clipped = bare.filter((place) => sampled(grey, map, place, 3) > CLIPPED).length / bare.length;
  if (clipped > MOST_CLIPPED)
    throw new UnreadableScan(
      'The stock shines, or is overexposed, in parts of this picture. Turn the target away from the light, or expose it less.',
    );
  const patches = layout.patches.map((patch) => flat.map((at) => at(patch, PATCH * INNER)));
  const solids = Array.from({ length: layout.inks }, (_, ink) =>
    flat.map((_channel, c) =>
      median(
        layout.patches.flatMap((patch, i) =>
          patch.ink === ink && patch.tone === 100 ? [patches[i][c]] : [],
        ),
      ),
    ),
  );
  solids.forEach((solid) => {
    if (Math.max(...solid.map((light) => Math.abs(1 - light))) < LEAST_CONTRAST)
      throw new UnreadableScan(
        'The solid patches of this picture hardly differ from its stock. Perhaps this is the target of another job.',
      );
  });
  // Channels count by how much light the ink takes of each, or gives where the stock is dark.
  const shareOf = (ink: number, light: (channel: number) => number): number => {
    const weights = solids[ink].map((solid) => (1 - solid) ** 2);
    const all = weights.reduce((sum, weight) => sum + weight, 0);
    return weights.reduce(
      (sum, weight, c) =>
        sum + (weight === 0 ? 0 : (weight / all) * murrayDavies(light(c), 1, solids[ink][c])),
      0,
    );
  };
  const printed = layout.patches.map((patch, i) => ({
    ...patch,
    printed: 100 * shareOf(patch.ink, (c) => patches[i][c]),
  }));
  if (apart(printed) > MOST_APART)
    throw new UnreadableScan(
      'Patches of the same tone differ too much: this seems to be the target of another job, or the print is spoilt.',
    );
  const ladder = layout.ladder.map((step) => ({
    ...step,
    printed: shareOf(step.ink, (c) => flat[c](step, step.side * INNER)),
  }));
  return { patches: printed, ladder, ppi, map: enlarged(map, times) };
}

/**
 * The corner marks: dark on light in what the eye sees, or in one channel, as pale inks are; or light on dark, as opaque ink on dark stock prints
 * them.
 */
function cornersOf(grey: LightPlane, channels: readonly LightPlane[], layout: TargetLayout): Homography {
  let first: unknown;
  const inverse = (): LightPlane => ({ ...grey, data: grey.data.map((light) => 1 - light) });
  for (const light of [() => grey, ...channels.toReversed().map((channel) => () => channel), inverse]) {
    try {
      return findCorners(light(), layout);
    } catch (problem) {
      if (!(problem instanceof UnreadableScan)) throw problem;
      first ??= problem;
    }
  }
  throw first;
}

/** A picture's channels in linear light, means over squares of so many pixels: halftones must be averaged in light. */
function lightOf(picture: Picture, times: number): LightPlane[] {
  const { width, channels, data } = picture;
  const full = fullSample(picture);
  const table = Float32Array.from({ length: full + 1 }, (_, value) => srgbToLinear(value / full));
  const [columns, rows] = [Math.floor(picture.width / times), Math.floor(picture.height / times)];
  const share = 1 / times ** 2;
  return (channels < 3 ? [0] : [0, 1, 2]).map((c) => {
    const out = new Float32Array(columns * rows);
    for (let y = 0; y < rows * times; y++) {
      const to = Math.floor(y / times) * columns;
      for (let x = 0, from = y * width * channels + c; x < columns * times; x++, from += channels)
        out[to + Math.floor(x / times)] += table[data[from]] * share;
    }
    return { width: columns, height: rows, data: out };
  });
}

function meanOf(channels: readonly LightPlane[]): LightPlane {
  const [first] = channels;
  if (channels.length === 1) return first;
  const data = first.data.map((value, i) => (value + channels[1].data[i] + channels[2].data[i]) / 3);
  return { ...first, data };
}

/** The same way to the pixels of a picture that is so many times as large. */
const enlarged = ([a, b, c, d, e, f, ...rest]: Homography, times: number): Homography => [
  ...[a, b, c, d, e, f].map((value) => value * times),
  ...rest,
];

function resolutionOf(map: Homography, { corners }: TargetLayout): number {
  const [a, b, c, d] = corners.map((corner) => mapThrough(map, corner));
  const length = (p: Point, q: Point): number => Math.hypot(p.x - q.x, p.y - q.y);
  const across = Math.min(length(a, b), length(d, c)) / (corners[1].x - corners[0].x);
  const down = Math.min(length(a, d), length(b, c)) / (corners[3].y - corners[0].y);
  return Math.min(across, down) * 25.4;
}

/** Where the stock is bare: the patches of no tone, and along the edges between the corner marks. */
function bareSpots({ patches, width, height, corners }: TargetLayout): Point[] {
  const edge = Array.from({ length: 9 }, (_, i) => (i + 1) / 10);
  const [left, right] = [corners[0].x - 1, corners[1].x + 1];
  return [
    ...patches.filter(({ tone }) => tone === 0),
    ...edge.flatMap((share) => [
      { x: left, y: 16 + share * (height - 32) },
      { x: right, y: 16 + share * (height - 32) },
      { x: 16 + share * (width - 32), y: height - 10 },
    ]),
  ];
}

/** Light of a square of the target of so many mm: the median of what is in it. */
function sampled(
  { width, height, data }: LightPlane,
  map: Homography,
  { x, y }: Point,
  side: number,
): number {
  const steps = 15;
  let [sum, count] = [0, 0];
  for (let j = 0; j < steps; j++) {
    for (let i = 0; i < steps; i++) {
      const at = mapThrough(map, {
        x: x + ((i + 0.5) / steps - 0.5) * side,
        y: y + ((j + 0.5) / steps - 0.5) * side,
      });
      const [u, v] = [at.x - 0.5, at.y - 0.5];
      const [left, top] = [Math.floor(u), Math.floor(v)];
      if (left < 0 || top < 0 || left + 1 >= width || top + 1 >= height) continue;
      const k = top * width + left;
      const [fx, fy] = [u - left, v - top];
      sum +=
        (data[k] * (1 - fx) + data[k + 1] * fx) * (1 - fy) +
        (data[k + width] * (1 - fx) + data[k + width + 1] * fx) * fy;
      count++;
    }
  }
  if (count < (steps * steps) / 2)
    throw new UnreadableScan('A part of the target is cut off in this picture.');
  return sum / count;
}

/** Mean light of every pixel within a square, for halftones: dots must be counted whole. */
function meanWithin(
  { width, height, data }: LightPlane,
  map: Homography,
  { x, y }: Point,
  side: number,
): number {
  const corners = [-0.5, 0.5].flatMap((dy) =>
    [-0.5, 0.5].map((dx) => mapThrough(map, { x: x + dx * side, y: y + dy * side })),
  );
  const xs = corners.map((corner) => corner.x);
  const ys = corners.map((corner) => corner.y);
  const middle = mapThrough(map, { x, y });
  // A square of whole pixels about the middle, as large as the patch seen is on the average.
  const half = (Math.max(...xs) - Math.min(...xs) + Math.max(...ys) - Math.min(...ys)) / 4.6;
  let [sum, weight] = [0, 0];
  for (let v = Math.max(0, Math.floor(middle.y - half)); v < Math.min(height, middle.y + half); v++) {
    // A soft edge, so that dots are not cut by chance.
    const wy = soft((v + 0.5 - middle.y) / half);
    if (wy === 0) continue;
    for (let u = Math.max(0, Math.floor(middle.x - half)); u < Math.min(width, middle.x + half); u++) {
      const w = wy * soft((u + 0.5 - middle.x) / half);
      sum += w * data[v * width + u];
      weight += w;
    }
  }
  if (weight === 0) throw new UnreadableScan('A part of the target is cut off in this picture.');
  return sum / weight;
}

const soft = (off: number): number => {
  const far = Math.abs(off);
  return far >= 1 ? 0 : far < 0.4 ? 1 : 0.5 + 0.5 * Math.cos((Math.PI * (far - 0.4)) / 0.6);
};

/** Light of places over that of bare stock there: its own is fitted by a surface of the second degree. */
function flattened(
  channel: LightPlane,
  map: Homography,
  bare: readonly Point[],
  { width, height }: TargetLayout,
): (place: Point, side: number) => number {
  const terms = ({ x, y }: Point): number[] => {
    const [u, v] = [x / width - 0.5, y / height - 0.5];
    return [1, u, v, u * u, u * v, v * v];
  };
  const spots = bare.map((place) => ({ terms: terms(place), light: sampled(channel, map, place, 3) }));
  let kept = spots;
  let surface: number[] = [];
  for (let turn = 0; turn < 3; turn++) {
    surface = fitted(kept);
    const off = (spot: (typeof spots)[number]): number =>
      Math.abs(valueOf(surface, spot.terms) / spot.light - 1);
    const usual = median(kept.map(off));
    kept = spots.filter((spot) => off(spot) <= Math.max(0.01, 4 * usual));
  }
  const lights = bare.map((place) => valueOf(surface, terms(place)));
  const [least, most] = [Math.min(...lights), Math.max(...lights)];
  if (least < MOST_UNEVEN * 0.5 * most || least <= 0)
    throw new UnreadableScan(
      'The light falls off too much over the target. Light it more evenly, or scan it.',
    );
  return (place, side) => meanWithin(channel, map, place, side) / valueOf(surface, terms(place));
}

const valueOf = (surface: readonly number[], terms: readonly number[]): number =>
  terms.reduce((sum, term, k) => sum + term * surface[k], 0);

/** Least squares. */
function fitted(spots: readonly { readonly terms: readonly number[]; readonly light: number }[]): number[] {
  const count = spots[0].terms.length;
  const rows = Array.from({ length: count }, (_, i) => [
    ...Array.from({ length: count }, (_unused, j) =>
      spots.reduce((sum, { terms }) => sum + terms[i] * terms[j], 0),
    ),
    spots.reduce((sum, { terms, light }) => sum + terms[i] * light, 0),
  ]);
  return solved(rows);
}

/** The middle one of how far repeats are apart. */
function apart(patches: readonly PatchReading[]): number {
  const groups = new Map<string, number[]>();
  for (const { ink, tone, printed } of patches) {
    const key = `${ink} ${tone}`;
    groups.set(key, [...(groups.get(key) ?? []), printed]);
  }
  return median([...groups.values()].filter((group) => group.length === 2).map(([a, b]) => Math.abs(a - b)));
}

/** What the ladders say of an ink. */
export function readLadders(ladder: ScanReading['ladder'], ink: number): LadderReading {
  const of = (kind: LadderStep['kind']) => ladder.filter((step) => step.ink === ink && step.kind === kind);
  const least = (kind: LadderStep['kind']): number | null => {
    const steps = of(kind);
    // From the largest down, as long as about half of what the film has is there.
    let held: number | null = null;
    for (const step of steps.toReversed()) {
      if (step.printed < LADDER_SHARE[kind] / 2) break;
      held = step.size;
    }
    return held;
  };
  // Wide enough for their edges to know nothing of one another, and many enough in a field.
  const lines = of('line').filter(({ size }) => size >= 0.13 && size <= 0.25);
  const growth = lines.map(({ printed, pitch }) => ((printed - LADDER_SHARE.line) * pitch) / 2);
  return {
    leastDot: least('dot'),
    leastLine: least('line'),
    edgeGain: growth.length > 0 ? median(growth) : null,
  };
}

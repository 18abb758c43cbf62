import { cache } from '../base/cache.ts';
import { SOLID } from '../raster/plane.ts';
import { cellThresholds, evenOutlines, type CellThresholds } from './cell-field.ts';
import { asked, differenceOf } from './dot-difference.ts';
import type { Dot } from './lattice-dot.ts';

/** How many times as fine points are looked at where a dot's shape is thin, or its corners fall badly between them, about. */
const FINER = [1, 1.4, 2, 3, 4] as const;

/** Levels of points, from the coarsest on. */
export const LEVELS = [...FINER.keys()];

/** Points along a cell that are as fine as any shape asks for. */
const FINEST = 256;

/** Points along a cell of a level, from the coarsest's; even. */
export const sideOf = (side: number, level: number): number =>
  Math.max(side, Math.min(FINEST, 2 * Math.round((side * FINER[level]) / 2)));
/** Sizes of dots that manners are told for, and tones about the middle of a size that have to be true. */
const SIZES = 64;
const NEAR = [-0.5, -0.25, 0, 0.25, 0.5].map((part) => part / SIZES);
/** Area of a cell that the outline of an even tone may be off by, and how far off the tone may be that is drawn for it. */
const OFF = 0.006;
const SHIFTED = 0.02;
/** Of a cell, and of what is less of it, ink or bare, the part in which such an outline may not be the shape: a star's tips are cut before its area is. */
const DIFFERS = 0.015;
const DIFFERS_OF_LESS = 0.1;
const HALVINGS = 10;

/** How the contours of dots of a size are found so that an even tone's has its area. */
export interface DotManner {
  /** 0 for the coarsest points. */
  readonly level: number;
  /** Coverage (0–65535) that is added to tones between bare and solid: it makes up for corners that are cut between two points. */
  readonly shift: number;
}

const recentManners = cache<(share: number) => DotManner | undefined>('dot manners');

/**
 * Manners of a shape's dots by the share of their cell, 0–1, each found when it is first asked for; undefined where points would have to
 * be too fine.
 *
 * @param key       cache key: equal iff the shape is equal
 * @param threshold of the shape at a place in cells, of which only the fractions count
 * @param side      points along a cell at the coarsest, even
 * @param shape     its own dot of a share
 */
export const dotManners = (
  key: string,
  threshold: (u: number, v: number) => number,
  side: number,
  shape: (share: number) => Dot,
) =>
  recentManners(`${key} · ${side}`, () => {
    const found = new Map<number, DotManner | undefined>();
    const points = asked(threshold);
    const thresholdsOf = (level: number) => cellThresholds(key, threshold, sideOf(side, level));
    return (share) => {
      const size = Math.min(SIZES - 1, Math.floor(share * SIZES));
      if (!found.has(size)) found.set(size, mannerOf((size + 0.5) / SIZES, thresholdsOf, shape, points));
      return found.get(size);
    };
  });

function mannerOf(
  tone: number,
  thresholdsOf: (level: number) => CellThresholds,
  shape: (share: number) => Dot,
  points: Float32Array,
): DotManner | undefined {
  const { loops, touches } = shape(tone);
  for (const level of LEVELS) {
    const thresholds = thresholdsOf(level);
    const drawn = (drawnTone: number) => evenOutlines(thresholds, drawnTone * SOLID);
    let [low, high] = [Math.max(0, tone - SHIFTED), Math.min(1, tone + SHIFTED)];
    for (let turn = 0; turn < HALVINGS; turn++) {
      const middle = (low + high) / 2;
      if (drawn(middle).area < tone) low = middle;
      else high = middle;
    }
    const shift = (low + high) / 2 - tone;
    const differs = differenceOf(drawn(tone + shift).dot, points, tone * SOLID);
    if (differs > Math.min(DIFFERS, DIFFERS_OF_LESS * Math.min(tone, 1 - tone))) continue;
    const isTrue = NEAR.every((near) => {
      const { dot, area } = drawn(tone + near + shift);
      // A ring that has come apart may have its area all the same. One that leaps, as where a whole side passes a row of points, has not.
      const isWhole = touches || dot.touches || dot.loops.length === loops.length;
      return isWhole && Math.abs(area - tone - near) <= OFF;
    });
    if (isTrue) return { level, shift: shift * SOLID };
  }
  return undefined;
}

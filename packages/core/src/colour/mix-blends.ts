import { BLENDS } from './blend.ts';

/** Blends of an original's own dots with its tones, on encoded values 0–1: those of tones, and one that leaves two levels alone. */
export const MIX_BLENDS = {
  ...BLENDS,
  /** Light where both together reach 100 %, dark elsewhere. */
  'two-levels': (b: number, s: number): number => (b + s >= 1 ? 1 : 0),
} as const;

/** A blend of an original with dots of its own. */
export type MixBlend = keyof typeof MIX_BLENDS;

/**
 * Blend functions B(backdrop, source) on encoded values 0–1, by the formulas of Compositing and Blending Level 1 (W3C
 * Candidate Recommendation, 2015–2024), section 9.1, separable blend modes.
 */
const multiply = (b: number, s: number): number => b * s;
const screen = (b: number, s: number): number => b + s - b * s;
const hardLight = (b: number, s: number): number => (s <= 0.5 ? multiply(b, 2 * s) : screen(b, 2 * s - 1));

function softLight(b: number, s: number): number {
  if (s <= 0.5) return b - (1 - 2 * s) * b * (1 - b);
  const d = b <= 0.25 ? ((16 * b - 12) * b + 4) * b : Math.sqrt(b);
  return b + (2 * s - 1) * (d - b);
}

export const BLENDS = {
  normal: (_b: number, s: number): number => s,
  multiply,
  screen,
  overlay: (b: number, s: number): number => hardLight(s, b),
  'soft-light': softLight,
} as const;

export type Blend = keyof typeof BLENDS;

import { power } from '../base/power.ts';

/** Levels on coverage, all in percent but `mid`. */
export interface Levels {
  /** Input tone that becomes the floor (bare, if the floor is 0). */
  readonly bare: number;
  /** Input tone that becomes the ceiling (solid, if the ceiling is 100). Greater than `bare`. */
  readonly solid: number;
  /** Weight of the middle tones: above 1 heavier, below 1 lighter. Between 0.1 and 10. */
  readonly mid: number;
  /** Least coverage that comes out. */
  readonly floor: number;
  /** Greatest coverage that comes out. */
  readonly ceiling: number;
}

/** Coverage as a share (0–1) through the levels: floor + ((c − bare) ÷ (solid − bare))^(1 ÷ mid) · (ceiling − floor). */
export function applyLevels(levels: Levels, coverage: number): number {
  const span = Math.max(1e-6, levels.solid - levels.bare);
  const t = Math.min(1, Math.max(0, (coverage * 100 - levels.bare) / span));
  const shaped = levels.mid === 1 ? t : power(t, 1 / levels.mid);
  return (levels.floor + shaped * (levels.ceiling - levels.floor)) / 100;
}

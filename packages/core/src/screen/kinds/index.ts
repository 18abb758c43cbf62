import { UnknownKind } from '../../base/errors.ts';
import { blueNoise } from './blue-noise.ts';
import { clumps } from './clumps.ts';
import { diffused } from './diffused.ts';
import { dots } from './dots.ts';
import { grain } from './grain.ts';
import type { ScreenKind } from './kind.ts';
import { lines } from './lines.ts';
import { ordered } from './ordered.ts';
import { threshold } from './threshold.ts';

/** Every kind of screen, in the order they are offered. */
export const SCREEN_KINDS: readonly ScreenKind[] = [
  dots,
  lines,
  diffused,
  blueNoise,
  clumps,
  ordered,
  grain,
  threshold,
];

/** @throws UnknownKind when there is no such kind of screen */
export function screenKind(kind: string): ScreenKind {
  const found = SCREEN_KINDS.find((one) => one.kind === kind);
  if (!found) throw new UnknownKind('screen', kind);
  return found;
}

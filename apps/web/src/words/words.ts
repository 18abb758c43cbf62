import { latticeOf, screenKind, type Screen } from '@brachytone/core';
import { sheetName } from '@brachytone/job';
import { DEGREES, formatQuantity, LPI, MM, PPI } from './quantity.ts';

const mm = (value: number): string => String(Number(value.toFixed(1)));

/** `A3, 297 × 420 mm`. */
export function sheetWords({ width, height }: { width: number; height: number }): string {
  return `${mm(width)} × ${mm(height)} mm`;
}

/** `A3`, or the size. */
export const shortSheet = (sheet: { width: number; height: number }): string =>
  sheetName(sheet.width, sheet.height) ?? sheetWords(sheet);

/** `round · 30 lpi · 45°`, or what else a screen is. */
export function screenWords(screen: Screen): string {
  const lattice = latticeOf(screen);
  return [
    screenKind(screen.kind).words(screen.settings),
    ...(lattice ? [formatQuantity(lattice.ruling, LPI), formatQuantity(lattice.angle, DEGREES)] : []),
    ...(screen.coarse > 0 ? [formatQuantity(screen.coarse, PPI)] : []),
  ].join(' · ');
}

/** The same in few words: ruling and angle where it has them. */
export function shortScreen(screen: Screen): string {
  const lattice = latticeOf(screen);
  return lattice
    ? `${formatQuantity(lattice.ruling, LPI)} · ${formatQuantity(lattice.angle, DEGREES)}`
    : screenWords(screen);
}

/** A length in mm with as many decimals as it deserves, or µm when it is small. */
export function lengthWords(value: number): string {
  if (value < 0.1) return `${Math.round(value * 1000)} µm`;
  return formatQuantity(value, { ...MM, decimals: value < 10 ? 2 : 1 });
}

/** `20 s`, `3 min`: what is only reckoned beforehand. */
export function secondsWords(seconds: number): string {
  if (seconds < 5) return 'under 5 s';
  if (seconds < 90) return `${Math.round(seconds / 5) * 5} s`;
  return `${Math.round(seconds / 60)} min`;
}

/** `2.9 MB`. */
export function bytesWords(bytes: number): string {
  if (bytes < 1e6) return `${Math.max(1, Math.round(bytes / 1000))} kB`;
  return bytes < 1e9 ? `${(bytes / 1e6).toFixed(1)} MB` : `${(bytes / 1e9).toFixed(1)} GB`;
}

/** `1 run`, `3 runs`. */
export const countWords = (count: number, what: string): string =>
  `${count} ${what}${count === 1 ? '' : 's'}`;

/** An area given in mm², in cm² or m². */
export const areaWords = (area: number): string =>
  area < 1e6 ? `${(area / 100).toFixed(area < 1000 ? 1 : 0)} cm²` : `${(area / 1e6).toFixed(2)} m²`;

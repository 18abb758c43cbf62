import type { Lab } from '../colour/lab.ts';
import type { Fountain, Ink } from './ink.ts';

/** Colour of a blended ink so far across the sheet, 0–1. */
export function fountainAt({ stops }: Fountain, across: number): Lab {
  const at = across * 100;
  const after = stops.findIndex((stop) => stop.at >= at);
  if (after <= 0) return (after === 0 ? stops[0] : stops[stops.length - 1]).lab;
  const [from, to] = [stops[after - 1], stops[after]];
  const share = (at - from.at) / (to.at - from.at);
  const mix = (k: 0 | 1 | 2) => from.lab[k] + (to.lab[k] - from.lab[k]) * share;
  return [mix(0), mix(1), mix(2)];
}

/**
 * The line along which a blended ink runs, from its first colour to its last: through the middle of the sheet, as long as it takes to reach
 * all corners. In mm on the sheet.
 *
 * @param angle degrees anticlockwise from the horizontal
 */
export function fountainLine(angle: number, { width, height }: { width: number; height: number }) {
  const [cos, sin] = [Math.cos((angle * Math.PI) / 180), Math.sin((angle * Math.PI) / 180)];
  const half = (Math.abs(width * cos) + Math.abs(height * sin)) / 2;
  return {
    from: { x: width / 2 - half * cos, y: height / 2 + half * sin },
    to: { x: width / 2 + half * cos, y: height / 2 - half * sin },
  };
}

/** Inks as they are so far across the sheet, each its own way. */
export const fountainInks = (inks: readonly Ink[], across: readonly number[]): Ink[] =>
  inks.map((ink, i) => (ink.fountain ? { ...ink, lab: fountainAt(ink.fountain, across[i]) } : ink));

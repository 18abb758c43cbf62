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

/** Inks as they are so far across the sheet, each its own way. */
export const fountainInks = (inks: readonly Ink[], across: readonly number[]): Ink[] =>
  inks.map((ink, i) => (ink.fountain ? { ...ink, lab: fountainAt(ink.fountain, across[i]) } : ink));

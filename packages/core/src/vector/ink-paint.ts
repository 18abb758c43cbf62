import { labToHex } from '../colour/lab.ts';
import { fountainAt, fountainLine } from '../ink/fountain.ts';
import type { Ink } from '../ink/ink.ts';
import type { Sheet } from '../recipe/recipe.ts';
import type { Units } from './units.ts';

/** Colours of a blended ink along its line, its ends with them: between two of them a file's own blend is near enough. */
const STEPS = 16;

/** What a plate's geometry is filled with: an ink's colour, or a gradient that is laid down before it. */
export interface InkPaint {
  readonly fill: string;
  readonly before: string;
}

/** @param id of the gradient, if there is one */
export function inkPaint({ lab, fountain }: Ink, sheet: Sheet, { perMm }: Units, id: string): InkPaint {
  if (!fountain) return { fill: labToHex(lab), before: '' };
  const { from, to } = fountainLine(fountain.angle, sheet);
  const at = (mm: number) => Math.round((mm + sheet.bleed) * perMm);
  const stops = Array.from({ length: STEPS + 1 }, (_, i) => {
    const across = i / STEPS;
    return `<stop offset="${across}" stop-color="${labToHex(fountainAt(fountain, across))}"/>`;
  });
  return {
    fill: `url(#${id})`,
    before:
      `<linearGradient id="${id}" gradientUnits="userSpaceOnUse" x1="${at(from.x)}" y1="${at(from.y)}" ` +
      `x2="${at(to.x)}" y2="${at(to.y)}">${stops.join('')}</linearGradient>`,
  };
}

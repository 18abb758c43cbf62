import { inkOf } from '../ink/ink-of.ts';
import type { Recipe } from '../recipe/recipe.ts';

/** The name of a plate's ink. */
export const inkName = ({ inks, plates }: Recipe, plate: number): string =>
  inkOf(inks, plates[plate].ink).name;

/** A number with so many decimals at most, none of them idle. */
export const plain = (value: number, decimals = 1): string => String(Number(value.toFixed(decimals)));

/** An area in mm², or as cm² from 20 mm² on. */
export const area = (mm2: number): string =>
  mm2 < 20
    ? `${plain(mm2, mm2 < 3 ? 1 : 0)} mm²`
    : `${plain(mm2 / 100, mm2 < 100 ? 2 : mm2 < 1000 ? 1 : 0)} cm²`;

/** Names one after another: `a, b and c`. */
export const listed = (names: readonly string[]): string =>
  names.length < 2 ? names.join('') : `${names.slice(0, -1).join(', ')} and ${names[names.length - 1]}`;

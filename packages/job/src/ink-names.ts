import type { Lab } from '@brachytone/core';

/** Where hues end on the circle of Lab, degrees, and their names (common practice, no source). */
const HUES: readonly (readonly [end: number, name: string])[] = [
  [15, 'Pink'],
  [48, 'Red'],
  [75, 'Orange'],
  [105, 'Yellow'],
  [170, 'Green'],
  [225, 'Teal'],
  [295, 'Blue'],
  [330, 'Violet'],
  [360, 'Pink'],
];
/** Chroma under which a colour counts as grey. */
const GREY = 9;

/** A colour in one plain word. */
function wordOf([l, a, b]: Lab): string {
  const chroma = Math.hypot(a, b);
  if (chroma < GREY) return l > 88 ? 'White' : l < 22 ? 'Black' : 'Grey';
  const hue = ((Math.atan2(b, a) * 180) / Math.PI + 360) % 360;
  const [, name] = HUES.find(([end]) => hue < end) ?? HUES[0];
  if (name === 'Red' && l > 68) return 'Pink';
  // Dark oranges and dull, dark yellows and reds are browns.
  const warm = name === 'Orange' || name === 'Yellow' || name === 'Red';
  return warm && (l < 40 || (name !== 'Red' && l < 60 && chroma < 45)) ? 'Brown' : name;
}

/** What tells so many colours of one word apart, from the darkest to the lightest. */
const SHADES: readonly (readonly string[])[] = [
  [],
  [''],
  ['Dark', 'Light'],
  ['Dark', '', 'Light'],
  ['Deep', 'Dark', 'Light', 'Pale'],
  ['Deep', 'Dark', '', 'Light', 'Pale'],
];

/**
 * Names for inks by their colours, in plain words: hue, and lightness where several have one hue. No two are the same, and none is one of
 * those that are taken.
 */
export function inkNames(labs: readonly Lab[], taken: readonly string[]): string[] {
  const words = labs.map(wordOf);
  const used = new Set(taken);
  return labs.map((lab, i) => {
    const alike = labs.filter((_, k) => words[k] === words[i]).sort((one, other) => one[0] - other[0]);
    const shade = SHADES[alike.length]?.[alike.indexOf(lab)] ?? '';
    const name = shade ? `${shade} ${words[i].toLowerCase()}` : words[i];
    let free = name;
    for (let number = 2; used.has(free); number++) free = `${name} ${number}`;
    used.add(free);
    return free;
  });
}

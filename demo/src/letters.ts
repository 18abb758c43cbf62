import { present, type OriginalRecipe, type Typeface } from '@brachytone/core';
import { newLettering, resetLettering, SHIPPED_TYPEFACES, type LetteringChange } from '@brachytone/job';

/** Lettering for a demo job: its words and setting, and where the left top corner of its box lies (mm). */
export function letters(
  typefaces: ReadonlyMap<string, Typeface>,
  name: (typeof SHIPPED_TYPEFACES)[number]['name'],
  id: string,
  ink: string,
  at: { x: number; y: number },
  change: LetteringChange & { text: string; size: number },
): OriginalRecipe {
  const font = present(
    SHIPPED_TYPEFACES.find((one) => one.name === name),
    'shipped typeface',
  ).sha256;
  const face = present(typefaces.get(font), 'typeface');
  const made = newLettering(id, ink, { width: 100, height: 100 }, font, face);
  const set = resetLettering(made, change, face, face);
  return { ...set, name: change.text.split('\n')[0], placement: { ...set.placement, ...at } };
}

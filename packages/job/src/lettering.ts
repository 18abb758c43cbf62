import { outlineLettering, type Lettering, type OriginalRecipe, type Typeface } from '@brachytone/core';

/** What of lettering its layout hangs on. */
export type LetteringChange = Partial<Omit<Lettering, 'kind' | 'ratio'>> & {
  /** Size, mm of an em. */
  readonly size?: number;
};

/**
 * Lettering set anew. Its size stays unless it is changed; the first line stays where it is, and of each line the edge or
 * middle that lines are set by. What is turned keeps its middle instead.
 *
 * @param before typeface it was set in
 * @param face   typeface it is set in now
 */
export function resetLettering(
  original: OriginalRecipe,
  { size, ...change }: LetteringChange,
  before: Typeface,
  face: Typeface,
): OriginalRecipe {
  const was = original.content as Lettering;
  const content = { ...was, ...change };
  const em = size ?? original.placement.width / outlineLettering(was, before).width;
  const outline = outlineLettering(content, face);
  const { placement } = original;
  const width = em * outline.width;
  const ratio = outline.height / outline.width;
  const kept = { left: 0, centre: 0.5, right: 1 }[content.align];
  const turned = placement.turn !== 0;
  const x = placement.x + (placement.width - width) * (turned ? 0.5 : kept);
  const y = placement.y + (turned ? (placement.width * was.ratio - width * ratio) / 2 : 0);
  return { ...original, content: { ...content, ratio }, placement: { ...placement, x, y, width } };
}

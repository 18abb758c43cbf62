import { MM_PER_INCH, type OriginalRecipe } from '@brachytone/core';
import { useOriginalQuery } from './api.ts';

/** Pixels of an original per inch of the sheet. */
export function usePpi(original: OriginalRecipe): number {
  const { content, placement } = original;
  const sha256 = content.kind === 'picture' ? content.picture : '';
  const { data } = useOriginalQuery(sha256, { skip: sha256 === '' });
  if (content.kind !== 'picture') return 12 * MM_PER_INCH;
  return data ? (content.crop.width * data.width) / (placement.width / MM_PER_INCH) : 300;
}

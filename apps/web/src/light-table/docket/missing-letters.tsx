import type { Lettering, OriginalRecipe } from '@brachytone/core';
import { useTypeface } from '../../engine/use-typeface.ts';

/** Names the letters that a typeface does not have: they would be missing from the films. */
export function MissingLetters({ content }: { content: Lettering }) {
  const face = useTypeface(content.font);
  const missing = face?.missing(content.text) ?? '';
  if (!missing) return null;
  return (
    <p className="mt-1 text-warn">
      {face?.name} has no {[...missing].map((one) => `“${one}”`).join(', ')}.
    </p>
  );
}

/** The same for all lettering that is printed. */
export function AllMissingLetters({ originals }: { originals: readonly OriginalRecipe[] }) {
  return originals.map(
    ({ id, content, shown }) =>
      shown && content.kind === 'lettering' && <MissingLetters key={id} content={content} />,
  );
}

import type { Ink } from '@brachytone/core';
import { useDocument } from '../../../store/use-job.ts';
import { inkSwatch } from '../../ink-colour.ts';

/** An ink's real colour on the chosen stock; beside it the ink by itself, where the stock changes it. */
export function InkChip({ ink, large = false }: { ink: Ink; large?: boolean }) {
  const { stock } = useDocument().recipe;
  return (
    <span
      aria-hidden="true"
      className={`inline-block shrink-0 rounded-full border border-ink/20 ${large ? 'size-5' : 'size-3'}`}
      style={{ background: inkSwatch(ink, stock) }}
    />
  );
}

import type { VectorSize } from '@brachytone/core';
import { useDocument } from '../../../store/use-job.ts';
import { useTold } from './use-told.ts';

/** How large the files of geometry will be and how long they take; undefined until it is known. */
export function useVectorSize(): VectorSize | undefined {
  const { outlines, smooth } = useDocument().films;
  return useTold(`${outlines} ${smooth}`, (worker, recipe, plates) =>
    worker.vectorSize(recipe, plates, { outlines, smooth }),
  );
}

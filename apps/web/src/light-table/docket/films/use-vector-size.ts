import type { VectorSize } from '@brachytone/core';
import { filmsOf } from '@brachytone/job';
import { useEffect, useState } from 'react';
import { inWorker } from '../../../engine/engine.ts';
import { LAST } from '../../../engine/ranks.ts';
import { usePictures } from '../../../engine/use-pictures.ts';
import { useDocument } from '../../../store/use-job.ts';

/** Rest before a size is told, ms: the table comes first. */
const PATIENCE = 600;

/** How large the files of geometry will be and how long they take; undefined until it is known. */
export function useVectorSize(): VectorSize | undefined {
  const document = useDocument();
  const { recipe, films } = document;
  const { arrival, version } = usePictures(recipe);
  const [size, setSize] = useState<VectorSize>();
  const { outlines, smooth } = films;
  const wanted = filmsOf(document).flatMap((film) => film.plates);
  const key = wanted.map((id) => recipe.plates.findIndex((plate) => plate.id === id)).join(' ');
  useEffect(() => {
    if (arrival !== 'whole') return;
    let stale = false;
    const timer = setTimeout(() => {
      inWorker(
        (worker) => worker.vectorSize(recipe, key.split(' ').map(Number), { outlines, smooth }),
        LAST,
      ).then(
        (next) => !stale && setSize(next),
        // Something of it is not there yet; it is told when it comes.
        () => undefined,
      );
    }, PATIENCE);
    return () => {
      stale = true;
      clearTimeout(timer);
    };
  }, [recipe, outlines, smooth, key, arrival, version]);
  return size;
}

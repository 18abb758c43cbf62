import type { Remote } from 'comlink';
import { filmsOf } from '@brachytone/job';
import type { Recipe } from '@brachytone/core';
import { useEffect, useState } from 'react';
import { inWorker } from '../../../engine/engine.ts';
import { LAST } from '../../../engine/ranks.ts';
import { usePictures } from '../../../engine/use-pictures.ts';
import type { WorkerApi } from '../../../engine/worker.ts';
import { useDocument } from '../../../store/use-job.ts';

/** Rest before something is told, ms: the table comes first. */
const PATIENCE = 600;

/**
 * What a worker tells of the films that will be made; undefined until it is known, and while it is asked for nothing.
 *
 * @param what stands for the question: another one is asked when it changes
 */
export function useTold<Told>(
  what: string | undefined,
  ask: (worker: Remote<WorkerApi>, recipe: Recipe, plates: readonly number[]) => Promise<Told>,
): Told | undefined {
  const document = useDocument();
  const { recipe } = document;
  const { arrival, version } = usePictures(recipe);
  const [told, setTold] = useState<Told>();
  const plates = filmsOf(document)
    .flatMap((film) => film.plates)
    .map((id) => recipe.plates.findIndex((plate) => plate.id === id))
    .join(' ');
  useEffect(() => {
    if (arrival !== 'whole' || what === undefined || plates === '') return;
    let stale = false;
    const timer = setTimeout(() => {
      inWorker((worker) => ask(worker, recipe, plates.split(' ').map(Number)), { rank: LAST }).then(
        (next) => !stale && setTold(() => next),
        // Something of it is not there yet; it is told when it comes.
        () => undefined,
      );
    }, PATIENCE);
    return () => {
      stale = true;
      clearTimeout(timer);
    };
    // What is asked stands for how it is asked.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [recipe, what, plates, arrival, version]);
  return told;
}

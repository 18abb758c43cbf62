import { useEffect } from 'react';
import { proxy, type Remote } from 'comlink';
import { checkEngine } from '../engine/check-lane.ts';
import { engine } from '../engine/engine.ts';
import { report } from '../engine/failures.ts';
import { pictures } from '../engine/pictures.ts';
import { usePictures } from '../engine/use-pictures.ts';
import type { WorkerApi } from '../engine/worker.ts';
import { checkBegun, checked, checkFailed, checkReset } from '../store/check-slice.ts';
import { useAppDispatch } from '../store/store.ts';
import { useDocument } from '../store/use-job.ts';

/** Rest before a check begins, ms: the table comes first. */
const PATIENCE = 350;
/** How long each part of a check waits for a table that is still drawn, ms. */
const LONG = 1000;

/** Has the open job checked against its press whenever it has changed. */
export function RunPressCheck() {
  const dispatch = useAppDispatch();
  const { recipe } = useDocument();
  const { arrival, version } = usePictures(recipe);
  useEffect(() => () => void dispatch(checkReset()), [dispatch]);
  useEffect(() => {
    if (!recipe.press) {
      dispatch(checkReset());
      return;
    }
    if (arrival !== 'whole') return;
    dispatch(checkBegun());
    let stale = false;
    const timer = setTimeout(() => {
      const goesOn = proxy(async () => {
        await engine.rest(LONG);
        return !stale;
      });
      // A worker of its own, which keeps what it has gathered; what is stale is not brought to its end.
      const check = async (worker: Remote<WorkerApi>) => {
        await pictures.keptAside();
        return stale ? undefined : worker.pressCheck(recipe, goesOn);
      };
      checkEngine()
        .run(check)
        .then(
          (made) => made && !stale && dispatch(checked(made)),
          (error: unknown) => {
            if (stale) return;
            report(error as Error);
            dispatch(checkFailed());
          },
        );
    }, PATIENCE);
    return () => {
      stale = true;
      clearTimeout(timer);
    };
  }, [recipe, arrival, version, dispatch]);
  return null;
}

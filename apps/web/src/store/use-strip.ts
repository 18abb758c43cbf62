import { stripOpened } from './view-slice.ts';
import { store, useAppDispatch, useAppSelector } from './store.ts';
import { axisAround, samePath, type NumberPath, type StripAxis } from './strip.ts';

/**
 * Opens a test strip of a number. While one of another number is open, the two make a grid; pressed again, it is put away.
 */
export function useStripOf(path: NumberPath | undefined) {
  const dispatch = useAppDispatch();
  const strip = useAppSelector((state) => state.view.strip);
  const across = path !== undefined && strip !== null && samePath(strip.across.path, path);
  const down = path !== undefined && !!strip?.down && samePath(strip.down.path, path);
  const open = (
    axis: Omit<StripAxis, 'from' | 'to' | 'count' | 'path'>,
    value: number,
    usual: readonly [number, number],
  ): void => {
    if (!path) return;
    const { strip: now } = store.getState().view;
    if (across) dispatch(stripOpened(null));
    else if (down && now) dispatch(stripOpened({ ...now, down: null }));
    else if (now) dispatch(stripOpened({ ...now, down: axisAround({ ...axis, path }, value, usual, 3) }));
    else {
      dispatch(
        stripOpened({ across: axisAround({ ...axis, path }, value, usual, 5), down: null, patch: false }),
      );
    }
  };
  return { active: across || down, open };
}

import { useAppSelector } from './store.ts';
import { brushUse, type Brush } from './view-slice.ts';

/** The brush for what is painted while the open card is open. */
export const useBrush = (): Brush => useAppSelector(({ view }) => view.brushes[brushUse(view)]);

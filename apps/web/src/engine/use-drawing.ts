import { filmLayout, type Recipe } from '@brachytone/core';
import { useLayoutEffect, useRef, useState } from 'react';
import { isWholeFilm, type ViewRequest } from './drafts.ts';
import {
  DrawingLoop,
  NOTHING_DRAWN,
  type DrawingEngine,
  type DrawingState,
  type Receive,
} from './drawing-loop.ts';
import { draw, prepare } from './engine.ts';
import { report } from './failures.ts';
import { pictures } from './pictures.ts';
import { rehearse } from './rehearse.ts';

/** Rest before exact work starts, ms. */
const SETTLE = 25;

const ENGINE: DrawingEngine = {
  draw,
  prepare({ recipe, frame, what }, plates, row, rank) {
    if (!isWholeFilm(what)) return prepare(recipe, plates, frame, row, rank);
    const layout = filmLayout(recipe, frame.resolution);
    const draft = frame.draft === true ? { draft: true } : {};
    return prepare(recipe, plates, { ...layout.frame, ...draft }, Math.max(0, row - layout.plate.y), rank);
  },
  draftShown: pictures.draftShown,
  idle: (request, current) => void rehearse(request, current),
};

/**
 * Has a view drawn, over and over as it changes: a draft at once, then exactly.
 *
 * @param version  changes when the pictures behind the view do
 * @param whole    false while only small pictures have arrived
 * @param patience rest before exact work starts, ms; what rests longer than usual lets the table go first
 */
export function useDrawing(
  request: ViewRequest | undefined,
  version: number,
  whole: boolean,
  receive: Receive,
  patience = SETTLE,
): DrawingState & { readonly retry: () => void } {
  const [state, setState] = useState(NOTHING_DRAWN);
  const take = useRef(receive);
  take.current = receive;
  const loop = useRef<DrawingLoop>(undefined);
  // Drawing begins before the page itself is painted anew.
  useLayoutEffect(() => {
    const made = new DrawingLoop(
      ENGINE,
      (...rows) => take.current(...rows),
      (next) => {
        if (next.failure) report(next.failure);
        setState(next);
      },
      { settle: patience, patient: patience > SETTLE },
    );
    loop.current = made;
    return () => made.dispose();
  }, [patience]);
  const key = request ? keyOf(request) : '';
  useLayoutEffect(() => {
    loop.current?.show(request, whole);
    // The key stands for the request.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [key, version, whole, patience]);
  return { ...state, retry: () => loop.current?.retry() };
}

const recipeKeys = new WeakMap<Recipe, string>();

/** Cache key: equal iff the view is equal. Recipes are long, and many parts of the page draw the same one. */
function keyOf({ recipe, frame, view, what }: ViewRequest): string {
  let key = recipeKeys.get(recipe);
  if (key === undefined) recipeKeys.set(recipe, (key = JSON.stringify(recipe)));
  return JSON.stringify([frame, view, what]) + key;
}

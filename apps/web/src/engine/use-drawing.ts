import type { Recipe } from '@brachytone/core';
import { useEffect, useRef, useState } from 'react';
import { draw, FIRST, LAST, prepare, SECOND } from './engine.ts';
import { draftBlocks, draftOf, halvesOf, hasSequential, type Drawing } from './drafts.ts';
import { draftShown } from './pictures.ts';
import { rehearse } from './rehearse.ts';

/** Whether what is shown is the first picture, or has every bit of the film in it. */
export type Sharpness = 'nothing' | 'draft' | 'exact';

/** Takes rows of a drawing as they come: whole drafts first, exact strips after. */
export type Receive = (
  rgba: Uint8ClampedArray<ArrayBuffer>,
  columns: number,
  firstRow: number,
  drawing: Drawing,
  sharpness: Sharpness,
) => void;

/** Film pixels in one exact strip: little enough that a newer draft never waits long. */
const STRIP_PIXELS = 4e6;
/** The same for what can wait: it holds up even less. */
const PATIENT_STRIP_PIXELS = 1e6;
/** Exact strips are shown together, for every picture shown is work for the page: at most so often, ms. */
const SHOWN_EVERY = 70;
/** How long whole pictures are waited for before exact work starts from small ones, ms. */
const LONG = 3000;
/** Rest before exact work starts, ms. */
const SETTLE = 45;

/**
 * Draws in the workers, over and over as the drawing changes: a draft at once, then exactly. Work for an older drawing
 * is dropped.
 *
 * @param version changes when the pictures behind the drawing do
 * @returns sharpness, and the inked shares of the plates once exact
 */
export function useDrawing(
  drawing: Drawing | undefined,
  version: number,
  whole: boolean,
  receive: Receive,
  patience = SETTLE,
): { sharpness: Sharpness; inked: readonly number[] } {
  const [state, setState] = useState<{ sharpness: Sharpness; inked: readonly number[] }>({
    sharpness: 'nothing',
    inked: [],
  });
  const latest = useRef<{ drawing: Drawing; turn: number } | undefined>(undefined);
  const drafting = useRef<Promise<void> | undefined>(undefined);
  const take = useRef(receive);
  take.current = receive;
  const key = drawing ? keyOf(drawing) : '';
  useEffect(() => {
    if (!drawing) return;
    const turn = (latest.current?.turn ?? 0) + 1;
    latest.current = { drawing, turn };
    const current = () => latest.current?.turn === turn;
    setState((before) => (before.sharpness === 'exact' ? { ...before, sharpness: 'draft' } : before));
    // What is told to be patient lets the table's first picture go before its own.
    const haste = patience > SETTLE ? SECOND : FIRST;
    const bare = state.sharpness === 'nothing' && haste === FIRST;
    drafting.current ??= drawDrafts(latest, take, haste, bare, () =>
      setState((before) => ({ ...before, sharpness: 'draft' })),
    ).finally(() => {
      drafting.current = undefined;
    });
    // What is told to be patient can wait for the rest too.
    const rank = patience > SETTLE ? LAST : SECOND;
    const direct = draftOf(drawing) === undefined;
    const timer = setTimeout(
      () => {
        // Exact strips come after the draft, or it would be drawn over them.
        void (drafting.current ?? Promise.resolve())
          .then(() => (current() ? drawExact(drawing, current, take, rank) : undefined))
          .then((inked) => {
            if (!inked || !current()) return;
            setState({ sharpness: whole ? 'exact' : 'draft', inked });
            if (whole && haste === FIRST) void rehearse(drawing, current);
          });
      },
      // What would soon be made again from the whole pictures is only made when they are long in coming.
      Math.max(direct ? 0 : patience, whole ? 0 : LONG),
    );
    return () => {
      clearTimeout(timer);
      if (current()) latest.current = { drawing, turn: turn + 0.5 };
    };
    // The key stands for the drawing.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [key, version, whole, patience]);
  return state;
}

const recipeKeys = new WeakMap<Recipe, string>();

/** The same only for the same drawing. Recipes are long, and many parts of the page draw the same one. */
function keyOf({ recipe, frame, view, what }: Drawing): string {
  let key = recipeKeys.get(recipe);
  if (key === undefined) recipeKeys.set(recipe, (key = JSON.stringify(recipe)));
  return JSON.stringify([frame, view, what]) + key;
}

/** Draws drafts of the latest drawing until none newer is left. */
async function drawDrafts(
  latest: { current: { drawing: Drawing; turn: number } | undefined },
  take: { current: Receive },
  rank: number,
  bare: boolean,
  drawn: () => void,
): Promise<void> {
  try {
    for (let done = -1; latest.current && latest.current.turn !== done;) {
      const { drawing, turn } = latest.current;
      done = turn;
      for (const blocks of draftBlocks(drawing, bare)) {
        const draft = draftOf(drawing, blocks);
        // What is finer is only drawn while nothing newer waits.
        if (!draft || latest.current.turn !== done) break;
        const { rows, columns } = draft.view;
        const parts = halvesOf(rows, blocks);
        const made = await Promise.all(
          parts.map((part, i) => draw({ ...drawing, ...draft, rows: part, blocks }, rank, i === 0 ? 0 : 1)),
        );
        if (latest.current.turn - done >= 1 && !sameView(latest.current.drawing, drawing)) break;
        parts.forEach((part, i) => take.current(made[i].rgba, columns, part.first, drawing, 'draft'));
        drawn();
        draftShown();
      }
    }
  } catch {
    // A picture that is not there yet; it is drawn when it comes.
  }
}

const sameView = (a: Drawing, b: Drawing): boolean => JSON.stringify(a.view) === JSON.stringify(b.view);

/** Draws all rows exactly, in strips shared among the workers; undefined when dropped. */
async function drawExact(
  drawing: Drawing,
  current: () => boolean,
  take: { current: Receive },
  rank: number,
): Promise<readonly number[] | undefined> {
  const { view } = drawing;
  const shown = gathered(take, drawing);
  const pixels = rank === LAST ? PATIENT_STRIP_PIXELS : STRIP_PIXELS;
  const strips = Math.min(view.rows, Math.max(1, Math.ceil((view.width * view.height) / pixels)));
  const sums: number[] = [];
  // One worker from the top down, one from the foot up: each keeps the tones of its end for the next time. What has to be
  // made from its top down is made by one alone.
  const carried = hasSequential(drawing);
  let [first, last] = [0, strips - 1];
  const worker = async (end: 0 | 1): Promise<void> => {
    while (first <= last && current()) {
      const strip = end === 0 ? first++ : last--;
      const from = Math.floor((strip * view.rows) / strips);
      const count = Math.floor(((strip + 1) * view.rows) / strips) - from;
      if (
        carried &&
        !(await prepared(drawing, view.y + ((from + count) * view.height) / view.rows, current, rank))
      )
        return;
      const made = await draw(
        { ...drawing, rows: { first: from, count } },
        strips === 1 ? Math.min(FIRST, rank + 1) : rank,
        end,
      );
      if (!current()) return;
      made.inked.forEach((share, k) => (sums[k] = (sums[k] ?? 0) + (share * count) / view.rows));
      shown.add(made.rgba, from);
    }
  };
  try {
    await Promise.all(carried ? [worker(0)] : [worker(0), worker(1)]);
  } catch {
    return undefined;
  }
  if (!current()) return undefined;
  shown.finish();
  return sums;
}

/** Rows of an exact drawing that wait to be shown together. */
function gathered(take: { current: Receive }, drawing: Drawing) {
  let waiting: { rgba: Uint8ClampedArray<ArrayBuffer>; row: number }[] = [];
  let last = performance.now();
  const finish = (): void => {
    for (const { rgba, row } of waiting) take.current(rgba, drawing.view.columns, row, drawing, 'exact');
    waiting = [];
    last = performance.now();
  };
  return {
    add(rgba: Uint8ClampedArray<ArrayBuffer>, row: number): void {
      waiting.push({ rgba, row });
      if (performance.now() - last >= SHOWN_EVERY) finish();
    },
    finish,
  };
}

/** Brings the plates of a drawing down to a row of the film, bit by bit, so that a newer drawing need not wait; false when dropped. */
async function prepared(
  { recipe, frame, what }: Drawing,
  row: number,
  current: () => boolean,
  rank: number,
): Promise<boolean> {
  if (what.kind !== 'bits' && what.kind !== 'proof') return true;
  while (current()) {
    if (await prepare(recipe, what.plates, frame, Math.min(frame.height, Math.ceil(row)), rank)) return true;
  }
  return false;
}

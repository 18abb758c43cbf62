import { MM_PER_INCH, placedHeight, type OriginalRecipe, type Placement } from '@brachytone/core';
import {
  addedOriginal,
  asPainted,
  darkestInk,
  freeId,
  LIMITS,
  nameFromFile,
  newDrawing,
  newLettering,
  paintedLongest,
  placeWithin,
  type JobDocument,
  type OriginalView,
} from '@brachytone/job';
import { useState } from 'react';
import { toast } from 'sonner';
import { typefaceOf } from '../../../engine/use-typeface.ts';
import { sentenceOf, useAddOriginalMutation, usePaintMutation } from '../../../store/api.ts';
import { edit } from '../../../store/job-slice.ts';
import { useAppDispatch, type AppThunk } from '../../../store/store.ts';
import { useFiles } from '../../../store/use-files.ts';
import { useDocument } from '../../../store/use-job.ts';
import { useOriginal } from '../../../store/use-original.ts';
import { pickOriginal } from '../../../store/view-slice.ts';

type Sheet = JobDocument['recipe']['sheet'];

/** Lays an original uppermost on the sheet, and picks it; it gets an identifier of its own. */
const lay =
  (made: OriginalRecipe): AppThunk =>
  (dispatch, getState) => {
    const { job } = getState();
    if (!job) return;
    const original = { ...made, id: freeId('original', job.document.recipe.originals) };
    dispatch(edit(`Add ${original.name}`, (draft) => void draft.recipe.originals.push(original as never)));
    dispatch(pickOriginal(original.id));
  };

/** The place of one of several that come at once: beside one another in rows. */
function placeInRows({ width, height }: Sheet, shape: number, i: number, count: number): Placement {
  const columns = Math.ceil(Math.sqrt(count));
  const cell = { width: width / columns, height: height / Math.ceil(count / columns) };
  const margin = 0.05;
  return placeWithin(
    {
      x: ((i % columns) + margin) * cell.width,
      y: (Math.floor(i / columns) + margin) * cell.height,
      width: cell.width * (1 - 2 * margin),
      height: cell.height * (1 - 2 * margin),
    },
    shape,
  );
}

/** Brings files to the sheet of the open job: pictures, line art and typefaces. */
export function useBringToSheet(): {
  /** The name of the file that is being brought in; empty if none. */
  readonly busy: string;
  readonly bring: (files: readonly File[]) => Promise<void>;
  readonly addLettering: (font: string) => Promise<void>;
  readonly add: (original: OriginalRecipe) => void;
} {
  const dispatch = useAppDispatch();
  const { recipe } = useDocument();
  const [addOriginal] = useAddOriginalMutation();
  const [paint] = usePaintMutation();
  const [busy, setBusy] = useState('');
  const picked = useOriginal();
  const known = useFiles();
  const { sheet } = recipe;
  const ink = darkestInk(recipe);
  const add = (original: OriginalRecipe) => dispatch(lay(original));
  /** One comes to lie over what is worked on, as large as that; else in the middle, as large as its file says, or as the sheet allows. */
  const firstPlace = (usual: Placement, { width: pixels, height, facts }: OriginalView): Placement => {
    const shape = pixels / height;
    if (picked && (picked.content.kind === 'picture' || picked.content.kind === 'drawing')) {
      const { content, placement } = picked;
      const file = content.kind === 'picture' ? known.get(content.picture) : undefined;
      if (content.kind === 'drawing' || file) {
        const box = { ...placement, height: placedHeight(picked, file) };
        return { ...placeWithin(box, shape), turn: placement.turn };
      }
    }
    const width = facts.density ? (pixels / facts.density) * MM_PER_INCH : 0;
    if (width < LIMITS.placed.least || width > sheet.width || width / shape > sheet.height) return usual;
    return { ...usual, width, x: (sheet.width - width) / 2, y: (sheet.height - width / shape) / 2 };
  };
  /** With greys or colours line art is printed as tone. */
  const painted = async (original: OriginalRecipe, drawing: string): Promise<OriginalRecipe> => {
    const picture = await paint({ sha256: drawing, longest: paintedLongest(original) }).unwrap();
    return asPainted(original, picture.sha256);
  };
  const addLettering = async (font: string) =>
    void add(newLettering('lettering', ink, sheet, font, await typefaceOf(font)));
  const bringOne = async (file: File, i: number, count: number) => {
    const view = await addOriginal(file).unwrap();
    const { sha256, width, height, kind } = view;
    if (kind === 'font') return addLettering(sha256);
    const newOne = kind === 'drawing' ? newDrawing : addedOriginal;
    const made = newOne(kind, ink, sheet, { sha256, name: nameFromFile(file.name), width, height });
    const placement =
      count > 1 ? placeInRows(sheet, width / height, i, count) : firstPlace(made.placement, view);
    const placed = { ...made, placement };
    add(view.facts.shades ? await painted(placed, sha256) : placed);
  };
  const bring = async (files: readonly File[]) => {
    for (const [i, file] of files.entries()) {
      setBusy(file.name);
      try {
        await bringOne(file, i, files.length);
      } catch (error) {
        toast.error(`“${file.name}”: ${sentenceOf(error)}`);
      }
    }
    setBusy('');
  };
  return { busy, bring, addLettering, add };
}

import { MM_PER_INCH, placedHeight, type OriginalRecipe, type Placement } from '@brachytone/core';
import {
  darkestInk,
  freeId,
  addedOriginal,
  asPainted,
  LIMITS,
  paintedLongest,
  placeWithin,
  nameFromFile,
  newDrawing,
  newGradient,
  newLettering,
  newTint,
  SHIPPED_TYPEFACES,
} from '@brachytone/job';
import { Plus } from 'lucide-react';
import { useRef, useState } from 'react';
import { toast } from 'sonner';
import { Menu, MenuItem } from '../../../controls/menu.tsx';
import { typefaceOf } from '../../../engine/use-typeface.ts';
import { sentenceOf, useAddOriginalMutation, usePaintMutation } from '../../../store/api.ts';
import { edit } from '../../../store/job-slice.ts';
import { useAppDispatch } from '../../../store/store.ts';
import { useFiles } from '../../../store/use-files.ts';
import { useDocument } from '../../../store/use-job.ts';
import { useOriginal } from '../../../store/use-original.ts';
import { pickOriginal } from '../../../store/view-slice.ts';
import { PICTURES } from '../../../shell/file-kinds.ts';

/** A menu of what can be laid on the sheet; it comes to lie uppermost. */
export function AddOriginal() {
  const dispatch = useAppDispatch();
  const { recipe } = useDocument();
  const chooser = useRef<HTMLInputElement>(null);
  const [addOriginal] = useAddOriginalMutation();
  const [paint] = usePaintMutation();
  const [busy, setBusy] = useState('');
  const picked = useOriginal();
  const files = useFiles();
  const id = freeId('original', recipe.originals);
  const ink = darkestInk(recipe);
  const add = (original: OriginalRecipe) => {
    dispatch(edit(`Add ${original.name}`, (draft) => void draft.recipe.originals.push(original as never)));
    dispatch(pickOriginal(original.id));
  };
  /** What is added lies over what is worked on, as large as that; else in the middle, as large as its file says, or as the sheet allows. */
  const firstPlace = (usual: Placement, shape: number, inches: number | null): Placement => {
    const { sheet } = recipe;
    const neighbour =
      picked && (picked.content.kind === 'picture' || picked.content.kind === 'drawing') ? picked : undefined;
    if (neighbour) {
      const { content, placement } = neighbour;
      const file = content.kind === 'picture' ? files.get(content.picture) : undefined;
      if (content.kind === 'drawing' || file) {
        const box = { ...placement, height: placedHeight(neighbour, file) };
        return { ...placeWithin(box, shape), turn: placement.turn };
      }
    }
    const width = inches === null ? 0 : inches * MM_PER_INCH;
    if (width < LIMITS.placed.least || width > sheet.width || width / shape > sheet.height) return usual;
    return { ...usual, width, x: (sheet.width - width) / 2, y: (sheet.height - width / shape) / 2 };
  };
  /** With greys or colours it is printed as tone. */
  const painted = async (original: OriginalRecipe, drawing: string): Promise<OriginalRecipe> => {
    const picture = await paint({ sha256: drawing, longest: paintedLongest(original) }).unwrap();
    return asPainted(original, picture.sha256);
  };
  const addLettering = async (font: string) =>
    add(newLettering(id, ink, recipe.sheet, font, await typefaceOf(font)));
  const bring = async (file: File) => {
    setBusy(file.name);
    try {
      const { sha256, width, height, kind, facts } = await addOriginal(file).unwrap();
      const name = nameFromFile(file.name);
      if (kind === 'font') {
        await addLettering(sha256);
        return;
      }
      const made = (kind === 'drawing' ? newDrawing : addedOriginal)(id, ink, recipe.sheet, {
        sha256,
        name,
        width,
        height,
      });
      const placed = {
        ...made,
        placement: firstPlace(made.placement, width / height, facts.density && width / facts.density),
      };
      add(facts.shades ? await painted(placed, sha256) : placed);
    } catch (error) {
      toast.error(`“${file.name}”: ${sentenceOf(error)}`);
    } finally {
      setBusy('');
    }
  };
  return (
    <>
      <input
        ref={chooser}
        type="file"
        hidden
        accept={`${PICTURES},.ttf,.otf,.woff,.woff2`}
        aria-label="Choose a picture for the sheet"
        onChange={(event) => {
          const file = event.target.files?.[0];
          if (file) void bring(file);
          event.target.value = '';
        }}
      />
      <Menu
        label={
          <>
            <Plus size={13} /> {busy ? 'Bringing it in…' : 'Add to the sheet'}
          </>
        }
      >
        <MenuItem
          name="From a file…"
          says="A photograph or other picture, or line art as SVG"
          onPick={() => chooser.current?.click()}
        />
        <MenuItem
          name="Lettering"
          says="In a heavy typeface, or one of your own; solid, screened, outlined or glowing"
          onPick={() =>
            void addLettering(SHIPPED_TYPEFACES[0].sha256).catch((error: unknown) =>
              toast.error(sentenceOf(error)),
            )
          }
        />
        <MenuItem
          name="Gradient"
          says="Made in place: linear, radial, elliptical, or tones set anywhere"
          onPick={() => add(newGradient(id, ink, recipe.sheet))}
        />
        <MenuItem
          name="Flat tint"
          says="One tone all over the sheet, or in a shape of its own"
          onPick={() => add(newTint(id, ink, recipe.sheet))}
        />
      </Menu>
    </>
  );
}

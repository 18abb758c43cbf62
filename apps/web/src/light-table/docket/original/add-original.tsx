import type { OriginalRecipe } from '@brachytone/core';
import {
  freeId,
  addedOriginal,
  nameFromFile,
  newDrawing,
  newGradient,
  newLettering,
  SHIPPED_TYPEFACES,
} from '@brachytone/job';
import { Plus } from 'lucide-react';
import { useRef, useState } from 'react';
import { toast } from 'sonner';
import { Menu, MenuItem } from '../../../controls/menu.tsx';
import { typefaceOf } from '../../../engine/use-typeface.ts';
import { sentenceOf, useAddOriginalMutation } from '../../../store/api.ts';
import { edit } from '../../../store/job-slice.ts';
import { useAppDispatch } from '../../../store/store.ts';
import { useDocument } from '../../../store/use-job.ts';
import { pickOriginal } from '../../../store/view-slice.ts';
import { PICTURES } from '../../../shell/file-kinds.ts';

/** A menu of what can be laid on the sheet; it comes to lie uppermost. */
export function AddOriginal() {
  const dispatch = useAppDispatch();
  const { recipe } = useDocument();
  const chooser = useRef<HTMLInputElement>(null);
  const [addOriginal] = useAddOriginalMutation();
  const [busy, setBusy] = useState('');
  const id = freeId('original', recipe.originals);
  const ink = recipe.plates[0].ink;
  const add = (original: OriginalRecipe) => {
    dispatch(edit(`Add ${original.name}`, (draft) => void draft.recipe.originals.push(original as never)));
    dispatch(pickOriginal(original.id));
  };
  const addLettering = async (font: string) =>
    add(newLettering(id, ink, recipe.sheet, font, await typefaceOf(font)));
  const bring = async (file: File) => {
    setBusy(file.name);
    try {
      const { sha256, width, height, kind } = await addOriginal(file).unwrap();
      const name = nameFromFile(file.name);
      if (kind === 'font') {
        await addLettering(sha256);
        return;
      }
      const make = kind === 'drawing' ? newDrawing : addedOriginal;
      add(make(id, ink, recipe.sheet, { sha256, name, width, height }));
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
      </Menu>
    </>
  );
}

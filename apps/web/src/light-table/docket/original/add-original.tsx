import { darkestInk, newGradient, newTint, SHIPPED_TYPEFACES } from '@brachytone/job';
import { Plus } from 'lucide-react';
import { useRef } from 'react';
import { toast } from 'sonner';
import { Menu, MenuItem } from '../../../controls/menu.tsx';
import { sentenceOf } from '../../../store/api.ts';
import { useDocument } from '../../../store/use-job.ts';
import { PICTURES, TYPEFACES } from '../../../shell/file-kinds.ts';
import { useBringToSheet } from './use-bring-to-sheet.ts';

/** A menu of what can be laid on the sheet; it comes to lie uppermost. */
export function AddOriginal() {
  const { recipe } = useDocument();
  const chooser = useRef<HTMLInputElement>(null);
  const { busy, bring, addLettering, add } = useBringToSheet();
  const ink = darkestInk(recipe);
  return (
    <>
      <input
        ref={chooser}
        type="file"
        hidden
        multiple
        accept={`${PICTURES},${TYPEFACES}`}
        aria-label="Choose a picture for the sheet"
        onChange={(event) => {
          void bring([...(event.target.files ?? [])]);
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
          onPick={() => add(newGradient('gradient', ink, recipe.sheet))}
        />
        <MenuItem
          name="Flat tint"
          says="One tone all over the sheet, or in a shape of its own"
          onPick={() => add(newTint('tint', ink, recipe.sheet))}
        />
      </Menu>
    </>
  );
}

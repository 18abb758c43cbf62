import { paintedLongest, WHOLE_CROP } from '@brachytone/job';
import { toast } from 'sonner';
import { sentenceOf, usePaintMutation } from '../../../store/api.ts';
import { useEditOriginal, useTheOriginal } from '../../../store/use-original.ts';
import { useFiles } from '../../../store/use-files.ts';

/** A drawing's change between line work and tones, and a finer picture of it when it was made larger. */
export function usePainted() {
  const original = useTheOriginal();
  const change = useEditOriginal();
  const files = useFiles();
  const [paint, { isLoading }] = usePaintMutation();
  const { content } = original;
  const file = content.kind === 'picture' ? files.get(content.picture) : undefined;
  const painted = file?.facts.painted;
  const drawing = content.kind === 'drawing' ? content.drawing : painted?.from;
  const longest = drawing === undefined ? 0 : paintedLongest(original, file);
  const take = async (label: string) => {
    if (drawing === undefined) return;
    try {
      const { sha256 } = await paint({ sha256: drawing, longest }).unwrap();
      change(label, (draft) => {
        if (draft.content.kind === 'picture') draft.content.picture = sha256;
        else
          draft.content = {
            kind: 'picture',
            picture: sha256,
            crop: { ...WHOLE_CROP },
            line: null,
            cut: null,
          };
      });
    } catch (error) {
      toast.error(sentenceOf(error));
    }
  };
  return {
    /** True for a picture that was painted from a drawing. */
    isPainted: painted !== undefined,
    isBusy: isLoading,
    /** True when it is so much larger now that a finer picture would be sharper. */
    isCoarse: painted !== undefined && longest > painted.longest * 1.2,
    toTones: () => take('Tones of a drawing'),
    finer: () => take('Painted finer'),
    toLines: () => {
      if (drawing === undefined || !file) return;
      change('Line work', (draft) => {
        draft.content = { kind: 'drawing', drawing, ratio: file.height / file.width };
      });
    },
  };
}

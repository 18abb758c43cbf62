import { Select } from '../../../controls/select.tsx';
import { useAppDispatch } from '../../../store/store.ts';
import { useDocument } from '../../../store/use-job.ts';
import { useOriginal } from '../../../store/use-original.ts';
import { pickOriginal } from '../../../store/view-slice.ts';

/** Which original a stage is about, where there are several. */
export function OriginalPicker() {
  const dispatch = useAppDispatch();
  const { originals } = useDocument().recipe;
  const original = useOriginal();
  if (originals.length < 2 || !original) return null;
  return (
    <label className="mb-2 flex items-center gap-2">
      <span className="text-soft">Of</span>
      <Select
        label="Original"
        value={original.id}
        options={originals.map(({ id, name }) => ({ value: id, name }))}
        onChange={(id) => dispatch(pickOriginal(id))}
      />
    </label>
  );
}

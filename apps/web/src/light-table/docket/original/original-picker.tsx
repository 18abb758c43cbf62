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
      <select
        aria-label="Original"
        className="h-6 min-w-0 grow rounded-sm border border-edge bg-white px-1 hover:border-soft"
        value={original.id}
        onChange={(event) => dispatch(pickOriginal(event.target.value))}
      >
        {originals.map(({ id, name }) => (
          <option key={id} value={id}>
            {name}
          </option>
        ))}
      </select>
    </label>
  );
}

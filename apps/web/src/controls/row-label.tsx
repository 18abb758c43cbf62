import { keepLengthsIn } from '../store/lengths-in.ts';
import { useAppDispatch } from '../store/store.ts';
import { lengthsShownIn } from '../store/view-slice.ts';
import type { Unit } from '../words/quantity.ts';

/** What a row sets and, of a length, the same in its other unit; a press on that shows all lengths in it. */
export function RowLabel({ label, value, also }: { label: string; value: number; also: Unit['also'] }) {
  const dispatch = useAppDispatch();
  if (!also) return <span className="w-[82px] shrink-0 text-soft">{label}</span>;
  const words = also.words(value);
  return (
    <span className="flex w-[82px] shrink-0 flex-col text-soft">
      <span className="leading-[14px]">{label}</span>
      <button
        type="button"
        aria-label={`${label}: ${words}. Show lengths in this unit`}
        title="Show all lengths in this unit"
        className="figures self-start text-[10px] leading-[12px] hover:text-ink hover:underline"
        onClick={() => {
          keepLengthsIn(also.lengthsIn);
          dispatch(lengthsShownIn(also.lengthsIn));
        }}
      >
        {words}
      </button>
    </span>
  );
}

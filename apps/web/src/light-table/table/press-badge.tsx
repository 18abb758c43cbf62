import { useAppDispatch, useAppSelector } from '../../store/store.ts';
import { useDocument } from '../../store/use-job.ts';
import { lookSet } from '../../store/view-slice.ts';

/** Which press the proof shows; pressed, it shows the films as they are instead. */
export function PressBadge() {
  const dispatch = useAppDispatch();
  const { press } = useDocument().recipe;
  const on = useAppSelector((state) => state.view.look.press);
  if (!press) return null;
  return (
    <button
      type="button"
      aria-pressed={on}
      title={`${on ? 'As this press prints it' : 'The films as they are, as if the press added nothing'}. Key O compares.`}
      onClick={() => dispatch(lookSet({ press: !on }))}
      className="h-7 max-w-[230px] truncate rounded-sm border border-edge bg-raised px-2.5 hover:bg-white aria-pressed:border-ink"
    >
      {on ? press.press.name : 'press off'}
    </button>
  );
}

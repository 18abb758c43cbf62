import { Button } from '../controls/button.tsx';
import { keepMine, takeOther } from '../store/settle-conflict.ts';
import { useAppDispatch, useAppSelector } from '../store/store.ts';

/** Says so when the job cannot be saved, and lets a conflict be settled. Nothing is lost either way. */
export function SaveNotice() {
  const dispatch = useAppDispatch();
  const save = useAppSelector((state) => state.job?.save);
  const message = useAppSelector((state) => state.job?.saveMessage);
  if (save !== 'conflict' && save !== 'refused' && save !== 'unreachable') return null;
  return (
    <div
      role="alert"
      className="absolute top-[58px] left-1/2 z-20 flex max-w-[620px] -translate-x-1/2 items-center gap-3 rounded-sm border border-ruby bg-raised px-4 py-2.5"
    >
      <span>{message}</span>
      {save === 'conflict' && (
        <span className="flex shrink-0 gap-2">
          <Button onClick={() => void dispatch(keepMine())} title="The other version is kept as a pull">
            Keep this window’s
          </Button>
          <Button
            title="This window’s version is kept as a pull, and stays reachable by redo"
            onClick={() => void dispatch(takeOther())}
          >
            Take the other
          </Button>
        </span>
      )}
    </div>
  );
}

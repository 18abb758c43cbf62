import { Button } from '../../controls/button.tsx';
import { undone } from '../../store/job-slice.ts';
import { useAppDispatch, useAppSelector } from '../../store/store.ts';

/** Says that the picture could not be drawn, and why, with ways on. */
export function DrawingFailure({ failure, retry }: { failure: Error; retry: () => void }) {
  const dispatch = useAppDispatch();
  const canUndo = useAppSelector((state) => (state.job?.position ?? 0) > 0);
  return (
    <div
      role="alert"
      className="absolute top-14 left-1/2 flex w-[420px] -translate-x-1/2 flex-col gap-2 rounded-sm border border-edge bg-raised px-4 py-3 shadow-[0_2px_8px_rgb(0_0_0/0.25)]"
      onPointerDown={(event) => event.stopPropagation()}
    >
      <p className="font-semibold">This picture could not be drawn</p>
      <p className="text-soft">
        {failure.message} What you see may be older than the job; the job itself is unharmed.
      </p>
      <div className="flex gap-2">
        <Button kind="main" onClick={retry}>
          Try again
        </Button>
        {canUndo && <Button onClick={() => dispatch(undone())}>Undo the last change</Button>}
      </div>
    </div>
  );
}

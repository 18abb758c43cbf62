import type { Stroke } from '@brachytone/core';
import { X } from 'lucide-react';
import { useAppDispatch, useAppSelector } from '../../store/store.ts';
import { pickStroke } from '../../store/view-slice.ts';

/** Strokes of a brush, each to be shown on the table or taken away. */
export function StrokeList({
  strokes,
  words,
  onRemove,
}: {
  strokes: readonly Stroke[];
  /** What a stroke does, in a word or two. */
  words: (stroke: Stroke) => string;
  onRemove: (at: number) => void;
}) {
  const dispatch = useAppDispatch();
  const picked = useAppSelector((state) => state.view.stroke);
  if (strokes.length === 0) {
    return (
      <p className="text-soft">
        Paint on the table. Each stroke stays, and can be changed or taken away here.
      </p>
    );
  }
  return (
    <ul className="mt-1 max-h-32 overflow-y-auto border-t border-edge/70 pt-1">
      {strokes.map((one, i) => (
        <li key={i} className="flex h-6 items-center">
          <button
            type="button"
            aria-pressed={i === picked}
            className="flex h-full grow items-center gap-2 px-1 text-left hover:bg-white aria-pressed:bg-white aria-pressed:font-semibold"
            onClick={() => dispatch(pickStroke(i === picked ? null : i))}
          >
            <span>Stroke {i + 1}</span>
            <span className="figures ml-auto text-soft">{words(one)}</span>
          </button>
          <button
            type="button"
            aria-label={`Remove stroke ${i + 1}`}
            className="flex h-full w-6 items-center justify-center text-soft hover:text-ruby"
            onClick={() => {
              dispatch(pickStroke(null));
              onRemove(i);
            }}
          >
            <X size={13} />
          </button>
        </li>
      ))}
    </ul>
  );
}

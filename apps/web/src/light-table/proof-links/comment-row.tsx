import type { ProofComment } from '@brachytone/job';
import { orSay } from '../../store/or-say.ts';
import { useAppDispatch } from '../../store/store.ts';
import { useSetCommentDoneMutation } from '../../store/studio-api.ts';
import { zoomed } from '../../store/view-slice.ts';
import { momentWords } from '../../words/day.ts';

/** Something a client or the studio said; a press on its number goes to its place. */
export function CommentRow({
  link,
  comment,
  number,
  canChange,
}: {
  link: string;
  comment: ProofComment;
  number: number;
  canChange: boolean;
}) {
  const dispatch = useAppDispatch();
  const [setDone] = useSetCommentDoneMutation();
  const { id, name, text, place, fromStudio, done, at } = comment;
  return (
    <li className={`mb-2 flex gap-2 ${done ? 'text-soft' : ''}`}>
      {place ? (
        <button
          type="button"
          aria-label={`To the place of comment ${number}`}
          className={`figures flex size-5 shrink-0 items-center justify-center rounded-full text-[11px] ${done ? 'border border-edge' : 'bg-ruby text-raised'}`}
          onClick={() => dispatch(zoomed({ zoom: 'print', centre: place }))}
        >
          {number}
        </button>
      ) : (
        <span className="w-5 shrink-0" />
      )}
      <div className="min-w-0 grow">
        <p className="text-[12px] text-soft">
          {name}, {momentWords(at)}
        </p>
        <p className="whitespace-pre-wrap [overflow-wrap:anywhere]">{text}</p>
        {canChange && !fromStudio && (
          <label className="mt-0.5 inline-flex items-center gap-1.5 text-[12px] text-soft">
            <input
              type="checkbox"
              checked={done}
              onChange={(event) =>
                orSay(setDone({ id: link, comment: id, done: event.target.checked }).unwrap())
              }
            />
            seen to
          </label>
        )}
      </div>
    </li>
  );
}

import { Button } from '../controls/button.tsx';
import { settle } from '../store/settle-conflict.ts';
import { useAppDispatch, useAppSelector } from '../store/store.ts';
import { placeWords, valueWords } from './clash-words.ts';

/** Most parts that are listed. */
const MOST_LISTED = 8;

/** Says so when the job cannot be saved, and lets a conflict be settled. Nothing is lost either way. */
export function SaveNotice() {
  const save = useAppSelector((state) => state.job?.save);
  const message = useAppSelector((state) => state.job?.saveMessage);
  if (save !== 'conflict' && save !== 'refused' && save !== 'unreachable') return null;
  return (
    <div
      role="alert"
      className="absolute top-[58px] left-1/2 z-20 max-w-[620px] -translate-x-1/2 rounded-sm border border-ruby bg-raised px-4 py-2.5"
    >
      {message}
      {save === 'conflict' && <Conflict />}
    </div>
  );
}

/** What both changed, side by side, and which to take. */
function Conflict() {
  const dispatch = useAppDispatch();
  const clashes = useAppSelector((state) => state.job?.clashes) ?? [];
  const document = useAppSelector((state) => state.job?.document);
  const whose = useAppSelector((state) => state.job?.theirs?.changedBy);
  return (
    <>
      {clashes.length > 0 && (
        <table className="mt-2 w-full" aria-label="What both changed">
          <thead className="text-left text-soft">
            <tr className="border-b border-edge [&>th]:pb-1 [&>th]:font-normal">
              <th>Both changed</th>
              <th className="w-[130px]">here</th>
              <th className="w-[130px]">{whose ?? 'elsewhere'}</th>
            </tr>
          </thead>
          <tbody>
            {clashes.slice(0, MOST_LISTED).map((clash) => (
              <tr key={clash.place.join('/')} className="border-b border-edge/70 [&>td]:py-1">
                <td className="pr-3">{placeWords(clash, document)}</td>
                <td className="figures">{valueWords(clash.mine)}</td>
                <td className="figures">{valueWords(clash.theirs)}</td>
              </tr>
            ))}
          </tbody>
        </table>
      )}
      {clashes.length > MOST_LISTED && (
        <p className="mt-1 text-soft">and {clashes.length - MOST_LISTED} more</p>
      )}
      <div className="mt-2.5 flex items-center gap-2">
        <span className="grow text-soft">What is not taken becomes a pull.</span>
        <Button onClick={() => void dispatch(settle('mine'))}>Keep this window’s</Button>
        <Button onClick={() => void dispatch(settle('theirs'))}>Take the other</Button>
      </div>
    </>
  );
}

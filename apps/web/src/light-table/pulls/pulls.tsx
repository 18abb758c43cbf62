import { present } from '@brachytone/core';
import type { PullView } from '@brachytone/job';
import { X } from 'lucide-react';
import { Button } from '../../controls/button.tsx';
import { TextField } from '../../controls/text-field.tsx';
import { useDropPullMutation, usePullsQuery, useRenamePullMutation } from '../../store/api.ts';
import { edit } from '../../store/job-slice.ts';
import { orSay } from '../../store/or-say.ts';
import { useAppDispatch, useAppSelector } from '../../store/store.ts';
import { besideSet, MOST_BESIDE, pullsShown, wiped } from '../../store/view-slice.ts';
import { printSource } from './print-picture.tsx';
import { useKeepPull } from './use-keep-pull.ts';
import { usePrintPull } from './use-print-pull.ts';

/** States of the job that were kept, with their pictures: to wipe the table against, and to take up again. */
export function Pulls() {
  const dispatch = useAppDispatch();
  const job = useAppSelector((state) => present(state.job, 'open job').id);
  const wipe = useAppSelector((state) => state.view.wipe);
  const { data: pulls = [] } = usePullsQuery(job);
  const keep = useKeepPull();
  const printing = usePrintPull();
  return (
    <section aria-label="Pulls" className="flex min-h-0 grow flex-col">
      <div className="flex items-center justify-between border-b border-edge px-2.5 py-1.5">
        <h2 className="text-[13px]">Pulls</h2>
        <button
          type="button"
          aria-label="Put the pulls away"
          className="text-soft hover:text-ink"
          onClick={() => {
            dispatch(pullsShown(false));
            dispatch(besideSet([]));
          }}
        >
          <X size={14} />
        </button>
      </div>
      <div className="flex gap-1.5 border-b border-edge p-2">
        <Button className="!h-7 grow justify-center !px-2" onClick={keep}>
          Keep a pull
        </Button>
        <Button
          className="!h-7 !px-2"
          aria-pressed={wipe?.against === 'original'}
          title="Wipe between the proof and the originals in their own colours"
          onClick={() =>
            dispatch(wiped(wipe?.against === 'original' ? null : { against: 'original', at: 0.5 }))
          }
        >
          Before
        </Button>
      </div>
      {printing && (
        <div className="border-b border-edge p-2">
          <Button
            className="!h-7 w-full justify-center !px-2"
            title="Makes the films, prints them on the simulated press that this press was calibrated on, and keeps the print"
            disabled={printing.isPrinting}
            onClick={printing.print}
          >
            {printing.isPrinting ? 'Printing…' : 'Print on the simulated press'}
          </Button>
        </div>
      )}
      <ul className="grow overflow-y-auto p-2">
        {pulls.length === 0 && (
          <li className="text-soft">
            A pull keeps the whole job as it is now, to come back to and to compare with. Press P to keep one.
          </li>
        )}
        {pulls.toReversed().map((pull) => (
          <Pull key={pull.id} pull={pull} job={job} />
        ))}
      </ul>
    </section>
  );
}

function Pull({ pull, job }: { pull: PullView; job: string }) {
  const dispatch = useAppDispatch();
  const wipe = useAppSelector((state) => state.view.wipe);
  const [rename] = useRenamePullMutation();
  const [drop] = useDropPullMutation();
  const { sheet } = pull.document.recipe;
  const beside = useAppSelector((state) => state.view.beside);
  const wiping = wipe?.against === pull.id;
  const isBeside = beside.includes(pull.id);
  const takeUp = () =>
    dispatch(
      edit(`Take up “${pull.name}”`, (draft) => {
        const { recipe, films } = structuredClone(pull.document);
        Object.assign(draft, { recipe, films });
      }),
    );
  const link =
    'text-[12px] whitespace-nowrap underline decoration-edge underline-offset-2 hover:decoration-ink';
  return (
    <li className="mb-2.5">
      <img
        src={
          pull.print
            ? printSource(pull.print.picture)
            : `/api/jobs/${job}/pulls/${pull.id}/proof.png?longer=384`
        }
        alt={pull.print ? pull.name : `Proof of ${pull.name}`}
        className={`block w-full border object-cover ${wiping || isBeside ? 'border-guide outline-1 outline-guide' : 'border-edge'}`}
        style={{ aspectRatio: sheet.width / sheet.height }}
      />
      <TextField
        label="Name of the pull"
        className="w-full !border-transparent !bg-transparent !px-0 font-semibold hover:!border-edge focus:!bg-white"
        value={pull.name}
        onChange={(name) => orSay(rename({ job, pull: pull.id, name }).unwrap())}
      />
      {pull.print && (
        <ul aria-label="Inked, percent of the sheet" className="figures mb-0.5 text-[11px] text-soft">
          {pull.print.shares.map(({ ink, asked, printed }) => (
            <li key={ink} className="flex justify-between gap-2">
              <span className="truncate">{ink}</span>
              <span title="Inked of the whole sheet: asked, and printed" className="shrink-0">
                {asked.toFixed(1)} → {printed.toFixed(1)} %
              </span>
            </li>
          ))}
        </ul>
      )}
      <div className="flex gap-2 text-soft">
        <button
          type="button"
          className={link}
          aria-pressed={wiping}
          onClick={() => dispatch(wiped(wiping ? null : { against: pull.id, at: 0.5 }))}
        >
          {wiping ? 'Stop' : 'Wipe'}
        </button>
        <button
          type="button"
          className={link}
          aria-pressed={isBeside}
          disabled={!isBeside && beside.length >= MOST_BESIDE}
          title={`Side by side with the present state; up to ${MOST_BESIDE} at once`}
          onClick={() =>
            dispatch(besideSet(isBeside ? beside.filter((one) => one !== pull.id) : [...beside, pull.id]))
          }
        >
          {isBeside ? 'Away' : 'Beside'}
        </button>
        <button type="button" className={link} onClick={takeUp}>
          Take up
        </button>
        <button
          type="button"
          className={`${link} ml-auto hover:text-ruby`}
          onClick={() => {
            if (wiping) dispatch(wiped(null));
            if (isBeside) dispatch(besideSet(beside.filter((one) => one !== pull.id)));
            orSay(drop({ job, pull: pull.id }).unwrap());
          }}
        >
          Discard
        </button>
      </div>
    </li>
  );
}

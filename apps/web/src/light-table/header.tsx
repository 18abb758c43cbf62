import { present } from '@brachytone/core';
import { Redo2, Undo2 } from 'lucide-react';
import { Link, useNavigate, useParams } from 'react-router';
import { Button } from '../controls/button.tsx';
import { TextField } from '../controls/text-field.tsx';
import { Others } from '../studio/others.tsx';
import { OnBoard } from '../shell/on-board.tsx';
import { TopBar } from '../shell/top-bar.tsx';
import { edit, redone, undone, type SaveState } from '../store/job-slice.ts';
import { useAppDispatch, useAppSelector } from '../store/store.ts';
import { sheetWords } from '../words/words.ts';
import { isShared } from '../shell/is-shared.ts';
import { useRole } from '../shell/use-role.ts';
import { LayTreatment } from '../treatments/lay-treatment.tsx';
import { ProofLinksButton } from './proof-links/proof-links-button.tsx';
import { FindingCount } from './finding-count.tsx';
import { StepsMenu } from './steps-menu.tsx';
import { useMakeFilms } from './use-make-films.ts';

const SAVE_WORDS: Record<SaveState, string> = {
  saved: 'saved',
  unsaved: 'saving…',
  saving: 'saving…',
  unreachable: 'not saved',
  refused: 'not saved',
  conflict: 'two versions',
};

export function Header() {
  const dispatch = useAppDispatch();
  const job = useAppSelector((state) => present(state.job, 'open job'));
  const { id } = useParams();
  const canChange = useRole() !== 'viewer';
  const navigate = useNavigate();
  const [makeFilms, starting] = useMakeFilms();
  const { sheet, stock } = job.document.recipe;
  const next = job.steps[job.position]?.label;
  const last = job.steps[job.position - 1]?.label;
  return (
    <TopBar
      where={
        <OnBoard>
          <h1 className="sr-only">{job.document.name}</h1>
          <TextField
            label="Name of the job"
            className="max-w-80 min-w-24 [field-sizing:content] !border-transparent !bg-transparent text-[14px] font-semibold hover:!border-edge focus:!bg-white"
            value={job.document.name}
            onChange={(name) => dispatch(edit('Rename job', (draft) => void (draft.name = name)))}
          />
          <span className="figures truncate text-soft">
            {sheetWords(sheet)} · {sheet.resolution} dpi · {stock.name.toLowerCase()}
          </span>
        </OnBoard>
      }
    >
      <Others job={job.id} named />
      <span
        role="status"
        aria-label="Saving"
        className={`figures ${job.save === 'unreachable' || job.save === 'refused' || job.save === 'conflict' ? 'text-ruby' : 'text-soft'}`}
      >
        {SAVE_WORDS[job.save]}
      </span>
      <Button
        aria-label="Undo"
        title={last ? `Undo: ${last}` : 'Nothing to undo'}
        className="!px-2"
        disabled={job.position === 0}
        onClick={() => dispatch(undone())}
      >
        <Undo2 size={15} />
      </Button>
      <Button
        aria-label="Redo"
        title={next ? `Redo: ${next}` : 'Nothing to redo'}
        className="!px-2"
        disabled={job.position === job.steps.length}
        onClick={() => dispatch(redone())}
      >
        <Redo2 size={15} />
      </Button>
      <StepsMenu />
      {canChange && <LayTreatment />}
      <Link
        to={`/jobs/${job.id}/series`}
        title="This job for many pictures, or rows of a table"
        className="flex h-[30px] items-center rounded-sm border border-edge bg-raised px-3 font-medium hover:border-ink"
      >
        Series
      </Link>
      {isShared() && <ProofLinksButton />}
      <FindingCount />
      <Button
        kind="main"
        disabled={starting}
        onClick={() => {
          void navigate(`/jobs/${id}/films`, { replace: true });
          makeFilms();
        }}
      >
        Make films
      </Button>
    </TopBar>
  );
}

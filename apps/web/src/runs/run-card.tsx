import { useState } from 'react';
import { Ask } from '../controls/ask.tsx';
import { Button } from '../controls/button.tsx';
import { bytesWords } from '../words/words.ts';
import { toast } from 'sonner';
import { sentenceOf, useCancelRunMutation, useRemoveRunMutation, useRunAgainMutation } from '../store/api.ts';
import type { RunView } from '@brachytone/job';

const WORDS: Record<RunView['status'], string> = {
  queued: 'waiting its turn',
  running: 'being made',
  done: 'made',
  cancelled: 'cancelled',
  failed: 'failed',
  stopped: 'stopped',
  cleaned: 'made, then cleaned away',
};

/** Films that are listed at first. */
const LISTED = 12;

const clock = (time: string): string =>
  new Date(time).toLocaleString('en-GB', {
    day: 'numeric',
    month: 'short',
    hour: '2-digit',
    minute: '2-digit',
  });

/** A run: how far it is, its films to take away, and what can be done with it. */
export function RunCard({ run }: { run: RunView }) {
  const [cancel] = useCancelRunMutation();
  const [again] = useRunAgainMutation();
  const [remove] = useRemoveRunMutation();
  const [deleting, setDeleting] = useState(false);
  const [all, setAll] = useState(false);
  const listed = all ? run.films : run.films.slice(0, LISTED);
  const open = run.status === 'queued' || run.status === 'running';
  const percent = Math.round(run.progress * 100);
  const bytes = run.status === 'done' ? run.films.reduce((sum, film) => sum + film.bytes, 0) : 0;
  const bad = run.status === 'failed' || run.status === 'stopped';
  const act = (action: Promise<{ error?: unknown }>) =>
    void action.then(({ error }) => error && toast.error(sentenceOf(error)));
  return (
    <article aria-label={`Run of ${clock(run.created)}`}>
      <div className="flex items-center gap-2">
        <span className={`figures ${bad ? 'text-ruby' : ''}`}>
          {WORDS[run.status]}
          {run.status === 'running' ? `, ${percent} %` : ''}
          {run.members > 0 ? ` · series of ${run.members}` : ''}
        </span>
        <time className="figures ml-auto text-soft" dateTime={run.created}>
          {clock(run.created)}
        </time>
      </div>
      {open && (
        <div
          role="progressbar"
          aria-label="Films made"
          aria-valuenow={percent}
          aria-valuemin={0}
          aria-valuemax={100}
          className="mt-2 h-1.5 bg-edge/60"
        >
          <div className="h-full bg-ink" style={{ width: `${percent}%` }} />
        </div>
      )}
      {run.changed && (run.status === 'done' || run.status === 'cleaned') && (
        <p className="mt-1 text-soft">The job has changed since.</p>
      )}
      {run.message && <p className="mt-1 text-ruby">{run.message}</p>}
      {run.status === 'done' && (
        <ul className="mt-1.5">
          {listed.map((film) => (
            <li key={film.file} className="flex items-baseline gap-2 py-0.5">
              {film.bytes === 0 ? (
                <span className="min-w-0 truncate text-soft">{film.ink}</span>
              ) : (
                <a
                  className="min-w-0 truncate underline decoration-edge underline-offset-2 hover:decoration-ink"
                  href={`/api/runs/${run.id}/films/${film.file}`}
                  download={film.file}
                >
                  {film.file}
                </a>
              )}
              <span className="figures ml-auto shrink-0 text-soft">
                {film.problem !== undefined
                  ? 'could not be made'
                  : film.bytes === 0
                    ? 'nothing on it, not made'
                    : `${film.inked === null ? '' : `${film.inked.toFixed(1)} % · `}${bytesWords(film.bytes)}`}
              </span>
            </li>
          ))}
          {listed.length < run.films.length && (
            <li>
              <button
                type="button"
                className="text-[12px] text-soft underline hover:text-ink"
                onClick={() => setAll(true)}
              >
                All {run.films.length} films
              </button>
            </li>
          )}
        </ul>
      )}
      <div className="mt-2 flex gap-2">
        {open ? (
          <Button kind="stop" className="!h-7" onClick={() => act(cancel(run.id))}>
            Cancel
          </Button>
        ) : (
          <Button className="!h-7" onClick={() => act(again(run.id))}>
            Make again
          </Button>
        )}
        {run.status === 'done' && run.films.filter(({ bytes }) => bytes > 0).length > 1 && (
          <a
            className="flex h-7 items-center underline decoration-edge underline-offset-2 hover:decoration-ink"
            href={`/api/runs/${run.id}/films.zip`}
            download
          >
            All as one ZIP
          </a>
        )}
        {!open && (
          <button
            type="button"
            className="ml-auto text-[12px] text-soft underline decoration-edge underline-offset-2 hover:decoration-ink"
            onClick={() => setDeleting(true)}
          >
            Delete…
          </button>
        )}
      </div>
      {deleting && (
        <Ask
          title="Delete this run?"
          yes="Delete for good"
          onYes={() => {
            setDeleting(false);
            act(remove(run.id));
          }}
          onNo={() => setDeleting(false)}
        >
          <p>
            {bytes > 0 ? `Its films go with it and free ${bytesWords(bytes)}.` : 'It has no films any more.'}{' '}
            The job stays as it is.
          </p>
        </Ask>
      )}
    </article>
  );
}

import { labToHex } from '@brachytone/core';
import { useState } from 'react';
import { Link } from 'react-router';
import { screenWords, shortSheet } from '../words/words.ts';
import { toast } from 'sonner';
import { ProofPicture } from '../controls/proof-picture.tsx';
import { sentenceOf, useDuplicateJobMutation, usePutAwayMutation } from '../store/api.ts';
import type { JobSummary } from '@brachytone/job';
import { Others } from '../studio/others.tsx';
import { DeleteJob } from './delete-job.tsx';

/** Longer side of a card's picture in CSS pixels. */
const LONGER = 224;

function when(time: string): string {
  const date = new Date(time);
  const days = Math.round(
    (new Date().setHours(0, 0, 0, 0) - new Date(time).setHours(0, 0, 0, 0)) / 86_400_000,
  );
  if (days === 0) return `today ${date.toLocaleTimeString('en-GB', { hour: '2-digit', minute: '2-digit' })}`;
  if (days === 1) return 'yesterday';
  if (days < 7) return date.toLocaleDateString('en-GB', { weekday: 'long' });
  return date.toLocaleDateString('en-GB', { day: 'numeric', month: 'short' });
}

/** A job with its exact proof as picture. */
export function JobCard({ job }: { job: JobSummary }) {
  const { name, sheet, stock, inks, plates } = job;
  const [duplicate] = useDuplicateJobMutation();
  const [putAway] = usePutAwayMutation();
  const ratio = window.devicePixelRatio || 1;
  const { width, height } = sheet;
  const [deleting, setDeleting] = useState(false);
  const scale = LONGER / Math.max(width, height);
  const source = `/api/jobs/${job.id}/proof.png?longer=${Math.round(LONGER * ratio)}&revision=${job.revision}`;
  const move = async (away: boolean) => {
    const { error } = await putAway({ id: job.id, putAway: away });
    if (error) toast.error(sentenceOf(error));
    else if (away)
      toast(`“${name}” is put away.`, {
        duration: 15_000,
        action: { label: 'Undo', onClick: () => void putAway({ id: job.id, putAway: false }) },
      });
  };
  const action = 'underline decoration-edge underline-offset-2 hover:decoration-ink';
  return (
    <li>
      <Link
        to={`/jobs/${job.id}/screens`}
        aria-label={`Open ${name}`}
        className="flex h-[252px] items-center justify-center bg-[#a9a8a4]"
      >
        <span
          className="flex items-center justify-center"
          style={{ width: width * scale, height: height * scale, background: labToHex(stock.lab) }}
        >
          <ProofPicture source={source} alt={`Proof of ${name}`} className="size-full" keepsLast />
        </span>
      </Link>
      <div className="mt-2.5 flex items-center gap-2">
        <h3 className="min-w-0 grow truncate text-[14px]">{name}</h3>
        <Others job={job.id} />
      </div>
      <p className="figures truncate text-soft">
        {shortSheet(sheet)} · {inks.length === 1 ? inks[0].toLowerCase() : `${inks.length} inks`} ·{' '}
        {stock.name.toLowerCase()}
      </p>
      <p className="figures truncate text-soft">
        {plates.map(({ screen }) => screenWords(screen)).join(', ')}
      </p>
      <div className="mt-2 flex items-baseline gap-3 border-t border-dashed border-edge pt-1.5 text-[12px] text-soft">
        <button type="button" className={action} onClick={() => void duplicate(job.id)}>
          Duplicate
        </button>
        <button type="button" className={action} onClick={() => void move(!job.putAway)}>
          {job.putAway ? 'Put back' : 'Put away'}
        </button>
        {job.putAway && (
          <button type="button" className={action} onClick={() => setDeleting(true)}>
            Delete…
          </button>
        )}
        <span className="figures ml-auto truncate">
          {job.changedBy !== null && `${job.changedBy}, `}
          {when(job.touched)}
        </span>
      </div>
      {deleting && <DeleteJob job={job} close={() => setDeleting(false)} />}
    </li>
  );
}

import { useEffect } from 'react';
import { useParams } from 'react-router';
import { NotHere } from '../shell/not-here.tsx';
import { OnBoard } from '../shell/on-board.tsx';
import { TopBar } from '../shell/top-bar.tsx';
import { sentenceOf, useSetAsideQuery } from '../store/api.ts';

/** A job that a newer version saved, to be looked at: nothing of it can be changed here. */
export function SetAsidePage() {
  const { id = '' } = useParams();
  const { data, error } = useSetAsideQuery();
  const job = data?.find((one) => one.id === id);
  useEffect(() => {
    if (job) document.title = `${job.name} · Brachytone`;
    return () => {
      document.title = 'Brachytone';
    };
  }, [job]);
  if (error) return <p className="m-10 text-ruby">{sentenceOf(error)}</p>;
  if (!data) return <p className="m-10 text-soft">Opening the job…</p>;
  if (!job?.canBeSeen) return <NotHere what="job" />;
  return (
    <div className="flex h-full flex-col">
      <TopBar
        where={
          <OnBoard>
            <h1 className="truncate text-[14px]">{job.name}</h1>
            <span className="whitespace-nowrap text-soft">to be looked at only</span>
          </OnBoard>
        }
      >
        <a
          href={`/api/set-aside/${id}/document`}
          download
          className="rounded-sm border border-edge bg-raised px-3 py-1 hover:border-ink"
        >
          Download
        </a>
      </TopBar>
      <p role="status" className="border-b border-edge bg-raised px-6 py-2.5">
        {job.reason} What only the newer one knows is not in this picture. The job is kept as it is, and comes
        back to the board with a Brachytone that can read it.
      </p>
      <main className="flex min-h-0 grow items-center justify-center bg-bench p-8">
        <img
          src={`/api/set-aside/${id}/proof.png?longer=1600`}
          alt={`Proof of ${job.name}`}
          className="max-h-full max-w-full bg-white outline outline-edge"
        />
      </main>
    </div>
  );
}

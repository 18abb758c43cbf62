import { useState } from 'react';
import { Link } from 'react-router';
import { Button } from '../controls/button.tsx';
import { TopBar } from '../shell/top-bar.tsx';
import { RuleRow } from '../storage/rule-row.tsx';
import { sentenceOf, useRunsQuery, useStorageQuery } from '../store/api.ts';
import { RunCard } from './run-card.tsx';

/** Runs shown at first, and more with each wish. */
const AT_ONCE = 60;

/** Films being made and made. */
export function Runs() {
  const [most, setMost] = useState(AT_ONCE);
  const { data: runs, error } = useRunsQuery({ most }, { refetchOnMountOrArgChange: true });
  const { data: storage } = useStorageQuery(undefined, { refetchOnMountOrArgChange: true });
  const films = storage?.stored.find(({ id }) => id === 'films');
  return (
    <div className="flex h-full flex-col">
      <TopBar />
      <main className="grow overflow-y-auto px-10 py-7">
        <h1 className="mb-4 text-[16px]">Runs</h1>
        {films && (
          <div className="mb-5 flex items-baseline gap-2">
            <span className="text-soft">Films are kept</span>
            <RuleRow stored={films} />
          </div>
        )}
        {error && <p className="text-ruby">{sentenceOf(error)}</p>}
        {runs?.length === 0 && (
          <p className="text-soft">No films have been made yet. Open a job and press “Make films”.</p>
        )}
        <ul className="grid max-w-[1200px] grid-cols-[repeat(auto-fill,minmax(380px,1fr))] gap-4">
          {runs?.map((run) => (
            <li key={run.id} className="rounded-sm border border-edge bg-raised p-4">
              <h2 className="mb-1.5">
                {run.isGang ? (
                  run.jobName
                ) : (
                  <Link className="hover:underline" to={`/jobs/${run.jobId}/films`}>
                    {run.jobName}
                  </Link>
                )}
              </h2>
              <RunCard run={run} />
            </li>
          ))}
        </ul>
        {runs && runs.length >= most && (
          <Button className="mt-6" onClick={() => setMost(most + AT_ONCE)}>
            Show older runs
          </Button>
        )}
      </main>
    </div>
  );
}

import { Link } from 'react-router';
import { TopBar } from '../shell/top-bar.tsx';
import { sentenceOf, useRunsQuery } from '../store/api.ts';
import { KeepRuleRow } from './keep-rule.tsx';
import { RunCard } from './run-card.tsx';

/** Films being made and made. */
export function Runs() {
  const { data: runs, error } = useRunsQuery(undefined, { refetchOnMountOrArgChange: true });
  return (
    <div className="flex h-full flex-col">
      <TopBar />
      <main className="grow overflow-y-auto px-10 py-7">
        <h1 className="mb-4 text-[16px]">Runs</h1>
        <KeepRuleRow />
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
      </main>
    </div>
  );
}

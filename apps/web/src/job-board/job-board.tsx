import { useRef, useState, type DragEvent } from 'react';
import { Link } from 'react-router';
import { Button } from '../controls/button.tsx';
import { Segmented } from '../controls/segmented.tsx';
import { STARTS } from '../shell/file-kinds.ts';
import { TopBar } from '../shell/top-bar.tsx';
import { sentenceOf } from '../store/api.ts';
import { useJobs } from '../store/use-jobs.ts';
import type { JobsWish, JobSummary } from '@brachytone/job';
import { JobCard } from './job-card.tsx';
import { NewJob } from './new-job.tsx';
import { SetAside } from './set-aside.tsx';
import { useStartJob } from './use-start-job.ts';

type Order = JobsWish['order'];

/** What was put away and is found, too. */
function FoundAway({ find, order }: Pick<JobsWish, 'find' | 'order'>) {
  const { jobs } = useJobs({ away: true, find, order });
  if (jobs.length === 0) return null;
  return (
    <section aria-labelledby="found-away" className="mt-9">
      <h2 id="found-away" className="mb-3 text-[15px]">
        Put away
      </h2>
      <Cards jobs={jobs} />
    </section>
  );
}

const Cards = ({ jobs }: { jobs: readonly JobSummary[] }) => (
  <ul className="grid grid-cols-[repeat(auto-fill,minmax(270px,1fr))] gap-x-[26px] gap-y-8">
    {jobs.map((job) => (
      <JobCard key={job.id} job={job} />
    ))}
  </ul>
);

/** Every job as a card; a picture dropped anywhere starts one. */
export function JobBoard() {
  const [find, setFind] = useState('');
  const [order, setOrder] = useState<Order>('touched');
  const [away, setAway] = useState(false);
  const [over, setOver] = useState(false);
  const { start, busy } = useStartJob();
  const chooser = useRef<HTMLInputElement>(null);
  const [asking, setAsking] = useState(false);
  /** The job whose settings the file that is being chosen is to have. */
  const like = useRef<string>(undefined);
  const choose = () => chooser.current?.click();
  const { jobs: shown, away: putAwayCount, error, isLoading, more } = useJobs({ away, find, order });
  const onDrag = (event: DragEvent, inside: boolean) => {
    event.preventDefault();
    setOver(inside);
  };
  return (
    <div
      className="flex h-full flex-col"
      onDragOver={(event) => onDrag(event, true)}
      onDragLeave={(event) =>
        !event.currentTarget.contains(event.relatedTarget as Node | null) && onDrag(event, false)
      }
      onDrop={(event) => {
        onDrag(event, false);
        start([...event.dataTransfer.files]);
      }}
    >
      <TopBar>
        <input
          type="search"
          aria-label="Find a job"
          placeholder="find a job…"
          className="figures h-[26px] w-[180px] rounded-sm border border-edge bg-white px-2 placeholder:text-soft"
          value={find}
          onChange={(event) => setFind(event.target.value)}
        />
        <Button kind="main" onClick={() => setAsking(true)}>
          New job
        </Button>
      </TopBar>
      <main className="grow overflow-y-auto px-10 pt-6 pb-10">
        <input
          ref={chooser}
          type="file"
          hidden
          multiple
          accept={STARTS}
          aria-label="Choose a picture"
          onChange={(event) => {
            start([...(event.target.files ?? [])], like.current);
            like.current = undefined;
            event.target.value = '';
          }}
        />
        {asking && (
          <NewJob
            close={() => setAsking(false)}
            choose={(job) => {
              like.current = job;
              setAsking(false);
              choose();
            }}
          />
        )}
        <section
          aria-label="Start a job"
          className={`flex h-[72px] items-center gap-6 border border-dashed px-6 ${over ? 'border-guide bg-white outline-2 outline-guide' : 'border-soft/70 bg-raised'}`}
        >
          <h1 className="text-[21px] whitespace-nowrap">
            {busy ? 'Bringing it in…' : over ? 'Let go to start' : 'Drop a picture to start'}
          </h1>
          <p className="truncate text-soft">
            {busy ?? 'a photograph or line art: JPEG, PNG, TIFF, WebP, AVIF or SVG'}
          </p>
          <Button className="ml-auto" onClick={choose} disabled={busy !== undefined}>
            Choose a file
          </Button>
        </section>
        <div className="mt-7 mb-3 flex items-center gap-4">
          <h2 className="text-[15px]">{away ? 'Put away' : 'On the board'}</h2>
          <span className="ml-auto" />
          <Segmented
            label="Order"
            value={order}
            options={[
              { value: 'touched', label: 'Recently changed' },
              { value: 'name', label: 'By name' },
            ]}
            onChange={setOrder}
          />
          {(putAwayCount > 0 || away) && (
            <button type="button" className="figures text-soft hover:text-ink" onClick={() => setAway(!away)}>
              {away ? 'back to the board' : `put away ${putAwayCount}`}
            </button>
          )}
        </div>
        <SetAside />
        {error !== undefined && <p className="text-ruby">{sentenceOf(error)}</p>}
        {!isLoading && !error && shown.length === 0 && (
          <p className="text-soft">
            {find ? `No job here is called “${find}”.` : 'Nothing here. Drop a picture to start a job.'}
          </p>
        )}
        <Cards jobs={shown} />
        {find !== '' && !away && <FoundAway find={find} order={order} />}
        {more && (
          <Button className="mt-8" onClick={more}>
            Show more jobs
          </Button>
        )}
        <footer className="mt-10 text-[12px] text-soft">
          <Link to="/licences" className="underline decoration-edge underline-offset-2 hover:decoration-ink">
            Licences of what Brachytone is made with
          </Link>
        </footer>
      </main>
    </div>
  );
}

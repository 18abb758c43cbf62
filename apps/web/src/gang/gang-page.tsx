import type { GangPreview, GangWish, JobSummary } from '@brachytone/job';
import { useState } from 'react';
import { useNavigate } from 'react-router';
import { toast } from 'sonner';
import { Button } from '../controls/button.tsx';
import { NumberField } from '../controls/number-field.tsx';
import { TopBar } from '../shell/top-bar.tsx';
import { sentenceOf, useGangPlanQuery, useStartGangMutation } from '../store/api.ts';
import { ON_BOARD, useJobs } from '../store/use-jobs.ts';
import { SMALL_MM, WHOLE } from '../words/quantity.ts';
import { sheetWords } from '../words/words.ts';

/** A film that is offered first, mm, and what lies between jobs. */
const BEGIN = { width: 420, height: 594, gap: 5 };
/** Copies of a job at most. */
const MOST = 200;

/** Several jobs, or many copies of one, on a film that they share. */
export function GangPage() {
  const [find, setFind] = useState('');
  const { jobs: listed, more } = useJobs({ ...ON_BOARD, find });
  /** Jobs that copies are wanted of stay, whatever is looked for. */
  const [known, setKnown] = useState<Readonly<Record<string, JobSummary>>>({});
  const [sheet, setSheet] = useState({ width: BEGIN.width, height: BEGIN.height });
  const [gap, setGap] = useState(BEGIN.gap);
  const [copies, setCopies] = useState<Readonly<Record<string, number>>>({});
  const [startGang, { isLoading }] = useStartGangMutation();
  const navigate = useNavigate();
  const chosen = Object.values(known).filter(({ id }) => (copies[id] ?? 0) > 0);
  const wish: GangWish = { sheet, gap, jobs: chosen.map(({ id }) => ({ jobId: id, copies: copies[id] })) };
  const { data: plan, error } = useGangPlanQuery(wish, { skip: chosen.length === 0 });
  const isPlanned = chosen.length > 0 && plan !== undefined && error === undefined;
  const make = async () => {
    const { error: failed } = await startGang(wish);
    if (failed) toast.error(sentenceOf(failed));
    else void navigate('/runs');
  };
  return (
    <div className="flex h-full flex-col">
      <TopBar />
      <main className="flex min-h-0 grow gap-8 overflow-hidden px-10 py-7">
        <section className="flex w-[400px] shrink-0 flex-col">
          <h1 className="mb-1 text-[16px]">Gang</h1>
          <p className="mb-4 text-soft">
            Several jobs, or many copies of one, on a film that they share: of one film resolution, stock and
            set of inks. Each gets cutting marks and its name.
          </p>
          <div className="mb-4 flex items-center gap-2">
            <span className="text-soft">Film</span>
            <NumberField
              label="Film width"
              value={sheet.width}
              unit={SMALL_MM}
              least={50}
              most={5000}
              onChange={(width) => setSheet({ ...sheet, width })}
            />
            <span className="text-soft">×</span>
            <NumberField
              label="Film height"
              value={sheet.height}
              unit={SMALL_MM}
              least={50}
              most={5000}
              onChange={(height) => setSheet({ ...sheet, height })}
            />
            <span className="ml-3 text-soft">apart</span>
            <NumberField label="Gap" value={gap} unit={SMALL_MM} least={0} most={100} onChange={setGap} />
          </div>
          <input
            type="search"
            aria-label="Find a job"
            placeholder="find a job…"
            className="figures mb-3 h-[26px] rounded-sm border border-edge bg-white px-2 placeholder:text-soft"
            value={find}
            onChange={(event) => setFind(event.target.value)}
          />
          <ul aria-label="Jobs" className="min-h-0 grow overflow-y-auto border-t border-edge/70 pr-1">
            {listed.map((job) => (
              <JobRow
                key={job.id}
                job={job}
                copies={copies[job.id] ?? 0}
                set={(count) => {
                  setKnown({ ...known, [job.id]: job });
                  setCopies({ ...copies, [job.id]: count });
                }}
              />
            ))}
            {more && (
              <li className="py-3">
                <Button onClick={more}>Show more jobs</Button>
              </li>
            )}
          </ul>
          {error && chosen.length > 0 && <p className="mt-3 text-ruby">{sentenceOf(error)}</p>}
          <Button
            kind="main"
            className="mt-3 w-full justify-center"
            disabled={!isPlanned || isLoading}
            onClick={() => void make()}
          >
            Make films
          </Button>
        </section>
        <section className="flex min-w-0 grow flex-col">
          {isPlanned ? (
            <PlanView plan={plan} jobs={chosen} />
          ) : (
            chosen.length === 0 && <p className="m-auto text-soft">Say how many of each job are wanted.</p>
          )}
        </section>
      </main>
    </div>
  );
}

function JobRow({ job, copies, set }: { job: JobSummary; copies: number; set: (count: number) => void }) {
  const { name, sheet, plates } = job;
  const inks = plates.filter(({ printed }) => printed).map(({ ink }) => ink);
  return (
    <li className="flex items-center gap-3 border-b border-edge/70 py-2">
      <div className="min-w-0 grow">
        <div className="truncate">{name}</div>
        <div className="figures truncate text-soft">
          {sheetWords(sheet)} · {sheet.resolution} dpi · {inks.join(', ')}
        </div>
      </div>
      <NumberField
        label={`Copies of ${name}`}
        value={copies}
        unit={WHOLE}
        least={0}
        most={MOST}
        className="w-[54px]"
        onChange={(count) => set(Math.round(count))}
      />
    </li>
  );
}

/** Where everything lies on the film: the picture of each job, its trimmed edge, the film's size. */
function PlanView({ plan, jobs }: { plan: GangPreview; jobs: readonly JobSummary[] }) {
  const { width, height, resolution, places, inks, trims } = plan;
  const mm = (pixels: number) => Number(((pixels / resolution) * 25.4).toFixed(1));
  return (
    <>
      <svg
        viewBox={`0 0 ${width} ${height}`}
        role="img"
        aria-label="The shared film"
        className="min-h-0 w-full grow"
        style={{ maxHeight: '100%' }}
      >
        <rect width={width} height={height} fill="#fbfaf7" stroke="#cfc6b4" strokeWidth={width / 600} />
        {places.map(({ job, x, y, width: wide, height: high }, i) => {
          const { id } = jobs[job];
          const trim = trims[job];
          return (
            <g key={i}>
              <rect
                x={x}
                y={y}
                width={wide}
                height={high}
                fill="none"
                stroke="#cfc6b4"
                strokeWidth={width / 900}
              />
              <image
                href={`/api/jobs/${id}/proof.png?longer=448`}
                x={x + trim.x}
                y={y + trim.y}
                width={trim.width}
                height={trim.height}
                preserveAspectRatio="none"
              />
            </g>
          );
        })}
      </svg>
      <p className="figures mt-3 text-soft">
        {mm(width)} × {mm(height)} mm at {resolution} dpi · {places.length} on it ·{' '}
        {inks.length === 1 ? 'a film' : `${inks.length} films`}: {inks.join(', ')}
      </p>
    </>
  );
}

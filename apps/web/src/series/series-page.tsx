import { memberNumber, seriesFilms, type JobView, type Series, type SeriesMember } from '@brachytone/job';
import { useEffect, useEffectEvent, useRef, useState } from 'react';
import { Link, useNavigate, useParams } from 'react-router';
import { toast } from 'sonner';
import { Button } from '../controls/button.tsx';
import { Segmented } from '../controls/segmented.tsx';
import { SwitchRow } from '../controls/switch-row.tsx';
import { TextField } from '../controls/text-field.tsx';
import { FOR_SERIES } from '../shell/file-kinds.ts';
import { takeHandedFiles } from '../shell/handed-files.ts';
import { NotHere } from '../shell/not-here.tsx';
import { OnBoard } from '../shell/on-board.tsx';
import { TopBar } from '../shell/top-bar.tsx';
import { useRole } from '../shell/use-role.ts';
import { sentenceOf, useAddOriginalMutation, useJobQuery } from '../store/api.ts';
import { useStartSeriesRunMutation } from '../store/series-api.ts';
import { countWords } from '../words/words.ts';
import { bringIn, type NotTaken } from './bring-in.ts';
import { MemberCard, memberProof } from './member-card.tsx';
import { TrimMember } from './trim-member.tsx';
import { useSeries } from './use-series.ts';

/** A job made for many pictures or rows: the contact sheet of them all. */
export function SeriesPage() {
  const { id = '' } = useParams();
  const { data: job, error } = useJobQuery(id, { refetchOnMountOrArgChange: true });
  useEffect(() => {
    if (job) document.title = `Series · ${job.document.name} · Brachytone`;
    return () => {
      document.title = 'Brachytone';
    };
  }, [job]);
  if (error)
    return 'status' in error && error.status === 404 ? (
      <NotHere what="job" />
    ) : (
      <p className="m-10 text-ruby">{sentenceOf(error)}</p>
    );
  return job ? <OpenSeries job={job} /> : <p className="m-10 text-soft">Opening the series…</p>;
}

function OpenSeries({ job }: { job: JobView }) {
  const { view, error, change, unsaved, whenSaved } = useSeries(job.id);
  const [addOriginal] = useAddOriginalMutation();
  const [startRun, { isLoading: starting }] = useStartSeriesRunMutation();
  const [busy, setBusy] = useState<string>();
  const [notTaken, setNotTaken] = useState<readonly NotTaken[]>([]);
  const [open, setOpen] = useState<string>();
  const [over, setOver] = useState(false);
  const chooser = useRef<HTMLInputElement>(null);
  const navigate = useNavigate();
  const canChange = useRole() !== 'viewer';
  const series = view?.series;
  const take = async (files: readonly File[]) => {
    if (!series || files.length === 0 || busy !== undefined || !canChange) return;
    setBusy('…');
    const brought = await bringIn(
      files,
      (file) => addOriginal(file).unwrap(),
      (count, name) => setBusy(`${count}: ${name}`),
      series.members.length,
    );
    setBusy(undefined);
    setNotTaken(brought.notTaken);
    if (brought.members.length > 0)
      change((before) => ({ ...before, members: [...before.members, ...brought.members] }));
  };
  const ready = series !== undefined;
  const takeHanded = useEffectEvent(() => void take(takeHandedFiles(job.id)));
  useEffect(() => {
    if (ready) takeHanded();
  }, [ready]);
  const make = async () => {
    // Why it was refused is said already.
    if (!(await whenSaved())) return;
    const { error: refused } = await startRun(job.id);
    if (refused) toast.error(sentenceOf(refused));
    else void navigate('/runs');
  };
  const set = (part: Partial<Series>) => change((before) => ({ ...before, ...part }));
  const setMember = (id: string, part: Partial<SeriesMember>) =>
    change((before) => ({
      ...before,
      members: before.members.map((one) => (one.id === id ? { ...one, ...part } : one)),
    }));
  const films = series ? seriesFilms(job.document, series) : [];
  const at = series?.members.findIndex(({ id }) => id === open) ?? -1;
  const stateOf = (member: SeriesMember, place: number) =>
    JSON.stringify([
      job.revision,
      series?.fit,
      series?.ownLevels,
      member,
      series && memberNumber(series, place),
    ]);
  return (
    <div
      className="flex h-full flex-col"
      onDragOver={(event) => {
        event.preventDefault();
        setOver(true);
      }}
      onDragLeave={(event) =>
        !event.currentTarget.contains(event.relatedTarget as Node | null) && setOver(false)
      }
      onDrop={(event) => {
        event.preventDefault();
        setOver(false);
        void take([...event.dataTransfer.files]);
      }}
    >
      <TopBar
        where={
          <OnBoard>
            <Link to={`/jobs/${job.id}/screens`} className="truncate text-soft hover:text-ink">
              {job.document.name}
            </Link>
            <span className="text-edge">/</span>
            <h1 className="text-[14px]">Series</h1>
          </OnBoard>
        }
      >
        {canChange && series && (
          <>
            <span role="status" className="text-soft">
              {unsaved ? 'saving…' : 'saved'}
            </span>
            <input
              ref={chooser}
              type="file"
              hidden
              multiple
              accept={FOR_SERIES}
              aria-label="Choose pictures or a table"
              onChange={(event) => {
                void take([...(event.target.files ?? [])]);
                event.target.value = '';
              }}
            />
            <Button disabled={busy !== undefined} onClick={() => chooser.current?.click()}>
              Add pictures or a table
            </Button>
            <Button kind="main" disabled={starting || films.length === 0} onClick={() => void make()}>
              {films.length === 0 ? 'Make films' : `Make ${countWords(films.length, 'film')}`}
            </Button>
          </>
        )}
      </TopBar>
      <main className="grow overflow-y-auto px-8 py-5">
        {error !== undefined && <p className="text-ruby">{sentenceOf(error)}</p>}
        {series && canChange && (
          <div className="mb-5 flex flex-wrap items-center gap-x-6 gap-y-2">
            <span className="flex items-center gap-2">
              <span className="text-soft">Films are called</span>
              <TextField
                label="Pattern of the films’ names"
                className="figures w-[240px]"
                value={series.pattern}
                onChange={(pattern) => set({ pattern })}
              />
            </span>
            <Segmented
              label="Pictures"
              value={series.fit}
              options={[
                {
                  value: 'fill',
                  label: 'Fill their place',
                  title: 'Cropped in the middle, to be trimmed one by one',
                },
                { value: 'whole', label: 'Lie whole', title: 'Nothing is cut off' },
              ]}
              onChange={(fit) => set({ fit })}
            />
            <div className="w-[270px]">
              <SwitchRow
                label="Levels by each picture’s own tones"
                on={series.ownLevels}
                onChange={(ownLevels) => set({ ownLevels })}
              />
            </div>
            {films[0] && <span className="figures ml-auto truncate text-soft">{films[0].file} …</span>}
          </div>
        )}
        {busy !== undefined && (
          <p role="status" className="figures mb-4 truncate">
            Bringing in {busy}
          </p>
        )}
        {notTaken.length > 0 && (
          <section aria-label="Not taken" className="mb-5 border border-ruby bg-raised px-4 py-2.5">
            <h2 className="flex items-baseline text-[13px]">
              <span className="grow">
                {countWords(notTaken.length, 'thing')} did not go as asked; all else is here
              </span>
              <button type="button" className="text-[12px] underline" onClick={() => setNotTaken([])}>
                Close
              </button>
            </h2>
            <ul className="mt-1 max-h-[120px] overflow-y-auto">
              {notTaken.map(({ name, why }, i) => (
                <li key={i} className="text-soft">
                  {name}: {why}
                </li>
              ))}
            </ul>
          </section>
        )}
        {series?.members.length === 0 && busy === undefined && (
          <section
            aria-label="Empty series"
            className={`mx-auto mt-16 max-w-[620px] border border-dashed px-8 py-10 text-center ${over ? 'border-guide bg-white' : 'border-soft/70 bg-raised'}`}
          >
            <h2 className="text-[18px]">Drop pictures, a ZIP of them, or a table</h2>
            <p className="mt-2 text-soft">
              Each becomes this job with another picture in it. A table (CSV) has a row for each: a column
              called <i>picture</i> names its file, and every other column fills in what the lettering says,
              as <span className="figures">{'{Guest}'}</span> or <span className="figures">{'{no}'}</span>.
            </p>
          </section>
        )}
        {series && series.members.length > 0 && (
          <ul
            aria-label="Contact sheet"
            className="grid grid-cols-[repeat(auto-fill,minmax(190px,1fr))] gap-3"
          >
            {series.members.map((member, i) => (
              <MemberCard
                key={member.id}
                member={member}
                no={memberNumber(series, i)}
                source={memberProof(job.id, member, 190, stateOf(member, i))}
                onOpen={() => setOpen(member.id)}
                {...(canChange
                  ? { onDrop: () => set({ members: series.members.filter(({ id }) => id !== member.id) }) }
                  : {})}
              />
            ))}
          </ul>
        )}
      </main>
      {view && series && at >= 0 && (
        <TrimMember
          job={job}
          view={view}
          member={series.members[at]}
          no={memberNumber(series, at)}
          state={stateOf(series.members[at], at)}
          canChange={canChange}
          onChange={(part) => setMember(series.members[at].id, part)}
          close={() => setOpen(undefined)}
        />
      )}
    </div>
  );
}

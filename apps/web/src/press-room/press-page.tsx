import { cutText } from '@brachytone/job';
import { middleGain, type Press } from '@brachytone/core';
import { produce } from 'immer';
import { useEffect, useState } from 'react';
import { Link, useNavigate, useParams } from 'react-router';
import { Button } from '../controls/button.tsx';
import { TextField } from '../controls/text-field.tsx';
import { GainChart } from '../light-table/docket/press/gain-chart.tsx';
import { PressNumbers } from '../light-table/docket/press/press-numbers.tsx';
import { NotHere } from '../shell/not-here.tsx';
import { TopBar } from '../shell/top-bar.tsx';
import {
  useChangePressMutation,
  useDropPressMutation,
  useJobsOnPressQuery,
  useKeepPressMutation,
  usePressesQuery,
} from '../store/api.ts';
import { orSay } from '../store/or-say.ts';
import { isEqual } from '../store/sharing.ts';
import { KIND_WORDS, useRoom } from '../store/use-room.ts';
import { dayWords } from '../words/day.ts';
import { CalibrationsPart } from './calibration/calibrations-part.tsx';

/** Rest before a change is kept, ms. */
const REST = 400;

/** Colours that curves of inks are drawn in. */
const COLOURS = ['#2f6f9f', '#a81f3d', '#8a5a12', '#3d6b3a', '#6a4a86', '#1d1b18'];

/** One press: its curves, its numbers, and the jobs that use it. */
export function PressPage() {
  const { id = '' } = useParams();
  const navigate = useNavigate();
  const { isLoading } = usePressesQuery();
  const { all } = useRoom();
  const [keep] = useKeepPressMutation();
  const [change] = useChangePressMutation();
  const [drop] = useDropPressMutation();
  const entry = all.find((one) => one.id === id);
  const [draft, setDraft] = useState<Press>();
  useEffect(() => setDraft(undefined), [id]);
  useEffect(() => {
    if (!draft) return;
    // A slider's every step is shown at once, and kept when it rests.
    const timer = setTimeout(() => orSay(change({ id, press: draft }).unwrap()), REST);
    return () => clearTimeout(timer);
  }, [draft, id, change]);
  if (!entry) return isLoading ? null : <NotHere what="press" />;
  const { says } = entry;
  const press = draft ?? entry.press;
  const isOwn = says === undefined;
  return (
    <div className="flex h-full flex-col">
      <TopBar />
      <main className="grow overflow-y-auto px-10 py-7">
        <div className="mb-4 flex max-w-[1000px] items-center gap-3">
          <Link to="/presses" className="text-soft hover:text-ink">
            Press room
          </Link>
          <span className="text-edge">/</span>
          {isOwn ? (
            <TextField
              label="Name of the press"
              className="min-w-[340px] !border-transparent !bg-transparent text-[16px] font-semibold hover:!border-edge focus:!bg-white"
              value={press.name}
              onChange={(name) => setDraft({ ...press, name })}
            />
          ) : (
            <h1 className="text-[16px]">{press.name}</h1>
          )}
          <span className="text-soft">{KIND_WORDS[press.kind]}</span>
          <div className="ml-auto flex gap-2">
            <Button
              onClick={() =>
                orSay(
                  keep({ ...press, name: `${cutText(press.name, 50)}, own` })
                    .unwrap()
                    .then((made) => navigate(`/presses/${made.id}`)),
                )
              }
            >
              Keep a copy
            </Button>
            {isOwn && (
              <Button
                onClick={() =>
                  orSay(
                    drop(id)
                      .unwrap()
                      .then(() => navigate('/presses')),
                  )
                }
              >
                Delete
              </Button>
            )}
          </div>
        </div>
        <div className="grid max-w-[1000px] grid-cols-[1fr_320px] gap-8">
          <div>
            <Curves press={press} />
            {says && <p className="mt-3 text-soft">{says}</p>}
            <CalibrationsPart entry={entry} />
            <Jobs id={id} press={press} />
          </div>
          {/* What ships stays as it is: a copy can be changed. */}
          <fieldset disabled={!isOwn} className={isOwn ? '' : 'opacity-70'}>
            {!isOwn && <p className="mb-2 text-soft">Its numbers can be changed in a copy.</p>}
            <PressNumbers
              press={press}
              // A slider can be moved though what is around it is disabled.
              onChange={(_label, edit) => isOwn && setDraft(produce(press, (draft) => edit(draft)))}
            />
          </fieldset>
        </div>
      </main>
    </div>
  );
}

function Curves({ press }: { press: Press }) {
  const gains = [
    { name: press.inkGains.length > 0 ? 'other inks' : press.name, colour: COLOURS[5], gain: press.gain },
    ...press.inkGains.map(({ ink, gain }, i) => ({ name: ink, colour: COLOURS[i % 5], gain })),
  ];
  return (
    <section aria-label="Curves">
      <h2 className="mb-1 text-[13.5px]">What is printed of what is on the film</h2>
      <GainChart gains={gains} compensates={false} width={600} height={330} />
      <ul className="figures mt-1 flex flex-wrap gap-x-4 text-soft">
        {gains.map(({ name, colour, gain }, i) => (
          <li key={name} className="flex items-center gap-1.5">
            <span className="h-0.5 w-4" style={{ background: colour }} />
            {name}: {middleGain(gain) >= 0 ? '+' : ''}
            {middleGain(gain).toFixed(1)} % at 50 %
            {i > 0 &&
              press.inkGains[i - 1].calibrated &&
              ` · measured ${dayWords(press.inkGains[i - 1].calibrated ?? '')}`}
          </li>
        ))}
      </ul>
    </section>
  );
}

function Jobs({ id, press }: { id: string; press: Press }) {
  const { data: using = [] } = useJobsOnPressQuery(id, { refetchOnMountOrArgChange: true });
  return (
    <section aria-label="Jobs" className="mt-5">
      <h2 className="mb-1 text-[13.5px]">Jobs that use it</h2>
      {using.length === 0 && <p className="text-soft">None yet.</p>}
      <ul>
        {using.map((job) => (
          <li key={job.id}>
            <Link to={`/jobs/${job.id}/press`} className="underline hover:text-guide-deep">
              {job.name}
            </Link>
            {!isEqual(job.press.press, press) && (
              <span className="text-soft"> · has it as it was before</span>
            )}
          </li>
        ))}
      </ul>
    </section>
  );
}

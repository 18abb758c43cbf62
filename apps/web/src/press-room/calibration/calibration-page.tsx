import {
  calibrated,
  fittedGain,
  gainOf,
  labToHex,
  LEAST_READINGS,
  middleGain,
  readingList,
  type CalibratedInk,
  type FittedGain,
} from '@brachytone/core';
import type { KeptCalibration } from '@brachytone/job';
import { useMemo, useState } from 'react';
import { Link, useParams } from 'react-router';
import { toast } from 'sonner';
import { Button } from '../../controls/button.tsx';
import { SwitchRow } from '../../controls/switch-row.tsx';
import { NotHere } from '../../shell/not-here.tsx';
import { TopBar } from '../../shell/top-bar.tsx';
import {
  useCalibrationsQuery,
  useChangeCalibrationMutation,
  useChangePressMutation,
  usePressesQuery,
} from '../../store/api.ts';
import { orSay } from '../../store/or-say.ts';
import { useRoom, type RoomEntry } from '../../store/use-room.ts';
import { dayWords } from '../../words/day.ts';
import { screenWords } from '../../words/words.ts';
import { isInUse } from '../../store/in-use.ts';
import { ReadingChart } from './reading-chart.tsx';
import { ReadTargetPart, type ReadTarget } from './read-target.tsx';
import { saveText } from './save-text.ts';
import { ScanView } from './scan-view.tsx';

const SOURCES = {
  typed: 'Typed.',
  table: 'Read out of a file.',
  scan: 'Read off a scan.',
  instrument: 'Read by the simulated instrument.',
} as const;

/** A calibration: its target, how it was read, the curves that come of it. */
export function CalibrationPage() {
  const { id = '', calibration: wanted = '' } = useParams();
  const { data: all, isLoading } = useCalibrationsQuery();
  const { isLoading: isRoomLoading } = usePressesQuery();
  const entry = useRoom().all.find((one) => one.id === id);
  const calibration = all?.find((one) => one.id === wanted && one.press === id);
  if (isLoading || isRoomLoading) return null;
  if (!entry || !calibration) return <NotHere what="calibration" />;
  return <Page key={wanted} entry={entry} calibration={calibration} />;
}

function Page({ entry, calibration }: { entry: RoomEntry; calibration: KeptCalibration }) {
  const [change] = useChangeCalibrationMutation();
  const [changePress] = useChangePressMutation();
  const [place, setPlace] = useState(0);
  const [ladders, setLadders] = useState(true);
  const { inks, stock } = calibration;
  const fits = useMemo(() => inks.map(fittedGain), [inks]);
  const ink = Math.min(place, inks.length - 1);
  const read = async ({ source, simulatedGain, scan, inks: found }: ReadTarget) => {
    const isAll = found.every(({ readings }) => readings.length > 0);
    await change({
      ...calibration,
      source,
      simulatedGain,
      // Of inks that were not read again it is still the picture.
      scan: isAll ? scan : (scan ?? calibration.scan),
      taken: null,
      inks: inks.map((one, i) =>
        found[i].readings.length === 0
          ? one
          : { ...one, readings: found[i].readings, ladders: found[i].ladders, without: [] },
      ),
    }).unwrap();
    const first = found.findIndex(({ readings }) => readings.length > 0);
    if (found[ink].readings.length === 0) setPlace(first);
  };
  const toggle = (reading: number) =>
    orSay(
      change({
        ...calibration,
        inks: inks.map((one, i) => (i === ink ? { ...one, without: toggled(one.without, reading) } : one)),
      }).unwrap(),
    );
  const take = () =>
    orSay(
      (async () => {
        const date = new Date().toISOString();
        await changePress({
          id: entry.id,
          press: calibrated(entry.press, calibration, date, ladders),
        }).unwrap();
        await change({ ...calibration, taken: date }).unwrap();
        toast(`${entry.press.name} prints by what was measured. Jobs that carry it are offered the change.`);
      })(),
    );
  const hasLadders = inks.some((one) => one.ladders !== null);
  const inUse = isInUse(calibration, entry.press);
  return (
    <div className="flex h-full flex-col">
      <TopBar />
      <main className="grow overflow-y-auto px-10 py-7">
        <div className="mb-4 flex max-w-[1160px] items-center gap-3">
          <Link to="/presses" className="text-soft hover:text-ink">
            Press room
          </Link>
          <span className="text-edge">/</span>
          <Link to={`/presses/${entry.id}`} className="text-soft hover:text-ink">
            {entry.press.name}
          </Link>
          <span className="text-edge">/</span>
          <h1 className="text-[16px]">Calibration</h1>
          <span className="text-soft">
            {stock.name} · {dayWords(calibration.made)}
          </span>
        </div>
        <div className="grid max-w-[1160px] grid-cols-[400px_1fr] gap-9">
          <div>
            <Step number={1} name="Print the target">
              <Target calibration={calibration} />
            </Step>
            <Step number={2} name="Read it">
              <ReadTargetPart calibration={calibration} ink={ink} onRead={read} />
            </Step>
            <Step number={3} name="Take the curve">
              {fits.every((fit) => !fit) ? (
                <p className="text-soft">Nothing is read yet.</p>
              ) : (
                <>
                  {hasLadders && (
                    <SwitchRow
                      label="Least dot, least line and edge gain too"
                      title="On: the limits of the press become what the ladders of this target show, the worst ink deciding"
                      on={ladders}
                      onChange={setLadders}
                    />
                  )}
                  <div className="mt-1 flex items-center gap-3">
                    <Button kind="main" disabled={inUse} onClick={take}>
                      {inUse ? 'In use' : calibration.taken === null ? 'Take it' : 'Take it again'}
                    </Button>
                    {calibration.taken !== null && (
                      <span className="text-soft">taken {dayWords(calibration.taken)}</span>
                    )}
                  </div>
                </>
              )}
            </Step>
          </div>
          <div>
            <div role="tablist" aria-label="Inks" className="mb-2 flex flex-wrap gap-1.5">
              {inks.map((one, i) => (
                <button
                  key={one.ink.id}
                  type="button"
                  role="tab"
                  aria-selected={i === ink}
                  className="flex h-7 items-center gap-1.5 rounded-sm border border-edge px-2.5 hover:bg-white aria-selected:border-ink aria-selected:bg-white"
                  onClick={() => setPlace(i)}
                >
                  <span
                    className="size-3 rounded-full border border-ink/20"
                    style={{ background: labToHex(one.ink.lab) }}
                  />
                  {one.ink.name}
                </button>
              ))}
            </div>
            <Curve entry={entry} of={inks[ink]} fitted={fits[ink]} inUse={inUse} onToggle={toggle} />
            {calibration.source !== null && (
              <p className="mt-1 flex gap-3 text-soft">
                {SOURCES[calibration.source]}
                <button
                  type="button"
                  className="underline hover:text-ink"
                  onClick={() =>
                    saveText(readingList(calibration, calibration.made.slice(0, 10)), 'readings.txt')
                  }
                >
                  Readings as CGATS.17
                </button>
              </p>
            )}
            <ScanView calibration={calibration} ink={ink} fitted={fits[ink]} onToggle={toggle} />
          </div>
        </div>
      </main>
    </div>
  );
}

function Step({ number, name, children }: { number: number; name: string; children: React.ReactNode }) {
  return (
    <section aria-label={name} className="mb-6">
      <h2 className="mb-1.5 flex items-baseline gap-2 text-[13.5px]">
        <span className="figures text-soft">{number}</span>
        {name}
      </h2>
      {children}
    </section>
  );
}

function Target({ calibration }: { calibration: KeptCalibration }) {
  const { id, inks, resolution } = calibration;
  const link = 'underline decoration-edge underline-offset-2 hover:decoration-ink';
  return (
    <>
      <p className="mb-1.5 text-soft">
        Tones in each ink’s own screen, made as they are: against no gain, with no smallest dot. Print it as
        the job will be printed. Films at {resolution} dpi:
      </p>
      <ul>
        {inks.map(({ ink, screen }, i) => (
          <li key={ink.id} className="flex items-center gap-2 py-0.5">
            <span
              className="size-3 shrink-0 rounded-full border border-ink/20"
              style={{ background: labToHex(ink.lab) }}
            />
            {ink.name}
            <span className="figures truncate text-soft">{screenWords(screen)}</span>
            <a className={`${link} ml-auto`} href={`/api/calibrations/${id}/films/${i}.tif`}>
              TIFF
            </a>
          </li>
        ))}
      </ul>
      <p className="mt-1">
        <a className={link} href={`/api/calibrations/${id}/target.pdf`}>
          All films as PDF, a page an ink
        </a>
      </p>
    </>
  );
}

function Curve({
  entry,
  of,
  fitted,
  inUse,
  onToggle,
}: {
  entry: RoomEntry;
  of: CalibratedInk;
  fitted: FittedGain | undefined;
  inUse: boolean;
  onToggle: (place: number) => void;
}) {
  // Beside the curve the press prints by; once that is this one, beside what is usual on it.
  const before = inUse ? entry.press.gain : gainOf(entry.press, of.ink.name);
  const lightness = of.ink.lab[0];
  const { ladders } = of;
  return (
    <section aria-label="Curve">
      <ReadingChart
        of={of}
        fitted={fitted}
        before={before}
        colour={lightness > 80 ? '#6b6456' : labToHex(of.ink.lab)}
        width={620}
        height={270}
        onToggle={onToggle}
      />
      <p className="figures mt-1 text-soft">
        {fitted ? (
          <>
            {signed(middleGain({ by: 'points', points: fitted.points }))} % at 50 %,{' '}
            {signed(middleGain(before))} % {inUse ? 'usual' : 'before'} (dashed) · readings lie{' '}
            {fitted.residual.toFixed(2)} % off the curve
            {of.without.length + fitted.outliers.length > 0 &&
              ` · ${of.without.length + fitted.outliers.length} left out`}
          </>
        ) : of.readings.length > 0 ? (
          `A curve needs ${LEAST_READINGS} readings at least.`
        ) : (
          'Dashed: as the press is said to print. Not read yet.'
        )}
      </p>
      {ladders && (
        <p className="figures text-soft">
          {[
            ladders.leastDot === null
              ? 'no dot of the ladder holds'
              : `dots hold from ${(1000 * ladders.leastDot).toFixed(0)} µm`,
            ladders.leastLine === null ? 'no line of the ladder holds' : `lines from ${ladders.leastLine} mm`,
            ...(ladders.edgeGain === null ? [] : [`edges grow ${ladders.edgeGain.toFixed(3)} mm`]),
          ].join(' · ')}
        </p>
      )}
    </section>
  );
}

const signed = (percent: number): string => `${percent >= 0 ? '+' : '−'}${Math.abs(percent).toFixed(1)}`;

/** A list without a number that is in it, or with one that is not. */
const toggled = (list: readonly number[], number: number): number[] =>
  list.includes(number) ? list.filter((one) => one !== number) : [...list, number];

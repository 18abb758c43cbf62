import type { KeptCalibration } from '@brachytone/job';
import { isOnTarget } from '@brachytone/job';
import { X } from 'lucide-react';
import { useState } from 'react';
import { Link, useNavigate } from 'react-router';
import { Button } from '../../controls/button.tsx';
import { Select } from '../../controls/select.tsx';
import {
  useCalibrationsQuery,
  useDropCalibrationMutation,
  useJobsOnPressQuery,
  useLazyJobQuery,
} from '../../store/api.ts';
import { ON_BOARD, useJobs } from '../../store/use-jobs.ts';
import { orSay } from '../../store/or-say.ts';
import { useBeginCalibration } from '../../store/use-begin-calibration.ts';
import type { RoomEntry } from '../../store/use-room.ts';
import { dayWords } from '../../words/day.ts';
import { isInUse } from '../../store/in-use.ts';

/** The calibrations of a press, the newest first, and a way to begin one for the inks of a job. */
export function CalibrationsPart({ entry }: { entry: RoomEntry }) {
  const { data: all = [] } = useCalibrationsQuery();
  const mine = all.filter(({ press }) => press === entry.id).toReversed();
  return (
    <section aria-label="Calibrations" className="mt-5">
      <h2 className="mb-1 text-[13.5px]">Calibrations</h2>
      {mine.length === 0 && (
        <p className="text-soft">Not measured yet: its curve is what is usual on such a press.</p>
      )}
      <ul>
        {mine.map((calibration) => (
          <Line key={calibration.id} calibration={calibration} entry={entry} />
        ))}
      </ul>
      <Begin entry={entry} />
    </section>
  );
}

function Line({ calibration, entry }: { calibration: KeptCalibration; entry: RoomEntry }) {
  const [drop] = useDropCalibrationMutation();
  const { id, stock, inks, made, taken, source } = calibration;
  const state = isInUse(calibration, entry.press)
    ? 'in use'
    : source === null
      ? 'not read yet'
      : taken === null
        ? 'not taken'
        : `taken ${dayWords(taken)}`;
  return (
    <li className="flex items-center gap-2 py-0.5">
      <Link to={`/presses/${entry.id}/calibrations/${id}`} className="underline hover:text-guide-deep">
        {stock.name}, {dayWords(made)}
      </Link>
      <span className="truncate text-soft">{inks.map(({ ink }) => ink.name).join(', ')}</span>
      <span className={`ml-auto shrink-0 ${state === 'in use' ? 'font-semibold' : 'text-soft'}`}>
        {state}
      </span>
      <button
        type="button"
        aria-label={`Delete the calibration on ${stock.name} of ${dayWords(made)}`}
        className="text-soft hover:text-ruby"
        onClick={() => orSay(drop(id).unwrap())}
      >
        <X size={14} />
      </button>
    </li>
  );
}

function Begin({ entry }: { entry: RoomEntry }) {
  const navigate = useNavigate();
  const begin = useBeginCalibration();
  const { jobs } = useJobs(ON_BOARD);
  const { data: onPress = [] } = useJobsOnPressQuery(entry.id);
  const [ask] = useLazyJobQuery();
  const [chosen, setChosen] = useState<string>();
  const able = jobs.filter(({ plates }) => plates.some(isOnTarget));
  // Its own jobs come first, however long ago they were touched.
  const offered = [...onPress, ...able.filter(({ id }) => onPress.every((one) => one.id !== id))];
  const job = offered.find(({ id }) => id === chosen) ?? offered[0];
  if (!job) return null;
  return (
    <div className="mt-2 flex items-center gap-2">
      <span className="shrink-0 text-soft">For the inks and screens of</span>
      <Select
        label="Job to calibrate for"
        value={job.id}
        options={offered.map(({ id, name }) => ({ value: id, name }))}
        onChange={setChosen}
      />
      <Button
        title={
          entry.says === undefined
            ? undefined
            : 'What ships stays as it is: a copy of it is made, and measured'
        }
        onClick={() =>
          orSay(
            ask(job.id)
              .unwrap()
              .then(({ document }) => begin(entry, document.recipe))
              .then(({ press, calibration }) => navigate(`/presses/${press.id}/calibrations/${calibration}`)),
          )
        }
      >
        Calibrate
      </Button>
    </div>
  );
}

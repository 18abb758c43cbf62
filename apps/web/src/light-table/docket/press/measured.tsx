import { calibrated, gainOf, sameName, type JobPress } from '@brachytone/core';
import { targetInks, type KeptCalibration } from '@brachytone/job';
import { useNavigate } from 'react-router';
import { useCalibrationsQuery } from '../../../store/api.ts';
import { edit } from '../../../store/job-slice.ts';
import { orSay } from '../../../store/or-say.ts';
import { isEqual } from '../../../store/sharing.ts';
import { useAppDispatch } from '../../../store/store.ts';
import { useBeginCalibration } from '../../../store/use-begin-calibration.ts';
import { useDocument } from '../../../store/use-job.ts';
import type { RoomEntry } from '../../../store/use-room.ts';
import { dayWords } from '../../../words/day.ts';
import { isInUse } from '../../../store/in-use.ts';
import { Group, ResetButton } from '../group.tsx';

/** When the press was measured for the job's inks, its other calibrations, and a way to a new one. */
export function Measured({ chosen, room }: { chosen: JobPress; room: readonly RoomEntry[] }) {
  const dispatch = useAppDispatch();
  const navigate = useNavigate();
  const begin = useBeginCalibration();
  const { data: all = [] } = useCalibrationsQuery();
  const { recipe } = useDocument();
  const entry = room.find(({ id }) => id === chosen.id);
  const names = recipe.inks.map(({ name }) => name);
  const measured = chosen.press.inkGains.filter(
    ({ ink, calibrated }) => calibrated !== null && names.some((name) => sameName(name, ink)),
  );
  // What the room prints by is offered with the room's press.
  const offered = all
    .filter((one) => isOffered(one, chosen, names) && !(entry && isInUse(one, entry.press)))
    .toReversed();
  const take = (calibration: KeptCalibration) =>
    dispatch(
      edit(`Measured on ${calibration.stock.name}`, (draft) => {
        if (!draft.recipe.press) return;
        const next = calibrated(chosen.press, calibration, calibration.taken ?? calibration.made, true);
        draft.recipe.press.press = structuredClone(next) as typeof draft.recipe.press.press;
      }),
    );
  return (
    <Group
      name="Measured"
      aside={
        entry &&
        targetInks(recipe).length > 0 && (
          <ResetButton
            label="Calibrate…"
            onClick={() =>
              orSay(
                begin(entry, recipe).then(({ press, calibration }) => {
                  if (press.id !== chosen.id)
                    dispatch(
                      edit('Your press', (draft) => {
                        if (draft.recipe.press) draft.recipe.press.id = press.id;
                      }),
                    );
                  void navigate(`/presses/${press.id}/calibrations/${calibration}`);
                }),
              )
            }
          />
        )
      }
    >
      {measured.length === 0 ? (
        <p className="text-soft">
          Its curve is typical of such presses. Print and read a target to measure yours.
        </p>
      ) : (
        <p className="text-soft">
          {measured.map(({ ink, calibrated }) => `${ink}: ${dayWords(calibrated ?? '')}`).join(' · ')}
          {measured.length < recipe.plates.length && ' · the others as is usual'}
        </p>
      )}
      {offered.map((one) => (
        <p key={one.id} className="flex items-baseline gap-2 text-soft">
          <span className="min-w-0 truncate">
            On {one.stock.name}, {dayWords(one.made)}
          </span>
          <ResetButton label="Use it here" onClick={() => take(one)} />
        </p>
      ))}
    </Group>
  );
}

/** True for a calibration of the job's press that has a curve of one of its inks which the job does not print by. */
function isOffered(calibration: KeptCalibration, { id, press }: JobPress, names: readonly string[]): boolean {
  if (calibration.press !== id || calibration.source === null) return false;
  const next = calibrated(press, calibration, '', false);
  return names.some((name) => !isEqual(gainOf(next, name), gainOf(press, name)));
}

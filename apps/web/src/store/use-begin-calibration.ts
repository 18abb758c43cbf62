import type { Press, Recipe } from '@brachytone/core';
import { cutText, calibrationOfJob, pressOf } from '@brachytone/job';
import { useKeepCalibrationMutation, useKeepPressMutation } from './api.ts';
import type { RoomEntry } from './use-room.ts';

/** What was begun: the press it is of, which is a copy where the press ships, and the calibration. */
export interface BegunCalibration {
  readonly press: { readonly id: string; readonly press: Press };
  readonly calibration: string;
}

/** Begins a calibration of a press for the inks of a job in their screens. What ships stays as it is: a copy is made, and measured. */
export function useBeginCalibration(): (entry: RoomEntry, recipe: Recipe) => Promise<BegunCalibration> {
  const [keepPress] = useKeepPressMutation();
  const [keepCalibration] = useKeepCalibrationMutation();
  return async ({ id, press, says }, recipe) => {
    const own =
      says === undefined
        ? { id, press }
        : await keepPress({ ...press, name: `${cutText(press.name, 50)}, own` })
            .unwrap()
            .then((kept) => ({ id: kept.id, press: pressOf(kept) }));
    const begun = calibrationOfJob(recipe, own.id, new Date().toISOString());
    const { id: calibration } = await keepCalibration(begun).unwrap();
    return { press: own, calibration };
  };
}

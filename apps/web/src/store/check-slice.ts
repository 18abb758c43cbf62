import type { Finding, OfferedMend } from '@brachytone/core';
import { createSlice, type PayloadAction } from '@reduxjs/toolkit';

/** What the press check says of the open job. */
export interface CheckState {
  /** The last findings; null before the first. */
  readonly findings: readonly Finding[] | null;
  /** Seconds that they took. */
  readonly seconds: number;
  /** True while the job has changed since. */
  readonly stale: boolean;
  /** True where the last check came to nothing: it could not be made. */
  readonly failed: boolean;
  /** The finding whose places are outlined, and the place that is looked at. */
  readonly shown: { readonly says: string; readonly place: number } | null;
  /** The mend that is tried on the table, by its finding and its label: other findings may have one of the same label. */
  readonly tried: { readonly says: string; readonly label: string } | null;
  /** Id of the plate whose dial of angles is open. */
  readonly dial: string | null;
  /** True while it is asked whether films are to be made that will fail. */
  readonly asking: boolean;
}

const initialState: CheckState = {
  findings: null,
  seconds: 0,
  stale: false,
  failed: false,
  shown: null,
  tried: null,
  dial: null,
  asking: false,
};

const slice = createSlice({
  name: 'check',
  initialState,
  reducers: {
    checkBegun: (state) => ({ ...state, stale: true, failed: false }),
    checkFailed: (state) => ({ ...state, findings: null, stale: false, failed: true }),
    checked: (state, { payload }: PayloadAction<{ findings: readonly Finding[]; seconds: number }>) => ({
      ...state,
      ...payload,
      stale: false,
      shown: payload.findings.some(({ says }) => says === state.shown?.says) ? state.shown : null,
    }),
    findingShown: (state, { payload }: PayloadAction<CheckState['shown']>) => ({ ...state, shown: payload }),
    mendTried: (state, { payload }: PayloadAction<CheckState['tried']>) => ({ ...state, tried: payload }),
    dialOpened: (state, { payload }: PayloadAction<string | null>) => ({ ...state, dial: payload }),
    filmsAsked: (state, { payload }: PayloadAction<boolean>) => ({ ...state, asking: payload }),
    checkReset: () => initialState,
  },
});

export const checkReducer = slice.reducer;
export const {
  checkBegun,
  checkFailed,
  checked,
  findingShown,
  mendTried,
  dialOpened,
  filmsAsked,
  checkReset,
} = slice.actions;

/** The mend that is tried, as the last check has it; undefined where it is offered no longer. */
export const triedMend = ({ findings, tried }: CheckState): OfferedMend | undefined =>
  findings?.find(({ says }) => says === tried?.says)?.mends.find(({ label }) => label === tried?.label);

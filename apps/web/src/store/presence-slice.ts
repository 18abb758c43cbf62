import type { Presence } from '@brachytone/job';
import { createSlice, type PayloadAction } from '@reduxjs/toolkit';

/** Who has which job open. */
const slice = createSlice({
  name: 'presence',
  initialState: [] as readonly Presence[],
  reducers: { told: (_, { payload }: PayloadAction<readonly Presence[]>) => payload },
});

export const presenceReducer = slice.reducer;
export const { told } = slice.actions;

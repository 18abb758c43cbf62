import { configureStore, type ThunkAction, type UnknownAction } from '@reduxjs/toolkit';
import { useDispatch, useSelector } from 'react-redux';
import { api } from './api.ts';
import { checkReducer } from './check-slice.ts';
import { jobReducer } from './job-slice.ts';
import { presenceReducer } from './presence-slice.ts';
import { lookOnly } from './look-only.ts';
import { viewReducer } from './view-slice.ts';

export const store = configureStore({
  reducer: {
    job: jobReducer,
    view: viewReducer,
    check: checkReducer,
    presence: presenceReducer,
    [api.reducerPath]: api.reducer,
  },
  middleware: (defaults) =>
    defaults({ serializableCheck: false, immutableCheck: false }).concat(lookOnly, api.middleware),
});

export type AppStore = typeof store;
export type AppState = ReturnType<AppStore['getState']>;
export type AppDispatch = AppStore['dispatch'];
export type AppThunk<Result = void> = ThunkAction<Result, AppState, unknown, UnknownAction>;

export const useAppDispatch = useDispatch.withTypes<AppDispatch>();
export const useAppSelector = useSelector.withTypes<AppState>();

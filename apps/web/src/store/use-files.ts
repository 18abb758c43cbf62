import { filesOf } from '@brachytone/job';
import type { OriginalView } from '@brachytone/job';
import { useMemo } from 'react';
import { shallowEqual } from 'react-redux';
import { api } from './api.ts';
import { useAppSelector } from './store.ts';
import { useDocument } from './use-job.ts';

/** What is known of the files behind the job's originals, by SHA-256, as far as it has arrived. */
export function useFiles(): ReadonlyMap<string, OriginalView> {
  const { recipe } = useDocument();
  const names = filesOf(recipe).map(({ sha256 }) => sha256);
  const views = useAppSelector(
    (state) => names.map((name) => api.endpoints.original.select(name)(state).data),
    shallowEqual,
  );
  return useMemo(
    () => new Map(views.flatMap((view) => (view ? [[view.sha256, view] as const] : []))),
    [views],
  );
}

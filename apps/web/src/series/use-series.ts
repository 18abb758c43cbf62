import type { Series, SeriesView } from '@brachytone/job';
import { useEffect, useRef, useState } from 'react';
import { toast } from 'sonner';
import { sentenceOf } from '../store/api.ts';
import { useSaveSeriesMutation, useSeriesQuery } from '../store/series-api.ts';

/** A job's series as this window has it; changes are saved one after another. */
export function useSeries(job: string): {
  readonly view: SeriesView | undefined;
  readonly error: unknown;
  readonly change: (change: (series: Series) => Series) => void;
} {
  const { data, error, refetch } = useSeriesQuery(job, { refetchOnMountOrArgChange: true });
  const [save] = useSaveSeriesMutation();
  const [view, setView] = useState<SeriesView>();
  const latest = useRef<SeriesView>(undefined);
  const saving = useRef<Promise<void>>(Promise.resolve());
  const unsaved = useRef(0);
  useEffect(() => {
    // What is not saved yet is newer.
    if (!data || unsaved.current > 0) return;
    latest.current = data;
    setView(data);
  }, [data]);
  const change = (make: (series: Series) => Series) => {
    const now = latest.current;
    if (!now) return;
    latest.current = { ...now, series: make(now.series) };
    setView(latest.current);
    unsaved.current++;
    saving.current = saving.current.then(async () => {
      unsaved.current--;
      // Only the newest of several that wait is sent.
      const next = latest.current;
      if (unsaved.current > 0 || !next) return;
      const { data: saved, error: refused } = await save({
        job,
        revision: next.revision,
        series: next.series,
      });
      if (saved) {
        latest.current = { ...saved, series: latest.current?.series ?? saved.series };
        setView(latest.current);
      } else {
        toast.error(sentenceOf(refused));
        await refetch();
      }
    });
  };
  return { view, error, change };
}

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
  /** Whether a change is on its way to the server. */
  readonly unsaved: boolean;
  /** Settled once every change made so far has been answered: true where all is saved, false where the newest was refused. */
  readonly whenSaved: () => Promise<boolean>;
} {
  const { data, error, refetch } = useSeriesQuery(job, { refetchOnMountOrArgChange: true });
  const [save] = useSaveSeriesMutation();
  const [view, setView] = useState<SeriesView>();
  const latest = useRef<SeriesView>(undefined);
  const saving = useRef(Promise.resolve(true));
  const waiting = useRef(0);
  const [unsaved, setUnsaved] = useState(false);
  useEffect(() => {
    if (!unsaved) return;
    const ask = (event: BeforeUnloadEvent) => event.preventDefault();
    addEventListener('beforeunload', ask);
    return () => removeEventListener('beforeunload', ask);
  }, [unsaved]);
  useEffect(() => {
    // What is not saved yet is newer.
    if (!data || waiting.current > 0) return;
    latest.current = data;
    setView(data);
  }, [data]);
  const change = (make: (series: Series) => Series) => {
    const now = latest.current;
    if (!now) return;
    latest.current = { ...now, series: make(now.series) };
    setView(latest.current);
    waiting.current++;
    setUnsaved(true);
    saving.current = saving.current.then(async () => {
      waiting.current--;
      // Only the newest of several that wait is sent.
      const next = latest.current;
      if (waiting.current > 0 || !next) return true;
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
      setUnsaved(waiting.current > 0);
      return saved !== undefined;
    });
  };
  return { view, error, change, unsaved, whenSaved: () => saving.current };
}

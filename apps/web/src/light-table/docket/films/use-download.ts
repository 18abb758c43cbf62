import { useState } from 'react';
import { toast } from 'sonner';
import type { ProblemDetails } from '@brachytone/job';
import { saveNow } from '../../../store/autosave.ts';
import { useAppSelector } from '../../../store/store.ts';

/** Has something made of the open job, once it is saved, and puts it among the downloads. */
export function useDownload(): { download: (path: string) => void; busy: string | undefined } {
  const jobId = useAppSelector((state) => state.job?.id);
  const [busy, setBusy] = useState<string>();
  const run = async (path: string) => {
    setBusy(path);
    try {
      await saveNow();
      const response = await fetch(`/api/jobs/${jobId}/${path}`);
      if (!response.ok) throw new Error(((await response.json()) as ProblemDetails).detail);
      const name = /filename="?([^";]+)/.exec(response.headers.get('Content-Disposition') ?? '')?.[1];
      const url = URL.createObjectURL(await response.blob());
      Object.assign(document.createElement('a'), { href: url, download: name ?? 'job' }).click();
      URL.revokeObjectURL(url);
    } catch (error) {
      toast.error((error as Error).message);
    } finally {
      setBusy(undefined);
    }
  };
  return { download: (path) => void run(path), busy };
}

import { useState } from 'react';
import { toast } from 'sonner';
import { saveNow } from '../../../../store/autosave.ts';
import { sentenceOf } from '../../../../store/api.ts';
import { useAppSelector } from '../../../../store/store.ts';

/** Has the server make a file of the open job, and hands it to the browser to keep. */
export function useTakeFile() {
  const job = useAppSelector((state) => state.job?.id);
  const [busy, setBusy] = useState(false);
  const fetchFile = async (path: string, name: string, ending: string) => {
    setBusy(true);
    try {
      // The server makes it from what it has.
      await saveNow();
      const response = await fetch(`/api/jobs/${job}/${path}`);
      if (!response.ok) throw Object.assign(new Error(), { data: (await response.json()) as unknown });
      const link = document.createElement('a');
      link.href = URL.createObjectURL(await response.blob());
      link.download = `${name.replace(/\.[a-z0-9]{2,5}$/i, '')}.${ending}`;
      link.click();
      URL.revokeObjectURL(link.href);
    } catch (error) {
      toast.error(sentenceOf(error));
    } finally {
      setBusy(false);
    }
  };
  return {
    busy,
    /** @param path below the job's own address */
    take: (path: string, name: string, ending: string): void => void fetchFile(path, name, ending),
  };
}

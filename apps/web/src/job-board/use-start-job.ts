import { useState } from 'react';
import { useNavigate } from 'react-router';
import { toast } from 'sonner';
import { sentenceOf, useAddOriginalMutation, useStartJobMutation } from '../store/api.ts';

/** Brings a picture in and opens a new job with it. */
export function useStartJob(): { start: (files: readonly File[]) => void; busy: string | undefined } {
  const navigate = useNavigate();
  const [addOriginal] = useAddOriginalMutation();
  const [startJob] = useStartJobMutation();
  const [busy, setBusy] = useState<string>();
  const run = async (files: readonly File[]) => {
    const file = files[0];
    if (!file || busy) return;
    if (files.length > 1) toast(`A job starts from one picture: “${file.name}” was taken.`);
    setBusy(file.name);
    try {
      const { sha256 } = await addOriginal(file).unwrap();
      const job = await startJob({ sha256, name: file.name || 'picture' }).unwrap();
      void navigate(`/jobs/${job.id}/screens`);
    } catch (error) {
      toast.error(`“${file.name}”: ${sentenceOf(error)}`);
    } finally {
      setBusy(undefined);
    }
  };
  return { start: (files) => void run(files), busy };
}

import { asPainted, paintedLongest, pictureLike, type JobDocument, type OriginalView } from '@brachytone/job';
import { useState } from 'react';
import { useNavigate } from 'react-router';
import { toast } from 'sonner';
import {
  sentenceOf,
  useAddOriginalMutation,
  useCreateJobMutation,
  useLazyJobQuery,
  useOpenArchiveMutation,
  usePaintMutation,
  useStartJobMutation,
} from '../store/api.ts';
import { handFiles } from '../shell/handed-files.ts';

/** True for a ZIP, by its first bytes. */
async function isArchive(file: File): Promise<boolean> {
  const [p, k, third] = new Uint8Array(await file.slice(0, 4).arrayBuffer());
  return p === 0x50 && k === 0x4b && third < 8;
}

/** Brings a picture in and shows what it may become, or opens a new job like another with it; opens the job of an archive. */
export function useStartJob(): {
  /** @param like the job whose settings it is to have */
  start: (files: readonly File[], like?: string) => void;
  busy: string | undefined;
} {
  const navigate = useNavigate();
  const [addOriginal] = useAddOriginalMutation();
  const [startJob] = useStartJobMutation();
  const [createJob] = useCreateJobMutation();
  const [ask] = useLazyJobQuery();
  const [paint] = usePaintMutation();
  const [openArchive] = useOpenArchiveMutation();
  const [busy, setBusy] = useState<string>();
  /** A drawing with greys or colours is printed as tone. */
  const likeAnother = async (like: string, file: OriginalView & { name: string }): Promise<JobDocument> => {
    const document = pictureLike((await ask(like).unwrap()).document, file);
    if (!file.facts.shades) return document;
    const [drawing] = document.recipe.originals;
    const { sha256 } = await paint({ sha256: file.sha256, longest: paintedLongest(drawing) }).unwrap();
    return { ...document, recipe: { ...document.recipe, originals: [asPainted(drawing, sha256)] } };
  };
  const run = async (files: readonly File[], like: string | undefined) => {
    const file = files[0];
    if (!file || busy) return;
    // The first begins the job; where there are more, it is made with each of them.
    const forSeries = files.length > 1 ? files : [];
    setBusy(file.name);
    try {
      if (await isArchive(file)) {
        const job = await openArchive(file).unwrap();
        void navigate(`/jobs/${job.id}/screens`);
        return;
      }
      const { sha256, ...facts } = await addOriginal(file).unwrap();
      const name = file.name || 'picture';
      const isOriginal = facts.kind === 'picture' || facts.kind === 'drawing';
      if (like === undefined && isOriginal) {
        handFiles(sha256, forSeries);
        void navigate(`/first-look/${sha256}?${new URLSearchParams({ name }).toString()}`);
        return;
      }
      const job =
        like === undefined || !isOriginal
          ? await startJob({ picture: { sha256, name } }).unwrap()
          : await createJob(await likeAnother(like, { sha256, name, ...facts })).unwrap();
      handFiles(job.id, forSeries);
      void navigate(`/jobs/${job.id}/${forSeries.length > 0 ? 'series' : 'screens'}`);
    } catch (error) {
      toast.error(`“${file.name}”: ${sentenceOf(error)}`);
    } finally {
      setBusy(undefined);
    }
  };
  return { start: (files, like) => void run(files, like), busy };
}

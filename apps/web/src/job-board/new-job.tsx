import {
  emptyJob,
  jobLike,
  newGradient,
  newLettering,
  newTint,
  SHIPPED_TYPEFACES,
  type JobDocument,
} from '@brachytone/job';
import type { OriginalRecipe } from '@brachytone/core';
import { Dialog } from 'radix-ui';
import { useState } from 'react';
import { useNavigate } from 'react-router';
import { toast } from 'sonner';
import { Button } from '../controls/button.tsx';
import { Select } from '../controls/select.tsx';
import { SheetName, SheetSides } from '../controls/sheet-fields.tsx';
import { typefaceOf } from '../engine/use-typeface.ts';
import { sentenceOf, useCreateJobMutation, useLazyJobQuery } from '../store/api.ts';
import { ON_BOARD, useJobs } from '../store/use-jobs.ts';

interface Sheet {
  readonly width: number;
  readonly height: number;
}

/** The ink of a new job; with another job's settings the original goes to an ink of that one. */
const INK = 'ink-1';

/** What a job can begin with, but for files. */
const BEGINNINGS: readonly {
  readonly id: string;
  readonly name: string;
  readonly says: string;
  readonly make: (sheet: Sheet) => Promise<OriginalRecipe | null>;
}[] = [
  {
    id: 'empty',
    name: 'Empty sheet',
    says: 'Lay things on it one by one',
    make: () => Promise.resolve(null),
  },
  {
    id: 'gradient',
    name: 'Gradient',
    says: 'Tones made in place',
    make: (sheet) => Promise.resolve(newGradient('original-1', INK, sheet)),
  },
  {
    id: 'lettering',
    name: 'Lettering',
    says: 'In a heavy typeface, or your own',
    make: async (sheet) => {
      const [{ sha256 }] = SHIPPED_TYPEFACES;
      return newLettering('original-1', INK, sheet, sha256, await typefaceOf(sha256));
    },
  },
  {
    id: 'tint',
    name: 'Flat tint',
    says: 'One tone all over',
    make: (sheet) => Promise.resolve(newTint('original-1', INK, sheet)),
  },
];

/** What a new job begins with: a file, or a sheet with something on it; as usual, or with another job's settings. */
export function NewJob({
  close,
  choose,
}: {
  close: () => void;
  /** Asks for a file to begin with; the job whose settings it is to have, if any. */
  choose: (like: string | undefined) => void;
}) {
  const [sheet, setSheet] = useState<Sheet>({ width: 210, height: 297 });
  const [like, setLike] = useState('');
  const [busy, setBusy] = useState(false);
  const { jobs } = useJobs(ON_BOARD);
  const [ask] = useLazyJobQuery();
  const [createJob] = useCreateJobMutation();
  const navigate = useNavigate();
  const start = async ({ name, make }: (typeof BEGINNINGS)[number]) => {
    setBusy(true);
    try {
      const original = await make(sheet);
      const called = original ? name : 'Untitled';
      const plain = emptyJob(called, sheet);
      const document: JobDocument = like
        ? jobLike((await ask(like).unwrap()).document, called, sheet, original)
        : { ...plain, recipe: { ...plain.recipe, originals: original ? [original] : [] } };
      const job = await createJob(document).unwrap();
      void navigate(`/jobs/${job.id}/original`);
    } catch (error) {
      toast.error(sentenceOf(error));
      setBusy(false);
    }
  };
  const size = (width: number, height: number) => setSheet({ width, height });
  return (
    <Dialog.Root open onOpenChange={(open) => !open && close()}>
      <Dialog.Portal>
        <Dialog.Overlay className="fixed inset-0 z-20 bg-ink/20" />
        <Dialog.Content
          aria-describedby={undefined}
          className="fixed top-1/2 left-1/2 z-30 max-h-[calc(100vh-32px)] w-[560px] -translate-1/2 overflow-y-auto rounded-sm border border-ink bg-raised p-6"
        >
          <Dialog.Title className="mb-4 text-[18px]">New job</Dialog.Title>
          <div className="mb-5 flex items-center gap-2">
            <span className="w-[72px] text-soft">Settings</span>
            <div className="flex w-[280px]">
              <Select
                label="Settings"
                value={like}
                options={[
                  { value: '', name: 'as usual: black on white, 30 lpi' },
                  ...jobs.map(({ id, name }) => ({ value: id, name: `as in ${name}` })),
                ]}
                onChange={setLike}
              />
            </div>
          </div>
          <section className="border-t border-edge pt-4">
            <div className="mb-4 flex items-center gap-4">
              <div className="grow">
                <h3 className="text-[13.5px]">A picture or line art</h3>
                <p className="text-soft">The sheet takes the picture’s shape; nothing is cut off.</p>
              </div>
              <Button kind="main" disabled={busy} onClick={() => choose(like || undefined)}>
                Choose a file
              </Button>
            </div>
          </section>
          <section className="border-t border-edge pt-4">
            <div className="mb-3 flex items-center gap-2">
              <span className="w-[72px] text-soft">Sheet</span>
              <div className="flex w-[190px] gap-2">
                <SheetName sheet={sheet} onChange={size} />
              </div>
              <SheetSides sheet={sheet} onChange={size} />
            </div>
            <ul className="grid grid-cols-2 gap-2">
              {BEGINNINGS.map((one) => (
                <li key={one.id}>
                  <button
                    type="button"
                    disabled={busy}
                    aria-label={one.name}
                    className="w-full rounded-sm border border-edge bg-card px-3 py-2 text-left hover:border-ink disabled:opacity-40"
                    onClick={() => void start(one)}
                  >
                    <span className="block font-semibold">{one.name}</span>
                    <span className="block text-soft">{one.says}</span>
                  </button>
                </li>
              ))}
            </ul>
          </section>
          <div className="mt-5 flex justify-end">
            <Dialog.Close asChild>
              <Button>Cancel</Button>
            </Dialog.Close>
          </div>
        </Dialog.Content>
      </Dialog.Portal>
    </Dialog.Root>
  );
}

import { Dialog } from 'radix-ui';
import { useState } from 'react';
import { toast } from 'sonner';
import { Button } from '../controls/button.tsx';
import { sentenceOf } from '../store/api.ts';
import { edit } from '../store/job-slice.ts';
import { useAppDispatch, useAppSelector } from '../store/store.ts';
import { useLayTreatmentMutation, useTreatmentsQuery } from '../store/treatments-api.ts';
import { KeepTreatment } from './keep-treatment.tsx';
import { TreatmentCard } from './treatment-card.tsx';

const CARD = { width: 232, height: 150 };

/** The open job as it would print in every treatment: a click lays one on it, as one step. */
export function LayTreatment() {
  const [open, setOpen] = useState(false);
  return (
    <Dialog.Root open={open} onOpenChange={setOpen}>
      <Dialog.Trigger asChild>
        <Button>Treatments</Button>
      </Dialog.Trigger>
      <Dialog.Portal>
        <Dialog.Overlay className="fixed inset-0 z-20 bg-ink/20" />
        <Dialog.Content
          aria-describedby={undefined}
          className="fixed inset-x-10 top-8 bottom-8 z-30 mx-auto flex max-w-[1320px] flex-col rounded-sm border border-ink bg-card"
        >
          <Choice close={() => setOpen(false)} />
        </Dialog.Content>
      </Dialog.Portal>
    </Dialog.Root>
  );
}

function Choice({ close }: { close: () => void }) {
  const dispatch = useAppDispatch();
  const job = useAppSelector((state) => state.job);
  const { data: all = [], error } = useTreatmentsQuery();
  const [lay, { isLoading }] = useLayTreatmentMutation();
  if (!job) return null;
  const saved = job.save === 'saved';
  const pick = async (id: string, name: string) => {
    try {
      const { document, says } = await lay({ id, document: job.document }).unwrap();
      dispatch(edit(`Treatment: ${name}`, (draft) => void Object.assign(draft, { recipe: document.recipe })));
      for (const one of says) toast(one, { duration: 12_000 });
      close();
    } catch (refused) {
      toast.error(sentenceOf(refused));
    }
  };
  return (
    <>
      <header className="flex items-center gap-4 border-b border-edge px-5 py-3">
        <Dialog.Title className="text-[16px]">Treatments</Dialog.Title>
        <p className="min-w-0 grow truncate text-soft">
          One lays stock, inks, screens and tone on this job; pictures, texts and sheet stay.
        </p>
        <KeepTreatment />
        <Dialog.Close asChild>
          <Button>Close</Button>
        </Dialog.Close>
      </header>
      <div className="grow overflow-y-auto p-5">
        {error && <p className="text-ruby">{sentenceOf(error)}</p>}
        {!saved && <p className="mb-3 text-soft">The last change is being saved…</p>}
        <ul
          aria-label="Treatments of this job"
          className="grid grid-cols-[repeat(auto-fill,minmax(220px,1fr))] gap-3"
        >
          {saved &&
            all.map((one) => (
              <TreatmentCard
                key={one.id}
                treatment={one}
                on={{ job: job.id, revision: job.revision }}
                size={CARD}
                pick="Lay on"
                disabled={isLoading}
                onPick={() => void pick(one.id, one.name)}
              />
            ))}
        </ul>
      </div>
    </>
  );
}

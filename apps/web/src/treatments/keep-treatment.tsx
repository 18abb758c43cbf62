import { OWN_LEVELS, treatmentOf } from '@brachytone/job';
import { Popover } from 'radix-ui';
import { useId, useState } from 'react';
import { toast } from 'sonner';
import { Button } from '../controls/button.tsx';
import { Segmented } from '../controls/segmented.tsx';
import { SwitchRow } from '../controls/switch-row.tsx';
import { sentenceOf } from '../store/api.ts';
import { useAppSelector } from '../store/store.ts';
import { useKeepTreatmentMutation } from '../store/treatments-api.ts';
import { useFiles } from '../store/use-files.ts';

/** Keeps the open job's look as a treatment. */
export function KeepTreatment() {
  const [open, setOpen] = useState(false);
  return (
    <Popover.Root open={open} onOpenChange={setOpen}>
      <Popover.Trigger asChild>
        <Button kind="main">Keep this look…</Button>
      </Popover.Trigger>
      <Popover.Portal>
        <Popover.Content
          align="end"
          sideOffset={4}
          className="z-40 w-[340px] rounded-sm border border-ink bg-raised p-4"
        >
          <KeepFields done={() => setOpen(false)} />
        </Popover.Content>
      </Popover.Portal>
    </Popover.Root>
  );
}

function KeepFields({ done }: { done: () => void }) {
  const job = useAppSelector((state) => state.job);
  const files = useFiles();
  const [name, setName] = useState(job?.document.name.slice(0, 60) ?? '');
  const [says, setSays] = useState('');
  const [sizes, setSizes] = useState<'kept' | 'sheet'>('kept');
  const [ownLevels, setOwnLevels] = useState(
    job?.document.recipe.originals.some(({ tone }) => tone.steps.some(({ id }) => id === OWN_LEVELS)) ??
      false,
  );
  const [keep, { isLoading }] = useKeepTreatmentMutation();
  const ids = { name: useId(), says: useId() };
  if (!job) return null;
  const save = async () => {
    const kept = { name: name.trim(), says: says.trim(), sizes, ownLevels };
    try {
      await keep(treatmentOf(job.document, kept, files)).unwrap();
      toast(`“${name.trim()}” is on the shelf of treatments.`);
      done();
    } catch (error) {
      toast.error(sentenceOf(error));
    }
  };
  const field = 'mt-1 h-7 w-full rounded-sm border border-edge bg-white px-2 hover:border-soft';
  return (
    <form
      onSubmit={(event) => {
        event.preventDefault();
        if (name.trim() && !isLoading) void save();
      }}
    >
      <label htmlFor={ids.name}>Name</label>
      <input
        id={ids.name}
        className={field}
        maxLength={60}
        value={name}
        onChange={(event) => setName(event.target.value)}
      />
      <label htmlFor={ids.says} className="mt-3 block">
        What it does
      </label>
      <input
        id={ids.says}
        className={field}
        maxLength={200}
        placeholder="for whoever finds it on the shelf"
        value={says}
        onChange={(event) => setSays(event.target.value)}
      />
      <p className="mt-3 mb-1">Rulings and sizes on another sheet</p>
      <Segmented
        label="Rulings and sizes on another sheet"
        wide
        value={sizes}
        options={[
          { value: 'kept', label: 'Stay as they are', title: 'In lpi and mm, as a press needs them' },
          {
            value: 'sheet',
            label: 'Grow with it',
            title: 'As many dots across a large sheet as across a small one',
          },
        ]}
        onChange={setSizes}
      />
      <div className="mt-3">
        <SwitchRow label="Set levels by each picture’s own tones" on={ownLevels} onChange={setOwnLevels} />
      </div>
      <p className="mt-2 text-[12px] leading-4 text-soft">
        Pictures, crops, texts and what was painted by hand are not part of it.
      </p>
      <div className="mt-3 flex justify-end gap-2">
        <Button type="submit" kind="main" disabled={!name.trim() || isLoading}>
          Keep
        </Button>
      </div>
    </form>
  );
}

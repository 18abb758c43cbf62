import type { ToneStep } from '@brachytone/core';
import { PREPARATIONS, type Preparation } from '@brachytone/job';
import { X } from 'lucide-react';
import { toast } from 'sonner';
import { KeepForm } from '../../../controls/keep-form.tsx';
import { Menu, MenuAside, MenuHeading, MenuItem } from '../../../controls/menu.tsx';
import {
  sentenceOf,
  useDropPreparationMutation,
  useKeepPreparationMutation,
  usePreparationsQuery,
} from '../../../store/api.ts';
import { useEditOriginal, useTheOriginal } from '../../../store/use-original.ts';

/** A menu of ready-made lists of steps, the shelf's own among them; the chosen one takes the place of the steps there are. */
export function Preparations() {
  const change = useEditOriginal();
  const { data: kept = [] } = usePreparationsQuery();
  const [drop] = useDropPreparationMutation();
  const take = ({ name, steps }: Preparation) =>
    change(name, (draft) => {
      const list: ToneStep[] = steps.map((step, i) => ({ ...step, id: `step-${i + 1}`, on: true }));
      draft.tone.steps = structuredClone(list) as never;
    });
  return (
    <Menu label="Preparations">
      {kept.length > 0 && <MenuHeading>Your own</MenuHeading>}
      {kept.map((one) => (
        <div key={one.id} className="flex items-stretch">
          <div className="min-w-0 grow">
            <MenuItem name={one.name} says={one.says} onPick={() => take(one)} />
          </div>
          <MenuAside
            label={`Take ${one.name} off the shelf`}
            onPick={() =>
              void drop(one.id)
                .unwrap()
                .catch((error: unknown) => toast.error(sentenceOf(error)))
            }
          >
            <X size={13} />
          </MenuAside>
        </div>
      ))}
      {kept.length > 0 && <MenuHeading>Ready-made</MenuHeading>}
      {PREPARATIONS.map((one) => (
        <MenuItem key={one.name} name={one.name} says={one.says} onPick={() => take(one)} />
      ))}
    </Menu>
  );
}

/** Keeps the steps there are as a preparation, under a name that says what they do. */
export function KeepPreparation() {
  const { steps } = useTheOriginal().tone;
  const [keep, { isLoading }] = useKeepPreparationMutation();
  const on = steps.filter((step) => step.on);
  if (on.length === 0) return null;
  return (
    <KeepForm
      invitation="Keep these steps as a preparation…"
      label="Name of the preparation"
      busy={isLoading}
      keep={(name) =>
        keep({ name, says: '', steps: on.map(({ kind, settings }) => ({ kind, settings })) }).unwrap()
      }
    />
  );
}

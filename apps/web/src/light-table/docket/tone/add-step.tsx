import { freeId } from '@brachytone/job';
import { startOf, STEP_KINDS, type StepKind, type ToneStep } from '@brachytone/core';
import { Plus } from 'lucide-react';
import { Menu, MenuItem } from '../../../controls/menu.tsx';
import { useAppDispatch } from '../../../store/store.ts';
import { useEditOriginal, useTheOriginal } from '../../../store/use-original.ts';
import { openStep } from '../../../store/view-slice.ts';

/** A menu of every kind of tone step; the chosen one comes last, with its card open. */
export function AddStep() {
  const dispatch = useAppDispatch();
  const change = useEditOriginal();
  const { steps } = useTheOriginal().tone;
  const add = (kind: StepKind) => {
    const id = freeId('step', steps);
    change(`Add ${kind.name.toLowerCase()}`, (draft) => {
      draft.tone.steps.push({ id, kind: kind.kind, on: true, settings: startOf(kind) } as ToneStep as never);
    });
    dispatch(openStep(id));
  };
  return (
    <Menu
      label={
        <>
          <Plus size={13} /> Add a step
        </>
      }
    >
      {STEP_KINDS.map((kind) => (
        <MenuItem key={kind.kind} name={kind.name} says={kind.says} onPick={() => add(kind)} />
      ))}
    </Menu>
  );
}

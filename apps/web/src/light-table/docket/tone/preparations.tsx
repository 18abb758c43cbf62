import type { ToneStep } from '@brachytone/core';
import { PREPARATIONS, type Preparation } from '@brachytone/job';
import { Menu, MenuItem } from '../../../controls/menu.tsx';
import { useEditOriginal } from '../../../store/use-original.ts';

/** A menu of ready-made lists of steps; the chosen one takes the place of the steps there are. */
export function Preparations() {
  const change = useEditOriginal();
  const take = ({ name, steps }: Preparation) =>
    change(name, (draft) => {
      const list: ToneStep[] = steps.map((step, i) => ({ ...step, id: `step-${i + 1}`, on: true }));
      draft.tone.steps = structuredClone(list) as never;
    });
  return (
    <Menu label="Preparations">
      {PREPARATIONS.map((one) => (
        <MenuItem key={one.name} name={one.name} says={one.says} onPick={() => take(one)} />
      ))}
    </Menu>
  );
}

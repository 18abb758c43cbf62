import type { Gradient } from '@brachytone/core';
import { useEditOriginal, useTheOriginal } from '../../../store/use-original.ts';
import { Group } from '../group.tsx';
import { GradientControls } from './gradient-controls.tsx';

/** An original that is a gradient. */
export function GradientGroup() {
  const original = useTheOriginal();
  const change = useEditOriginal();
  return (
    <Group name="Gradient">
      <GradientControls
        colours
        gradient={original.content as Gradient}
        set={(part, gesture = null) =>
          change('Gradient', (draft) => void Object.assign(draft.content, part), gesture)
        }
      />
    </Group>
  );
}

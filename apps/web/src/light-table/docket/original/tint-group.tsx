import type { Tint } from '@brachytone/core';
import { SliderRow } from '../../../controls/slider-row.tsx';
import { useEditOriginal, useTheOriginal } from '../../../store/use-original.ts';
import { PERCENT } from '../../../words/quantity.ts';
import { Group } from '../group.tsx';

/** An original that is one tone all over. */
export function TintGroup() {
  const { tone } = useTheOriginal().content as Tint;
  const change = useEditOriginal();
  return (
    <Group name="Flat tint">
      <SliderRow
        label="Tone"
        value={tone}
        unit={PERCENT}
        least={0}
        most={100}
        onChange={(next, gesture) =>
          change(
            'Tone of the tint',
            (draft) => void ((draft.content as { tone: number }).tone = next),
            gesture,
          )
        }
      />
    </Group>
  );
}

import type { LineWork, PictureContent } from '@brachytone/core';
import { LIMITS } from '@brachytone/job';
import { PERCENT, pixelsOf } from '../../../words/quantity.ts';
import { Segmented } from '../../../controls/segmented.tsx';
import { SliderRow } from '../../../controls/slider-row.tsx';
import { useEditOriginal, useTheOriginal } from '../../../store/use-original.ts';
import { Group } from '../group.tsx';

const START: LineWork = { threshold: 50, smooth: 0.8 };

/** Whether a picture is screened, or is line art that prints with hard edges. */
export function LineGroup({ ppi }: { ppi: number }) {
  const original = useTheOriginal();
  const change = useEditOriginal();
  const { line } = original.content as PictureContent;
  const set = (next: LineWork | null, gesture: string | null = null) =>
    change('Line work', (draft) => void ((draft.content as { line: LineWork | null }).line = next), gesture);
  return (
    <Group name="Print as">
      <Segmented
        label="Print as"
        value={line ? 'line' : 'tone'}
        wide
        options={[
          { value: 'tone', label: 'Tone', title: 'Screened into dots' },
          { value: 'line', label: 'Line work', title: 'Solid with hard edges, never screened' },
        ]}
        onChange={(next) => set(next === 'line' ? START : null)}
      />
      {line && (
        <>
          <SliderRow
            label="Edge at"
            value={line.threshold}
            unit={PERCENT}
            least={0}
            most={100}
            onChange={(threshold, gesture) => set({ ...line, threshold }, gesture)}
          />
          <SliderRow
            label="Rounding"
            value={line.smooth}
            unit={pixelsOf(ppi)}
            {...LIMITS.smooth}
            usual={[0, 6]}
            onChange={(smooth, gesture) => set({ ...line, smooth }, gesture)}
          />
        </>
      )}
    </Group>
  );
}

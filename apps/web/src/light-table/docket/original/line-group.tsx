import type { LineWork, PictureContent } from '@brachytone/core';
import { LIMITS } from '@brachytone/job';
import { useLengthUnits } from '../../../store/use-length-unit.ts';
import { PERCENT } from '../../../words/quantity.ts';
import { Segmented } from '../../../controls/segmented.tsx';
import { SliderRow } from '../../../controls/slider-row.tsx';
import { useEditOriginal, useTheOriginal } from '../../../store/use-original.ts';
import { Button } from '../../../controls/button.tsx';
import { Group } from '../group.tsx';
import { usePainted } from './use-painted.ts';

const START: LineWork = { threshold: 50, smooth: 0.8 };

export const PRINT_AS = [
  { value: 'tone', label: 'Tone', title: 'Screened into dots' },
  { value: 'line', label: 'Line work', title: 'Solid with hard edges, never screened' },
] as const;

/** Whether a picture is screened, or is line art that prints with hard edges. */
export function LineGroup({ ppi }: { ppi: number }) {
  const { pixels } = useLengthUnits(ppi);
  const original = useTheOriginal();
  const change = useEditOriginal();
  const { isPainted, isCoarse, isBusy, toLines, finer } = usePainted();
  const { line } = original.content as PictureContent;
  const set = (next: LineWork | null, gesture: string | null = null) =>
    change('Line work', (draft) => void ((draft.content as { line: LineWork | null }).line = next), gesture);
  return (
    <Group name="Print as">
      <Segmented
        label="Print as"
        value={line ? 'line' : 'tone'}
        wide
        options={PRINT_AS}
        onChange={(next) => {
          if (next === 'line' && isPainted) toLines();
          else set(next === 'line' ? START : null);
        }}
      />
      {isPainted && (isCoarse || isBusy) && (
        <div className="mt-2 flex items-center justify-between gap-2">
          <p className="text-soft">It was painted for a smaller size.</p>
          <Button disabled={isBusy} onClick={() => void finer()}>
            {isBusy ? 'Being painted…' : 'Paint it finer'}
          </Button>
        </div>
      )}
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
            unit={pixels}
            {...LIMITS.smooth}
            usual={[0, 6]}
            onChange={(smooth, gesture) => set({ ...line, smooth }, gesture)}
          />
        </>
      )}
    </Group>
  );
}

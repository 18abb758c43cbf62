import { useOriginal } from '../../../store/use-original.ts';
import { Row } from '../group.tsx';
import { BandsChart } from './bands-chart.tsx';
import type { ControlsProps } from './step-controls.tsx';
import { useHistogram } from './use-histogram.ts';

/** So many thresholds, evenly spread. */
const even = (count: number): number[] =>
  Array.from({ length: count }, (_, i) => Math.round(((i + 1) * 1000) / (count + 1)) / 10);

/** Two to six flat tones, parted on the histogram. */
export function BandsControls({ step, before, set }: ControlsProps) {
  const bins = useHistogram(useOriginal(), before);
  const thresholds = step.settings.thresholds as readonly number[];
  return (
    <>
      <BandsChart
        bins={bins}
        thresholds={thresholds}
        onChange={(next, gesture) => set({ thresholds: next }, gesture)}
      />
      <Row label="Tones">
        <div role="radiogroup" aria-label="Number of tones" className="flex gap-1">
          {[2, 3, 4, 5, 6].map((count) => (
            <button
              key={count}
              type="button"
              role="radio"
              aria-checked={thresholds.length === count - 1}
              className="figures h-6 w-8 rounded-sm border border-edge bg-white hover:border-soft aria-checked:border-ink aria-checked:outline-1 aria-checked:outline-ink"
              onClick={() => set({ thresholds: even(count - 1) }, `tones-${Date.now()}`)}
            >
              {count}
            </button>
          ))}
        </div>
      </Row>
    </>
  );
}

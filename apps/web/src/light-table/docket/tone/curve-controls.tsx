import { STRAIGHT, type CurvePoint } from '@brachytone/core';
import { useOriginal } from '../../../store/use-original.ts';
import { useDocument } from '../../../store/use-job.ts';
import { ResetButton } from '../group.tsx';
import { CurveChart } from './curve-chart.tsx';
import type { ControlsProps } from './step-controls.tsx';
import { useHistogram } from './use-histogram.ts';

/** The curve over the tones that come to it. */
export function CurveControls({ step, before, set }: ControlsProps) {
  const bins = useHistogram(useOriginal(), before);
  const { smallest, largest } = useDocument().recipe.plates[0].screen;
  return (
    <>
      <CurveChart
        bins={bins}
        points={step.settings.points as readonly CurvePoint[]}
        limits={{ smallest, largest }}
        onChange={(points, gesture) => set({ points }, gesture)}
      />
      <div className="mt-1 text-right">
        <ResetButton label="Straighten" onClick={() => set({ points: STRAIGHT }, `straight-${Date.now()}`)} />
      </div>
    </>
  );
}

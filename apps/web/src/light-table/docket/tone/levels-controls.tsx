import { stepKind, type Levels, present } from '@brachytone/core';
import { useOriginal } from '../../../store/use-original.ts';
import { useDocument } from '../../../store/use-job.ts';
import { LevelsChart } from './levels-chart.tsx';
import { FieldRow } from '../field-row.tsx';
import type { ControlsProps } from './step-controls.tsx';
import { stepPath } from './step-path.ts';
import { useHistogram } from './use-histogram.ts';

/** Levels over the histogram of the tones that come to them. */
export function LevelsControls(props: ControlsProps) {
  const original = useOriginal();
  const bins = useHistogram(original, props.before);
  const { originals, plates } = useDocument().recipe;
  const { smallest, largest } = plates[0].screen;
  const { mid, floor, ceiling } = stepKind('levels').fields;
  return (
    <>
      <LevelsChart
        bins={bins}
        levels={props.step.settings as unknown as Levels}
        limits={{ smallest, largest }}
        onChange={(change, gesture) => props.set({ ...change }, gesture)}
      />
      {Object.entries({ mid, floor, ceiling }).map(([name, field]) => (
        <FieldRow
          key={name}
          name={name}
          field={field}
          settings={props.step.settings}
          path={stepPath(originals.indexOf(present(original, 'original of these tones')), props.before)}
          set={(_, change, gesture) => props.set(change, gesture)}
        />
      ))}
    </>
  );
}

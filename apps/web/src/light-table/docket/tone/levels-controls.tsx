import { levelEnds, stepKind, type Levels, present } from '@brachytone/core';
import { useOriginal } from '../../../store/use-original.ts';
import { useDocument } from '../../../store/use-job.ts';
import { useState } from 'react';
import { Button } from '../../../controls/button.tsx';
import { NumberField } from '../../../controls/number-field.tsx';
import { PERCENT } from '../../../words/quantity.ts';
import { Row } from '../group.tsx';
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
  const [clipped, setClipped] = useState(0.5);
  const { bare, solid } = props.step.settings as unknown as Levels;
  const picture = (tone: number) => Number((100 - tone).toFixed(1));
  return (
    <>
      <LevelsChart
        bins={bins}
        levels={props.step.settings as unknown as Levels}
        limits={{ smallest, largest }}
        onChange={(change, gesture) => props.set({ ...change }, gesture)}
      />
      <p className="text-soft">
        In the picture: bare from {picture(bare)} % light on, solid from {picture(solid)} % down.
      </p>
      <Row label="Automatic">
        <NumberField
          label="Pixels left beyond each end"
          value={clipped}
          unit={PERCENT}
          least={0}
          most={20}
          onChange={setClipped}
        />
        <Button
          className="!h-6 !px-2"
          title="Sets both ends so that this share of the pixels becomes bare, and as many solid"
          disabled={!bins}
          onClick={() => bins && props.set({ ...levelEnds(bins, clipped) }, `level-ends-${Date.now()}`)}
        >
          Set the ends
        </Button>
      </Row>
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

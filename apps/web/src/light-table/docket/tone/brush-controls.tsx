import type { Stroke } from '@brachytone/core';
import { useLengthUnits } from '../../../store/use-length-unit.ts';
import { PERCENT } from '../../../words/quantity.ts';
import { Segmented } from '../../../controls/segmented.tsx';
import { SliderRow } from '../../../controls/slider-row.tsx';
import { useAppDispatch, useAppSelector } from '../../../store/store.ts';
import { useBrush } from '../../../store/use-brush.ts';
import { brushSet, pickStroke } from '../../../store/view-slice.ts';
import { ResetButton, Row } from '../group.tsx';
import { StrokeList } from '../stroke-list.tsx';
import type { ControlsProps } from './step-controls.tsx';

/** The brush, and the strokes made with it. A picked stroke is what the controls then change. */
export function BrushControls({ step, set }: ControlsProps) {
  const { largeMm } = useLengthUnits();
  const dispatch = useAppDispatch();
  const picked = useAppSelector((state) => state.view.stroke);
  const brush = useBrush();
  const strokes = step.settings.strokes as readonly Stroke[];
  const chosen = picked === null ? undefined : strokes[picked];
  const strength = chosen?.strength ?? brush.strength;
  const softness = chosen?.softness ?? brush.softness;
  const put = (next: Partial<Pick<Stroke, 'strength' | 'softness'>>, gesture: string) => {
    if (!chosen) dispatch(brushSet(next));
    else set({ strokes: strokes.map((one, i) => (i === picked ? { ...one, ...next } : one)) }, gesture);
  };
  return (
    <>
      <Row label="Brush">
        <Segmented
          label="What the brush does"
          value={strength < 0 ? 'lighten' : 'darken'}
          options={[
            { value: 'lighten', label: 'Lightens' },
            { value: 'darken', label: 'Darkens' },
          ]}
          onChange={(way) =>
            put({ strength: Math.abs(strength) * (way === 'lighten' ? -1 : 1) }, `way-${Date.now()}`)
          }
        />
      </Row>
      {!chosen && (
        <SliderRow
          label="Radius"
          value={brush.radius}
          unit={largeMm}
          least={0.2}
          most={500}
          usual={[0.5, 100]}
          ratio
          onChange={(radius) => dispatch(brushSet({ radius }))}
        />
      )}
      <SliderRow
        label="Strength"
        value={Math.abs(strength)}
        unit={PERCENT}
        least={1}
        most={100}
        onChange={(value, gesture) => put({ strength: value * (strength < 0 ? -1 : 1) }, gesture)}
      />
      <SliderRow
        label="Softness"
        value={softness}
        unit={PERCENT}
        least={0}
        most={100}
        onChange={(value, gesture) => put({ softness: value }, gesture)}
      />
      <StrokeList
        strokes={strokes}
        words={({ strength: by }) => `${by < 0 ? 'lightens' : 'darkens'} ${Math.abs(by)} %`}
        onRemove={(i) => set({ strokes: strokes.filter((_, k) => k !== i) }, `remove-${Date.now()}`)}
      />
      {chosen && (
        <div className="mt-1 text-right">
          <ResetButton label="Paint again" onClick={() => dispatch(pickStroke(null))} />
        </div>
      )}
    </>
  );
}

import type { Stroke } from '@brachytone/core';
import { X } from 'lucide-react';
import { MM, PERCENT } from '../../../controls/quantity.ts';
import { Segmented } from '../../../controls/segmented.tsx';
import { SliderRow } from '../../../controls/slider-row.tsx';
import { useAppDispatch, useAppSelector } from '../../../store/store.ts';
import { brushSet, pickStroke } from '../../../store/view-slice.ts';
import { ResetButton, Row } from '../group.tsx';
import type { ControlsProps } from './step-controls.tsx';

/** The brush, and the strokes made with it. A picked stroke is what the controls then change. */
export function BrushControls({ step, set }: ControlsProps) {
  const dispatch = useAppDispatch();
  const { brush, stroke: picked } = useAppSelector((state) => state.view);
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
          unit={MM}
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
      {strokes.length === 0 ? (
        <p className="text-soft">
          Paint on the table. Each stroke stays, and can be changed or taken away here.
        </p>
      ) : (
        <ul className="mt-1 max-h-32 overflow-y-auto border-t border-edge/70 pt-1">
          {strokes.map((one, i) => (
            <li key={i} className="flex h-6 items-center">
              <button
                type="button"
                aria-pressed={i === picked}
                className="flex h-full grow items-center gap-2 px-1 text-left hover:bg-white aria-pressed:bg-white aria-pressed:font-semibold"
                onClick={() => dispatch(pickStroke(i === picked ? null : i))}
              >
                <span>Stroke {i + 1}</span>
                <span className="figures ml-auto text-soft">
                  {one.strength < 0 ? 'lightens' : 'darkens'} {Math.abs(one.strength)} %
                </span>
              </button>
              <button
                type="button"
                aria-label={`Remove stroke ${i + 1}`}
                className="flex h-full w-6 items-center justify-center text-soft hover:text-ruby"
                onClick={() => {
                  dispatch(pickStroke(null));
                  set({ strokes: strokes.filter((_, k) => k !== i) }, `remove-${Date.now()}`);
                }}
              >
                <X size={13} />
              </button>
            </li>
          ))}
        </ul>
      )}
      {chosen && (
        <div className="mt-1 text-right">
          <ResetButton label="Paint again" onClick={() => dispatch(pickStroke(null))} />
        </div>
      )}
    </>
  );
}

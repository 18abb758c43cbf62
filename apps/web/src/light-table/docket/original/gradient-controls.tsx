import type { Gradient, GradientStop } from '@brachytone/core';
import { Plus } from 'lucide-react';
import { useState } from 'react';
import { Button } from '../../../controls/button.tsx';
import { PERCENT } from '../../../words/quantity.ts';
import { Segmented } from '../../../controls/segmented.tsx';
import { SliderRow } from '../../../controls/slider-row.tsx';
import { ResetButton, Row } from '../group.tsx';
import { StopsBar } from './stops-bar.tsx';

const SHAPES: readonly { value: Gradient['shape']; label: string; title: string }[] = [
  { value: 'linear', label: 'Linear', title: 'From one place to another' },
  { value: 'radial', label: 'Radial', title: 'Outwards in circles' },
  { value: 'elliptical', label: 'Elliptical', title: 'Outwards in ellipses' },
  { value: 'points', label: 'Points', title: 'Tones set anywhere, blending into one another' },
];

/** A gradient's shape, stops and limit. Its handles are on the table. */
export function GradientControls({
  gradient,
  set,
  limited = true,
}: {
  gradient: Gradient;
  set: (part: Partial<Gradient>, gesture?: string | null) => void;
  /** False where full tone always is 100 %. */
  limited?: boolean;
}) {
  const [chosen, setChosen] = useState(0);
  const at = Math.min(chosen, (gradient.shape === 'points' ? gradient.points : gradient.stops).length - 1);
  const Part = gradient.shape === 'points' ? PointControls : StopControls;
  return (
    <>
      <Segmented
        label="Shape of the gradient"
        value={gradient.shape}
        options={SHAPES}
        wide
        onChange={(shape) => set({ shape })}
      />
      <div className="h-2" />
      <Part gradient={gradient} at={at} choose={setChosen} set={set} />
      {limited && (
        <>
          <SliderRow
            label="Darkest"
            value={gradient.limit}
            unit={PERCENT}
            least={0}
            most={100}
            onChange={(limit, gesture) => set({ limit }, gesture)}
          />
          <p className="text-soft">
            {gradient.limit < 100
              ? `100 % is made as ${gradient.limit} %.`
              : '100 % prints solid. For dots that never join set “Keep apart” under Screens.'}
          </p>
        </>
      )}
    </>
  );
}

interface PartProps {
  gradient: Gradient;
  at: number;
  choose: (at: number) => void;
  set: (part: Partial<Gradient>, gesture?: string | null) => void;
}

function StopControls({ gradient, at, choose, set }: PartProps) {
  const { stops } = gradient;
  const stop = stops[at];
  const change = (part: Partial<GradientStop>, gesture: string) =>
    set({ stops: stops.map((one, i) => (i === at ? { ...one, ...part } : one)) }, gesture);
  return (
    <>
      <StopsBar
        stops={stops}
        chosen={at}
        onChoose={choose}
        onChange={(next, gesture) => set({ stops: next }, gesture)}
      />
      <SliderRow
        label="Tone"
        value={stop.tone}
        unit={PERCENT}
        least={0}
        most={100}
        onChange={(tone, gesture) => change({ tone }, `${at}-${gesture}`)}
      />
      {at < stops.length - 1 && (
        <SliderRow
          label="Midpoint"
          value={stop.middle * 100}
          unit={PERCENT}
          least={2}
          most={98}
          onChange={(middle, gesture) => change({ middle: middle / 100 }, `${at}-${gesture}`)}
        />
      )}
      <Row label={`Stop ${at + 1} of ${stops.length}`}>
        <ResetButton
          label="Reverse"
          onClick={() =>
            set({
              stops: stops.toReversed().map((one, i, all) => ({
                at: 1 - one.at,
                tone: one.tone,
                middle: i < all.length - 1 ? 1 - all[i + 1].middle : 0.5,
              })),
            })
          }
        />
        {stops.length > 2 && (
          <ResetButton label="Remove" onClick={() => set({ stops: stops.filter((_, i) => i !== at) })} />
        )}
      </Row>
    </>
  );
}

function PointControls({ gradient, at, choose, set }: PartProps) {
  const { points } = gradient;
  return (
    <>
      <div className="mb-1.5 flex gap-1">
        {points.map((point, i) => {
          const grey = Math.round(255 * (1 - point.tone / 100));
          return (
            <button
              key={i}
              type="button"
              aria-label={`Point ${i + 1}, ${point.tone} %`}
              aria-pressed={i === at}
              onClick={() => choose(i)}
              className="size-6 rounded-full border border-edge aria-pressed:outline-2 aria-pressed:outline-guide"
              style={{ background: `rgb(${grey} ${grey} ${grey})` }}
            />
          );
        })}
        <Button
          aria-label="Add a point"
          className="!h-6 !px-1.5"
          disabled={points.length >= 24}
          onClick={() => {
            set({ points: [...points, { x: 0.5, y: 0.5, tone: 50 }] });
            choose(points.length);
          }}
        >
          <Plus size={13} />
        </Button>
      </div>
      <SliderRow
        label="Tone"
        value={points[at].tone}
        unit={PERCENT}
        least={0}
        most={100}
        onChange={(tone, gesture) =>
          set({ points: points.map((one, i) => (i === at ? { ...one, tone } : one)) }, `${at}-${gesture}`)
        }
      />
      <Row label={`Point ${at + 1} of ${points.length}`}>
        {points.length > 1 && (
          <ResetButton label="Remove" onClick={() => set({ points: points.filter((_, i) => i !== at) })} />
        )}
      </Row>
    </>
  );
}

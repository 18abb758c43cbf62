import {
  colourOf,
  gradientTones,
  isColoured,
  withShape,
  type Gradient,
  type GradientStop,
  type GradientTone,
} from '@brachytone/core';
import { Plus } from 'lucide-react';
import { useState } from 'react';
import { Button } from '../../../controls/button.tsx';
import { ColourField } from '../../../controls/colour-field.tsx';
import { Segmented } from '../../../controls/segmented.tsx';
import { SliderRow } from '../../../controls/slider-row.tsx';
import { PERCENT } from '../../../words/quantity.ts';
import { ResetButton, Row } from '../group.tsx';
import { GradientPlaces, PlaceRow } from './gradient-places.tsx';
import { cssColour, hexOf } from './gradient-colour.ts';
import { StopsBar } from './stops-bar.tsx';

const SHAPES: readonly { value: Gradient['shape']; label: string; title: string }[] = [
  { value: 'linear', label: 'Linear', title: 'From one place to another' },
  { value: 'radial', label: 'Radial', title: 'Outwards in circles' },
  { value: 'elliptical', label: 'Elliptical', title: 'Outwards in ellipses' },
  { value: 'points', label: 'Points', title: 'Tones set anywhere, blending into one another' },
];

/** A gradient's shape, stops, places and limit. Its handles are on the table. */
export function GradientControls({
  gradient,
  set,
  limited = true,
  colours = false,
}: {
  gradient: Gradient;
  set: (part: Partial<Gradient>, gesture?: string | null) => void;
  /** False where full tone always is 100 %. */
  limited?: boolean;
  /** True where it may have colours. */
  colours?: boolean;
}) {
  const [chosen, setChosen] = useState(0);
  const at = Math.min(chosen, gradientTones(gradient).length - 1);
  const Part = gradient.shape === 'points' ? PointControls : StopControls;
  const coloured = isColoured(gradient);
  const colourAll = (on: boolean) => {
    const one = <Tone extends GradientTone>({ colour: _, ...tone }: Tone) =>
      on ? { ...tone, colour: hexOf(colourOf(tone)) } : tone;
    set({
      stops: gradient.stops.map(one),
      points: gradient.points.map(one),
    });
  };
  return (
    <>
      <Segmented
        label="Shape of the gradient"
        value={gradient.shape}
        options={SHAPES}
        wide
        onChange={(shape) => set(withShape(gradient, shape))}
      />
      <div className="h-2" />
      {colours && (
        <Row label="Runs in">
          <Segmented
            label="What the gradient runs in"
            value={coloured ? 'colours' : 'tones'}
            options={[
              { value: 'tones', label: 'Tones' },
              {
                value: 'colours',
                label: 'Colours',
                title: 'For process inks, spot inks, or as it is on the stock; one ink takes their greys',
              },
            ]}
            onChange={(next) => colourAll(next === 'colours')}
          />
        </Row>
      )}
      <Part gradient={gradient} at={at} choose={setChosen} set={set} />
      {gradient.shape !== 'points' && <GradientPlaces gradient={gradient} set={set} />}
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

/** A tone, or the colour it has instead. */
function ToneRow({
  value,
  onChange,
}: {
  value: GradientTone;
  onChange: (part: GradientTone, gesture: string) => void;
}) {
  const { tone, colour } = value;
  if (colour !== undefined)
    return (
      <Row label="Colour">
        <ColourField
          label="Colour"
          value={colour}
          onChange={(next, gesture) => onChange({ tone, colour: next }, gesture)}
        />
      </Row>
    );
  return (
    <SliderRow
      label="Tone"
      value={tone}
      unit={PERCENT}
      least={0}
      most={100}
      onChange={(next, gesture) => onChange({ tone: next }, gesture)}
    />
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
      <ToneRow value={stop} onChange={(part, gesture) => change(part, `${at}-${gesture}`)} />
      <SliderRow
        label="Position"
        value={stop.at * 100}
        unit={PERCENT}
        least={(stops[at - 1]?.at ?? 0) * 100}
        most={(stops[at + 1]?.at ?? 1) * 100}
        usual={[0, 100]}
        onChange={(next, gesture) => change({ at: Math.min(1, Math.max(0, next / 100)) }, `${at}-${gesture}`)}
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
                ...one,
                at: 1 - one.at,
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
  const change = (part: Partial<Gradient['points'][number]>, gesture: string) =>
    set({ points: points.map((one, i) => (i === at ? { ...one, ...part } : one)) }, `${at}-${gesture}`);
  return (
    <>
      <div className="mb-1.5 flex flex-wrap gap-1">
        {points.map((point, i) => (
          <button
            key={i}
            type="button"
            aria-label={`Point ${i + 1}, ${point.colour ?? `${point.tone} %`}`}
            aria-pressed={i === at}
            onClick={() => choose(i)}
            className="size-6 rounded-full border border-edge aria-pressed:outline-2 aria-pressed:outline-guide"
            style={{ background: cssColour(colourOf(point)) }}
          />
        ))}
        <Button
          aria-label="Add a point"
          className="!h-6 !px-1.5"
          disabled={points.length >= 24}
          onClick={() => {
            const colour = isColoured(gradient) ? { colour: '#808080' } : {};
            set({ points: [...points, { x: 0.5, y: 0.5, tone: 50, ...colour }] });
            choose(points.length);
          }}
        >
          <Plus size={13} />
        </Button>
      </div>
      <ToneRow value={points[at]} onChange={change} />
      <PlaceRow
        label="Position"
        name={`Point ${at + 1}`}
        place={points[at]}
        onChange={(place) => change(place, 'place')}
      />
      <Row label={`Point ${at + 1} of ${points.length}`}>
        {points.length > 1 && (
          <ResetButton label="Remove" onClick={() => set({ points: points.filter((_, i) => i !== at) })} />
        )}
      </Row>
    </>
  );
}

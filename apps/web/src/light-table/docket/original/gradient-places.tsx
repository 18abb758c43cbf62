import { placedHeight, type Gradient } from '@brachytone/core';
import { NumberField } from '../../../controls/number-field.tsx';
import { useFiles } from '../../../store/use-files.ts';
import { useTheOriginal } from '../../../store/use-original.ts';
import { MM, PLAIN } from '../../../words/quantity.ts';
import { LIMITS } from '@brachytone/job';
import { Row } from '../group.tsx';

/** How far beyond its box a gradient's places may lie, as shares of it. */
const FARTHEST = { least: -5, most: 6 };

interface Place {
  readonly x: number;
  readonly y: number;
}

/** The box of the original that is worked on, mm; undefined while its picture is not known. */
function useBox(): { width: number; height: number } | undefined {
  const original = useTheOriginal();
  const { content, placement } = original;
  const file = useFiles().get(content.kind === 'picture' ? content.picture : '');
  if (content.kind === 'picture' && !file) return undefined;
  return { width: placement.width, height: placedHeight(original, file) };
}

/** A place of a gradient in mm from the left top of its original's box. */
export function PlaceRow({
  label,
  name,
  place,
  onChange,
}: {
  label: string;
  /** What the place is, for those who do not see the row. */
  name: string;
  place: Place;
  onChange: (place: Place) => void;
}) {
  const box = useBox();
  if (!box) return null;
  const number = (axis: 'x' | 'y', length: number, word: string) => (
    <NumberField
      label={`${name}, ${word}`}
      value={place[axis] * length}
      unit={MM}
      least={FARTHEST.least * length}
      most={FARTHEST.most * length}
      onChange={(mm) => onChange({ x: place.x, y: place.y, [axis]: mm / length })}
    />
  );
  return (
    <Row label={label}>
      {number('x', box.width, 'from the left')}
      {number('y', box.height, 'from the top')}
    </Row>
  );
}

/** Where a line, circle or ellipse begins and ends, typed. */
export function GradientPlaces({
  gradient,
  set,
}: {
  gradient: Gradient;
  set: (part: Partial<Gradient>) => void;
}) {
  const { shape, from, to, width } = gradient;
  const begins = shape === 'linear' ? 'Begins at' : 'Centre';
  const ends = shape === 'linear' ? 'Ends at' : 'Edge at';
  return (
    <>
      <PlaceRow label={begins} name={begins} place={from} onChange={(place) => set({ from: place })} />
      <PlaceRow label={ends} name={ends} place={to} onChange={(place) => set({ to: place })} />
      {shape === 'elliptical' && (
        <Row label="Width">
          <NumberField
            label="Width of the ellipse, share of its length"
            value={width}
            unit={PLAIN}
            {...LIMITS.ratio}
            onChange={(next) => set({ width: next })}
          />
          <span className="text-soft">of its length</span>
        </Row>
      )}
    </>
  );
}

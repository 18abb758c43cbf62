import { Slider } from 'radix-ui';
import { useRef } from 'react';
import type { NumberPath } from '../store/strip.ts';
import { useStripOf } from '../store/use-strip.ts';
import { NumberField } from './number-field.tsx';
import { RowLabel } from './row-label.tsx';
import { stepOf, type Unit } from '../words/quantity.ts';

interface Props {
  label: string;
  value: number;
  unit: Unit;
  least: number;
  most: number;
  /** Range of the slider where it is narrower than what may be typed. */
  usual?: readonly [number, number];
  /** True for numbers whose ratio counts: the slider then runs evenly in ratios. */
  ratio?: boolean;
  /** Where the number stands in the job, if it can be tried on a test strip. */
  path?: NumberPath | undefined;
  /** `gesture` is the same for all changes of one drag, so that they undo as one. */
  onChange: (value: number, gesture: string) => void;
}

let gestures = 0;
const newGesture = (label: string): string => `${label}-${(gestures += 1)}`;

/** The control every number has: a label, a slider, a number. */
export function SliderRow({
  label,
  value,
  unit,
  least,
  most,
  usual = [least, most],
  ratio,
  path,
  onChange,
}: Props) {
  const strip = useStripOf(path);
  const openStrip = () => strip.open({ label, unit, least, most, ratio: ratio === true }, value, usual);
  const gesture = useRef('');
  const byKey = useRef(false);
  const to = (v: number) => (ratio ? Math.log(Math.max(1e-6, v)) : v);
  const from = (v: number) => (ratio ? Math.exp(v) : v);
  const [low, high] = usual;
  const oneStep = stepOf(unit);
  const snap = (v: number) => Number((Math.round(v / oneStep) * oneStep).toFixed(4));
  const begin = (key: boolean) => {
    gesture.current = newGesture(label);
    byKey.current = key;
  };
  const move = (next: number) => {
    let to = snap(next);
    // A key press always moves by a step at least, however small a share of the slider that is.
    if (byKey.current && to === snap(value)) to = snap(value + Math.sign(next - value) * oneStep);
    onChange(Math.min(high, Math.max(low, to)), gesture.current);
  };
  return (
    <div className="flex h-7 items-center gap-2">
      <RowLabel label={label} also={unit.also} value={value} />
      <Slider.Root
        className="relative flex h-6 grow touch-none items-center"
        min={to(low)}
        max={to(high)}
        step={ratio ? (to(high) - to(low)) / 200 : oneStep}
        value={[Math.min(to(high), Math.max(to(low), to(value)))]}
        onPointerDown={() => begin(false)}
        onKeyDown={(event) => {
          begin(true);
          if (event.key === 't' && path) openStrip();
        }}
        onValueChange={([next]) => move(from(next))}
      >
        <Slider.Track className="relative h-px grow bg-soft" />
        <Slider.Thumb
          aria-label={label}
          className="block h-4 w-1.5 rounded-[1px] bg-ink hover:bg-guide-deep"
        />
      </Slider.Root>
      <NumberField
        label={`${label}, number`}
        value={value}
        unit={unit}
        least={least}
        most={most}
        onChange={(next) => onChange(next, newGesture(label))}
        {...(path ? { onStrip: openStrip } : {})}
      />
      {path && (
        <button
          type="button"
          aria-pressed={strip.active}
          aria-label={`Test strip of ${label.toLowerCase()}`}
          title={`Test strip of ${label.toLowerCase()} (T)`}
          onClick={openStrip}
          className="-ml-1 flex h-6 w-4 shrink-0 items-center justify-center gap-[2px] rounded-sm opacity-50 hover:opacity-100 aria-pressed:opacity-100"
        >
          {[0, 1, 2].map((bar) => (
            <span
              key={bar}
              className={`h-3 w-[2px] ${strip.active ? 'bg-guide-deep' : 'bg-ink'}`}
              style={{ opacity: 0.4 + 0.3 * bar }}
            />
          ))}
        </button>
      )}
    </div>
  );
}

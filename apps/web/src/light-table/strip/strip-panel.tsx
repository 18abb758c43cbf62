import { X } from 'lucide-react';
import { useEffect, useState } from 'react';
import { NumberField } from '../../controls/number-field.tsx';
import { Segmented } from '../../controls/segmented.tsx';
import { useAppDispatch, useAppSelector } from '../../store/store.ts';
import { stripOpened } from '../../store/view-slice.ts';
import { BANDS, valuesText, withSpan, withTyped, type Strip, type StripAxis } from '../../store/strip.ts';

/** What is tried, over which span, and where. */
export function StripPanel() {
  const dispatch = useAppDispatch();
  const strip = useAppSelector((state) => state.view.strip);
  useEffect(() => {
    const onKeyDown = (event: KeyboardEvent) => {
      if (event.key === 'Escape') dispatch(stripOpened(null));
    };
    addEventListener('keydown', onKeyDown);
    return () => removeEventListener('keydown', onKeyDown);
  }, [dispatch]);
  if (!strip) return null;
  const set = (change: Partial<Strip>) => dispatch(stripOpened({ ...strip, ...change }));
  return (
    <section aria-label="Test strip" className="shrink-0 border-b border-edge bg-raised">
      <header className="flex items-center justify-between border-b border-dashed border-edge px-3 py-2">
        <h3 className="text-[12.5px]">
          Test strip: {strip.across.label.toLowerCase()}
          {strip.down && ` by ${strip.down.label.toLowerCase()}`}
        </h3>
        <button
          type="button"
          aria-label="Put the strip away"
          className="text-soft hover:text-ink"
          onClick={() => dispatch(stripOpened(null))}
        >
          <X size={14} />
        </button>
      </header>
      <Axis axis={strip.across} name="across" set={(across) => set({ across })} />
      {strip.down && <Axis axis={strip.down} name="down" set={(down) => set({ down })} />}
      <div className="border-t border-dashed border-edge px-3 py-2">
        <Segmented
          label="What the bands show"
          wide
          value={strip.patch ? 'patch' : 'sheet'}
          options={[
            { value: 'sheet', label: 'Across the sheet' },
            { value: 'patch', label: 'The same patch' },
          ]}
          onChange={(shown) => set({ patch: shown === 'patch' })}
        />
        <p className="mt-2 leading-[18px] text-soft">
          Click a band to take its value.{' '}
          {!strip.down && 'Press the strip button of another number to try both at once. '}
          <kbd className="figures text-ink">Esc</kbd> puts the strip away.
        </p>
      </div>
    </section>
  );
}

/** The values themselves, to be typed. */
function ValuesField({ axis, set }: { axis: StripAxis; set: (axis: StripAxis) => void }) {
  const [typed, setTyped] = useState<string>();
  const [wrong, setWrong] = useState(false);
  const settle = () => {
    if (typed === undefined) return;
    const next = withTyped(axis, typed);
    setWrong(!next);
    if (!next) return;
    setTyped(undefined);
    if (typed !== valuesText(axis)) set(next);
  };
  return (
    <input
      aria-label={`${axis.label}, values`}
      aria-invalid={wrong}
      title={wrong ? 'Type two to six values, as in 5, 35, 50.' : undefined}
      className={`figures h-6 min-w-0 grow rounded-sm border bg-white px-1.5 text-right ${wrong ? 'border-ruby text-ruby' : 'border-edge hover:border-soft'}`}
      value={typed ?? valuesText(axis)}
      onChange={(event) => setTyped(event.target.value)}
      onFocus={(event) => event.target.select()}
      onBlur={settle}
      onKeyDown={(event) => {
        if (event.key === 'Enter') settle();
        if (event.key !== 'Escape') return;
        event.stopPropagation();
        setTyped(undefined);
        setWrong(false);
      }}
    />
  );
}

function Axis({ axis, name, set }: { axis: StripAxis; name: string; set: (axis: StripAxis) => void }) {
  const { unit, least, most } = axis;
  const field = (which: 'from' | 'to') => (
    <NumberField
      label={`${axis.label} ${which}`}
      value={axis[which]}
      unit={unit}
      least={least}
      most={most}
      onChange={(value) => set(withSpan(axis, { [which]: value }))}
      className="w-[80px]"
    />
  );
  return (
    <div className="border-t border-dashed border-edge px-3 py-2 first-of-type:border-t-0">
      <div className="flex items-center gap-1.5">
        <span className="text-soft">From</span> {field('from')} <span className="text-soft">to</span>{' '}
        {field('to')}
      </div>
      <div className="mt-1.5 flex items-center justify-between gap-2">
        <span className="text-soft">
          {axis.ratio ? 'Even ratios' : 'Even steps'} {name}
        </span>
        <Segmented
          label={`Number of bands ${name}`}
          value={String(axis.count)}
          options={Array.from({ length: BANDS.most - BANDS.least + 1 }, (_, i) => ({
            value: String(BANDS.least + i),
            label: String(BANDS.least + i),
          }))}
          onChange={(count) => set(withSpan(axis, { count: Number(count) }))}
        />
      </div>
      <label className="mt-1.5 flex items-center gap-2">
        <span className="text-soft">Values</span>
        <ValuesField axis={axis} set={set} />
      </label>
    </div>
  );
}

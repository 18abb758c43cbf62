import { boundsOf } from '../../../controls/bounds.ts';
import type { Levels } from '@brachytone/core';
import { useRef, type PointerEvent } from 'react';
import { NumberField } from '../../../controls/number-field.tsx';
import { PERCENT } from '../../../words/quantity.ts';
import { Histogram } from './histogram.tsx';

const WIDTH = 258;
const HEIGHT = 84;

/** Levels over the histogram: two marks to drag, the tones that become bare and solid. */
export function LevelsChart({
  bins,
  levels,
  limits,
  onChange,
}: {
  bins: readonly number[] | undefined;
  levels: Levels;
  /** Smallest and largest dot of the screen, percent. */
  limits: { smallest: number; largest: number };
  onChange: (change: Partial<Levels>, gesture: string) => void;
}) {
  const box = useRef<HTMLDivElement>(null);
  const drag = useRef<{ end: 'bare' | 'solid'; gesture: string }>(undefined);
  const set = (end: 'bare' | 'solid', value: number, gesture: string) => {
    const kept =
      end === 'bare'
        ? Math.min(levels.solid - 1, Math.max(0, value))
        : Math.max(levels.bare + 1, Math.min(100, value));
    onChange({ [end]: Math.round(kept * 10) / 10 }, gesture);
  };
  const move = (event: PointerEvent) => {
    if (!drag.current) return;
    const bounds = boundsOf(box);
    set(drag.current.end, ((event.clientX - bounds.left) / bounds.width) * 100, drag.current.gesture);
  };
  const mark = (end: 'bare' | 'solid', name: string) => (
    <button
      type="button"
      role="slider"
      aria-label={name}
      aria-valuenow={levels[end]}
      aria-valuemin={0}
      aria-valuemax={100}
      className="absolute -bottom-[9px] h-[calc(100%+9px)] w-3 -translate-x-1/2 touch-none"
      style={{ left: `${levels[end]}%` }}
      onPointerDown={(event) => {
        event.currentTarget.setPointerCapture(event.pointerId);
        drag.current = { end, gesture: `level-${end}-${Date.now()}` };
      }}
      onPointerMove={move}
      onPointerUp={() => (drag.current = undefined)}
      onKeyDown={(event) => {
        const step = { ArrowLeft: -1, ArrowRight: 1 }[event.key];
        if (step) set(end, levels[end] + step * (event.shiftKey ? 10 : 1), `level-key-${Date.now()}`);
      }}
    >
      <span className="absolute inset-y-0 left-1/2 bottom-[9px] w-px bg-ink" />
      <span className="absolute bottom-0 left-1/2 -translate-x-1/2 border-x-[5px] border-b-[9px] border-x-transparent border-b-ink" />
    </button>
  );
  return (
    <>
      <div
        ref={box}
        className="relative mb-3 border border-edge bg-white"
        style={{ width: WIDTH + 2, height: HEIGHT + 2 }}
      >
        {bins && <Histogram bins={bins} width={WIDTH} height={HEIGHT} />}
        {[limits.smallest, limits.largest]
          .filter((tone) => tone > 0 && tone < 100)
          .map((tone) => (
            <span key={tone} className="absolute inset-y-0 w-px bg-guide" style={{ left: `${tone}%` }} />
          ))}
        {mark('bare', 'Bare level')}
        {mark('solid', 'Solid level')}
      </div>
      <div className="mb-1 flex items-center gap-2">
        <span className="text-soft">bare</span>
        <NumberField
          label="Bare level, number"
          value={levels.bare}
          unit={PERCENT}
          least={0}
          most={99}
          onChange={(value) => set('bare', value, `level-${Date.now()}`)}
        />
        <span className="ml-auto text-soft">solid</span>
        <NumberField
          label="Solid level, number"
          value={levels.solid}
          unit={PERCENT}
          least={1}
          most={100}
          onChange={(value) => set('solid', value, `level-${Date.now()}`)}
        />
      </div>
    </>
  );
}

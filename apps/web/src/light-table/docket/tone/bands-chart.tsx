import { boundsOf } from '../../../controls/bounds.ts';
import { useRef, type PointerEvent } from 'react';
import { Histogram } from './histogram.tsx';
import { moveThreshold } from './thresholds.ts';

const WIDTH = 258;
const HEIGHT = 84;

/** The histogram cut into bands, each in the tone it comes out as; the cuts can be dragged. */
export function BandsChart({
  bins,
  thresholds,
  colours,
  onChange,
}: {
  bins: readonly number[] | undefined;
  thresholds: readonly number[];
  /** Colours of the bands; greys unless given, and the paper where there is none. */
  colours?: readonly (string | undefined)[];
  onChange: (thresholds: number[], gesture: string) => void;
}) {
  const box = useRef<HTMLDivElement>(null);
  const drag = useRef<{ at: number; gesture: string }>(undefined);
  const edges = [0, ...thresholds, 100];
  const move = (event: PointerEvent) => {
    if (!drag.current) return;
    const bounds = boundsOf(box);
    const to = ((event.clientX - bounds.left) / bounds.width) * 100;
    onChange(moveThreshold(thresholds, drag.current.at, to), drag.current.gesture);
  };
  return (
    <div
      ref={box}
      className="relative mb-2 border border-edge bg-white"
      style={{ width: WIDTH + 2, height: HEIGHT + 2 }}
    >
      {bins && <Histogram bins={bins} width={WIDTH} height={HEIGHT} />}
      <div className="absolute inset-x-0 bottom-0 flex h-2.5" aria-hidden="true">
        {edges.slice(1).map((edge, i) => {
          const grey = Math.round(255 * (1 - i / thresholds.length));
          return (
            <span
              key={i}
              style={{
                width: `${edge - edges[i]}%`,
                background: colours ? colours[i] : `rgb(${grey} ${grey} ${grey})`,
              }}
              className="border-t border-edge"
            />
          );
        })}
      </div>
      {thresholds.map((tone, at) => (
        <button
          key={at}
          type="button"
          role="slider"
          aria-label={`Threshold ${at + 1}`}
          aria-valuenow={tone}
          aria-valuemin={0}
          aria-valuemax={100}
          title={`${tone} %`}
          className="absolute inset-y-0 w-3 -translate-x-1/2 cursor-ew-resize touch-none"
          style={{ left: `${tone}%` }}
          onPointerDown={(event) => {
            event.currentTarget.setPointerCapture(event.pointerId);
            drag.current = { at, gesture: `threshold-${at}-${Date.now()}` };
          }}
          onPointerMove={move}
          onPointerUp={() => (drag.current = undefined)}
          onKeyDown={(event) => {
            const by = { ArrowLeft: -1, ArrowRight: 1 }[event.key];
            if (by)
              onChange(
                moveThreshold(thresholds, at, tone + by * (event.shiftKey ? 10 : 1)),
                `threshold-key-${Date.now()}`,
              );
          }}
        >
          <span className="absolute inset-y-0 left-1/2 w-px bg-ink" />
        </button>
      ))}
    </div>
  );
}

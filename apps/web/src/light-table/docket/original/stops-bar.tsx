import { boundsOf } from '../../../controls/bounds.ts';
import { colourAlong, colourOf, toneAlong, type GradientStop } from '@brachytone/core';
import { cssColour, hexOf } from './gradient-colour.ts';
import { useRef, type PointerEvent } from 'react';

const STEPS = 32;

/** A gradient as a bar with its stops below; press the bar for a new stop, drag stops along it. */
export function StopsBar({
  stops,
  chosen,
  onChoose,
  onChange,
}: {
  stops: readonly GradientStop[];
  chosen: number;
  onChoose: (at: number) => void;
  onChange: (stops: GradientStop[], gesture: string) => void;
}) {
  const box = useRef<HTMLDivElement>(null);
  const drag = useRef<{ at: number; gesture: string }>(undefined);
  const shareOf = (event: PointerEvent): number => {
    const bounds = boundsOf(box);
    return Math.min(1, Math.max(0, (event.clientX - bounds.left) / bounds.width));
  };
  const colours = Array.from({ length: STEPS + 1 }, (_, i) => cssColour(colourAlong(stops, i / STEPS)));
  const move = (at: number, to: number, gesture: string) => {
    const kept = Math.min(stops[at + 1]?.at ?? 1, Math.max(stops[at - 1]?.at ?? 0, to));
    onChange(
      stops.map((stop, i) => (i === at ? { ...stop, at: Math.round(kept * 1000) / 1000 } : stop)),
      gesture,
    );
  };
  return (
    <div ref={box} className="relative mx-1.5 mb-5 h-6">
      <div
        className="h-full border border-edge"
        title="Press for a new stop"
        style={{ background: `linear-gradient(to right, ${colours.join(',')})` }}
        onPointerDown={(event) => {
          const at = shareOf(event);
          if (stops.length >= 24) return;
          const after = stops.findIndex((stop) => stop.at > at);
          const place = after < 0 ? stops.length : after;
          const next = {
            at,
            tone: Math.round(toneAlong(stops, at)),
            middle: 0.5,
            ...(stops.some(({ colour }) => colour) ? { colour: hexOf(colourAlong(stops, at)) } : {}),
          };
          onChange([...stops.slice(0, place), next, ...stops.slice(place)], `stop-${Date.now()}`);
          onChoose(place);
        }}
      />
      {stops.map((stop, i) => (
        <button
          key={i}
          type="button"
          role="slider"
          aria-label={`Stop ${i + 1}`}
          aria-valuenow={Math.round(stop.at * 100)}
          aria-valuemin={0}
          aria-valuemax={100}
          className={`absolute top-full size-3.5 -translate-x-1/2 cursor-ew-resize touch-none rounded-sm border ${i === chosen ? 'border-ink outline-1 outline-ink' : 'border-soft'}`}
          style={{ left: `${stop.at * 100}%`, background: cssColour(colourOf(stop)) }}
          onPointerDown={(event) => {
            event.currentTarget.setPointerCapture(event.pointerId);
            drag.current = { at: i, gesture: `stop-${i}-${Date.now()}` };
            onChoose(i);
          }}
          onPointerMove={(event) => {
            if (drag.current?.at === i) move(i, shareOf(event), drag.current.gesture);
          }}
          onPointerUp={() => (drag.current = undefined)}
          onKeyDown={(event) => {
            const by = { ArrowLeft: -0.01, ArrowRight: 0.01 }[event.key];
            if (by) move(i, stop.at + by * (event.shiftKey ? 10 : 1), `stop-key-${Date.now()}`);
          }}
        />
      ))}
    </div>
  );
}

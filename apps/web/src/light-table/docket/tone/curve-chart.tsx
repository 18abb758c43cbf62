import { boundsOf } from '../../../controls/bounds.ts';
import { clamp, monotoneCurve, rounded, type CurvePoint, present } from '@brachytone/core';
import { useRef, useState, type KeyboardEvent, type PointerEvent } from 'react';
import { APART, movePoint } from './curve-points.ts';
import { Histogram } from './histogram.tsx';

const WIDTH = 258;
const HEIGHT = 168;
/** The tone curve over the finished tones: drag points, press the line for a new one, Delete takes one away. */
export function CurveChart({
  bins,
  points,
  limits,
  onChange,
  colour = '#1f1d1a',
  others = [],
}: {
  bins: readonly number[] | undefined;
  points: readonly CurvePoint[];
  limits: { smallest: number; largest: number };
  onChange: (points: CurvePoint[], gesture: string) => void;
  /** Colour of the curve. */
  colour?: string;
  /** Further curves, to be seen beside it. */
  others?: readonly { readonly points: readonly CurvePoint[]; readonly colour: string }[];
}) {
  const svg = useRef<SVGSVGElement>(null);
  const drag = useRef<{ at: number; gesture: string }>(undefined);
  const [chosen, setChosen] = useState<number>();
  const curve = monotoneCurve(points);
  const x = (tone: number) => (tone / 100) * WIDTH;
  const y = (tone: number) => HEIGHT - (tone / 100) * HEIGHT;
  const toTone = (event: PointerEvent): CurvePoint => {
    const bounds = boundsOf(svg);
    return {
      in: ((event.clientX - bounds.left) / bounds.width) * 100,
      out: (1 - (event.clientY - bounds.top) / bounds.height) * 100,
    };
  };
  const drawn = (of: (percent: number) => number): string =>
    Array.from(
      { length: 101 },
      (_, i) => `${i ? 'L' : 'M'}${x(i).toFixed(1)} ${y(clamp(of(i), 0, 100)).toFixed(1)}`,
    ).join('');
  const onPointerDown = (event: PointerEvent) => {
    const tone = toTone(event);
    const near = points.findIndex(
      (point) => Math.hypot(x(point.in) - x(tone.in), y(point.out) - y(tone.out)) < 10,
    );
    present(svg.current, 'chart').setPointerCapture(event.pointerId);
    const gesture = `curve-${Date.now()}`;
    if (near >= 0) {
      drag.current = { at: near, gesture };
      setChosen(near);
      return;
    }
    const at = points.findIndex((point) => point.in > tone.in);
    if (at < 1 || points.length >= 24) return;
    if (tone.in - points[at - 1].in < APART || points[at].in - tone.in < APART) return;
    onChange(
      [
        ...points.slice(0, at),
        { in: rounded(tone.in, 1), out: rounded(clamp(tone.out, 0, 100), 1) },
        ...points.slice(at),
      ],
      gesture,
    );
    drag.current = { at, gesture };
    setChosen(at);
  };
  const onKeyDown = (event: KeyboardEvent) => {
    if (chosen === undefined || !points[chosen]) return;
    const size = event.shiftKey ? 10 : event.altKey ? 0.1 : 1;
    const by = { ArrowLeft: [-1, 0], ArrowRight: [1, 0], ArrowUp: [0, 1], ArrowDown: [0, -1] }[event.key];
    if (by) {
      event.preventDefault();
      const point = points[chosen];
      onChange(
        movePoint(points, chosen, { in: point.in + by[0] * size, out: point.out + by[1] * size }),
        `curve-key-${Date.now()}`,
      );
    }
    const inner = chosen > 0 && chosen < points.length - 1;
    if ((event.key === 'Delete' || event.key === 'Backspace') && inner) {
      onChange(
        points.filter((_, i) => i !== chosen),
        `curve-delete-${Date.now()}`,
      );
      setChosen(undefined);
    }
  };
  return (
    <>
      <div className="relative border border-edge bg-white" style={{ width: WIDTH + 2, height: HEIGHT + 2 }}>
        {bins && <Histogram bins={bins} width={WIDTH} height={HEIGHT} />}
        <svg
          ref={svg}
          role="application"
          aria-label="Tone curve"
          tabIndex={0}
          viewBox={`0 0 ${WIDTH} ${HEIGHT}`}
          className="absolute inset-0 touch-none overflow-visible"
          width={WIDTH}
          height={HEIGHT}
          onPointerDown={onPointerDown}
          onPointerMove={(event) => {
            if (drag.current)
              onChange(movePoint(points, drag.current.at, toTone(event)), drag.current.gesture);
          }}
          onPointerUp={() => (drag.current = undefined)}
          onKeyDown={onKeyDown}
        >
          <g stroke="#1f1d1a" strokeOpacity="0.12">
            {[25, 50, 75].map((tone) => (
              <g key={tone}>
                <line x1={x(tone)} x2={x(tone)} y1="0" y2={HEIGHT} />
                <line x1="0" x2={WIDTH} y1={y(tone)} y2={y(tone)} />
              </g>
            ))}
          </g>
          <g stroke="#2f8fc4" strokeDasharray="2 3">
            {limits.smallest > 0 && (
              <line x1="0" x2={WIDTH} y1={y(limits.smallest)} y2={y(limits.smallest)} />
            )}
            {limits.largest < 100 && <line x1="0" x2={WIDTH} y1={y(limits.largest)} y2={y(limits.largest)} />}
          </g>
          {others.map((other, i) => (
            <path
              key={i}
              d={drawn(monotoneCurve(other.points))}
              fill="none"
              stroke={other.colour}
              strokeWidth="1.6"
              strokeOpacity="0.7"
            />
          ))}
          <path d={drawn(curve)} fill="none" stroke={colour} strokeWidth="2.2" />
          {points.map((point, i) => (
            <circle
              key={i}
              cx={x(point.in)}
              cy={y(point.out)}
              r="4.5"
              fill={chosen === i ? '#1f1d1a' : '#fff'}
              stroke="#1f1d1a"
              strokeWidth="1.6"
              className="cursor-grab"
            />
          ))}
        </svg>
      </div>
      <div className="mt-1 flex justify-between text-soft">
        <span>bare</span>
        {chosen !== undefined && points[chosen] && (
          <span className="figures text-ink">
            {points[chosen].in} → {points[chosen].out} %
          </span>
        )}
        <span>solid</span>
      </div>
    </>
  );
}

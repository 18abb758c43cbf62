import { Fragment } from 'react';
import type { Lie } from './geometry.ts';

/** Rulers at the sheet's edges, in the blue that never prints: a mark every 10 mm or so, longer ones named. */
export function Measures({
  lie,
  sheet,
  ratio,
}: {
  lie: Lie;
  sheet: { width: number; height: number };
  ratio: number;
}) {
  const scale = lie.scale / ratio;
  const left = lie.left / ratio;
  const top = lie.top / ratio;
  const width = lie.width / ratio;
  const height = lie.height / ratio;
  // Outside the bleed, where nothing is printed.
  const edge = { left: lie.film.left / ratio, top: lie.film.top / ratio };
  const step = [1, 2, 5, 10, 20, 50, 100, 200, 500].find((mm) => mm * scale >= 7) ?? 1000;
  const marks = (length: number) => Array.from({ length: Math.floor(length / step) + 1 }, (_, i) => i * step);
  const name = (mm: number) => (mm % (step * 5) === 0 ? 7 : 3.5);
  const bleed = lie.film.width - lie.width > 0.5;
  const mm = (value: number) => `${Number(value.toFixed(1))} mm`;
  return (
    <svg className="pointer-events-none absolute inset-0 size-full" aria-hidden="true">
      <g stroke="#1c638c" strokeWidth="1">
        {marks(sheet.width).map((at) => (
          <Fragment key={at}>
            <line
              x1={left + at * scale}
              x2={left + at * scale}
              y1={edge.top - 4}
              y2={edge.top - 4 - name(at)}
            />
          </Fragment>
        ))}
        {marks(sheet.height).map((at) => (
          <line
            key={at}
            y1={top + at * scale}
            y2={top + at * scale}
            x1={edge.left - 4}
            x2={edge.left - 4 - name(at)}
          />
        ))}
      </g>
      {bleed && (
        <rect
          x={left}
          y={top}
          width={width}
          height={height}
          fill="none"
          stroke="#2f8fc4"
          strokeWidth="1"
          strokeDasharray="7 4"
        />
      )}
      <g fill="#174f70" fontFamily="var(--font-mono)" fontSize="11.5">
        <text x={left + width / 2} y={edge.top - 15} textAnchor="middle">
          {mm(sheet.width)}
        </text>
        <text textAnchor="middle" transform={`translate(${edge.left - 17} ${top + height / 2}) rotate(-90)`}>
          {mm(sheet.height)}
        </text>
      </g>
    </svg>
  );
}

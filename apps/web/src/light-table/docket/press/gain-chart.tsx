import { gainCurve, type Gain } from '@brachytone/core';
import { CartesianGrid, Line, LineChart, ReferenceLine, Tooltip, XAxis, YAxis } from 'recharts';
import { AXIS, DIAGONAL } from './chart-style.ts';

/** A gain with the colour its line is drawn in. */
export interface DrawnGain {
  readonly name: string;
  readonly colour: string;
  readonly gain: Gain;
}

const STEPS = 50;

/**
 * What is printed of what is on the film, a line for each gain; dashed, what the films carry against it. All in percent.
 *
 * @param compensates true where films are made against the gain
 */
export function GainChart({
  gains,
  compensates,
  width,
  height,
}: {
  gains: readonly DrawnGain[];
  compensates: boolean;
  width: number;
  height: number;
}) {
  const curves = gains.map(({ gain }) => gainCurve(gain));
  const data = Array.from({ length: STEPS + 1 }, (_, i) => {
    const tone = i / STEPS;
    const row: Record<string, number> = { tone: 100 * tone };
    curves.forEach((curve, k) => {
      row[`prints ${k}`] = 100 * curve(tone);
      if (compensates) row[`film ${k}`] = 100 * filmFor(curve, tone);
    });
    return row;
  });
  return (
    <LineChart
      width={width}
      height={height}
      data={data}
      margin={{ top: 6, right: 8, bottom: 0, left: -28 }}
      accessibilityLayer={false}
    >
      <CartesianGrid stroke="#e5decb" />
      <XAxis dataKey="tone" type="number" domain={[0, 100]} ticks={[0, 50, 100]} {...AXIS} />
      <YAxis domain={[0, 100]} ticks={[0, 50, 100]} {...AXIS} />
      <ReferenceLine {...DIAGONAL} />
      <Tooltip
        isAnimationActive={false}
        cursor={{ stroke: '#2f8fc4', strokeWidth: 1 }}
        content={({ active, payload }) => {
          const row = active ? (payload[0]?.payload as Record<string, number> | undefined) : undefined;
          if (!row) return null;
          return (
            <div className="figures rounded-sm border border-ink bg-raised px-2 py-1 text-[11px]">
              {gains.map(({ name }, k) => (
                <div key={name}>
                  {gains.length > 1 && <span className="text-soft">{name}: </span>}
                  {compensates
                    ? `${row.tone.toFixed(0)} → film ${row[`film ${k}`].toFixed(0)} → ${row.tone.toFixed(0)} %`
                    : `film ${row.tone.toFixed(0)} → ${row[`prints ${k}`].toFixed(0)} %`}
                </div>
              ))}
            </div>
          );
        }}
      />
      {gains.map(({ name, colour }, k) => (
        <Line
          key={name}
          dataKey={`prints ${k}`}
          stroke={colour}
          strokeWidth={1.75}
          dot={false}
          isAnimationActive={false}
        />
      ))}
      {compensates &&
        gains.map(({ name, colour }, k) => (
          <Line
            key={name}
            dataKey={`film ${k}`}
            stroke={colour}
            strokeWidth={1.25}
            strokeDasharray="4 3"
            dot={false}
            isAnimationActive={false}
          />
        ))}
    </LineChart>
  );
}

/** The film that prints a tone, 0–1. */
function filmFor(curve: (film: number) => number, tone: number): number {
  let [low, high] = [0, 1];
  for (let turn = 0; turn < 24; turn++) {
    const middle = (low + high) / 2;
    if (curve(middle) < tone) low = middle;
    else high = middle;
  }
  return high;
}

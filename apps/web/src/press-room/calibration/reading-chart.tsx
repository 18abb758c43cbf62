import { gainCurve, type CalibratedInk, type FittedGain, type Gain } from '@brachytone/core';
import { CartesianGrid, ComposedChart, Line, ReferenceLine, Scatter, XAxis, YAxis } from 'recharts';
import { AXIS, DIAGONAL } from '../../light-table/docket/press/chart-style.ts';

const STEPS = 50;
const [LEFT_OUT, OUTLIER] = ['#b9b09c', '#a81f3d'];

/** What a mark of the chart is drawn by. */
interface MarkProps {
  readonly cx?: number;
  readonly cy?: number;
  readonly payload?: { readonly place: number; readonly film: number; readonly printed: number };
}

/**
 * An ink's readings with the curve through them, and dashed the curve the press had. A click on a reading leaves it out, or takes it in again.
 *
 * @param before the gain the press had of this ink
 */
export function ReadingChart({
  of,
  fitted,
  before,
  colour,
  width,
  height,
  onToggle,
}: {
  of: CalibratedInk;
  fitted: FittedGain | undefined;
  before: Gain;
  colour: string;
  width: number;
  height: number;
  onToggle: (place: number) => void;
}) {
  const old = gainCurve(before);
  const now = fitted && gainCurve({ by: 'points', points: fitted.points });
  const lines = Array.from({ length: STEPS + 1 }, (_, i) => {
    const film = i / STEPS;
    return { film: 100 * film, before: 100 * old(film), ...(now ? { now: 100 * now(film) } : {}) };
  });
  const marks = of.readings.map(({ film, printed }, place) => ({ film, printed, place }));
  const drawMark = ({ cx, cy, payload }: MarkProps) => {
    if (!payload) return null;
    const { place, film, printed } = payload;
    const isOut = of.without.includes(place);
    const isFar = fitted?.outliers.includes(place) ?? false;
    return (
      <circle
        key={place}
        cx={cx}
        cy={cy}
        r={3.2}
        fill={isOut || isFar ? '#f6f1e6' : colour}
        fillOpacity={0.75}
        stroke={isOut ? LEFT_OUT : isFar ? OUTLIER : colour}
        role="button"
        aria-pressed={isOut}
        aria-label={`Reading ${place + 1}: ${film} % prints as ${printed.toFixed(1)} %`}
        className="cursor-pointer"
        tabIndex={0}
        onClick={() => onToggle(place)}
        onKeyDown={(event) => {
          if (event.key === 'Enter') onToggle(place);
        }}
      >
        <title>
          {`${film} % on the film prints as ${printed.toFixed(1)} %. `}
          {isOut
            ? 'Left out; click to use it.'
            : isFar
              ? 'Too far off: left out automatically.'
              : 'Click to leave it out.'}
        </title>
      </circle>
    );
  };
  return (
    <ComposedChart
      width={width}
      height={height}
      data={lines}
      margin={{ top: 6, right: 10, bottom: 0, left: -22 }}
      accessibilityLayer={false}
    >
      <CartesianGrid stroke="#e5decb" />
      <XAxis dataKey="film" type="number" domain={[0, 100]} ticks={[0, 25, 50, 75, 100]} {...AXIS} />
      <YAxis type="number" domain={[0, 100]} ticks={[0, 25, 50, 75, 100]} {...AXIS} />
      <ReferenceLine {...DIAGONAL} />
      <Line
        dataKey="before"
        stroke="#625c50"
        strokeWidth={1.25}
        strokeDasharray="4 3"
        dot={false}
        activeDot={false}
        isAnimationActive={false}
      />
      {now && (
        <Line
          dataKey="now"
          stroke={colour}
          strokeWidth={1.75}
          dot={false}
          activeDot={false}
          isAnimationActive={false}
        />
      )}
      {marks.length > 0 && (
        <Scatter data={marks} dataKey="printed" isAnimationActive={false} shape={drawMark as never} />
      )}
    </ComposedChart>
  );
}

import { memo } from 'react';
import { Bar, BarChart, YAxis } from 'recharts';

/** Shares of tones from bare (left) to solid (right), on a place of so many pixels. */
export interface HistogramProps {
  readonly bins: readonly number[];
  readonly width: number;
  readonly height: number;
}

/**
 * The bars of a histogram. Single towering bins are cut so that the rest can be read. They are drawn again only when the tones
 * have been counted again: a slider's first picture does not wait for them.
 */
export const HistogramBars = memo(function HistogramBars({ bins, width, height }: HistogramProps) {
  const sorted = [...bins].sort((a, b) => b - a);
  const most = Math.max(1e-6, Math.min(sorted[0], (sorted[3] ?? 0) * 1.35 || sorted[0]));
  const data = bins.map((share, i) => ({ i, share: Math.min(share, most) }));
  return (
    <BarChart
      width={width}
      height={height}
      data={data}
      margin={{ top: 4, right: 0, bottom: 0, left: 0 }}
      barCategoryGap={0}
      accessibilityLayer={false}
    >
      <YAxis hide domain={[0, most]} />
      <Bar dataKey="share" fill="#cfc6b1" isAnimationActive={false} />
    </BarChart>
  );
});

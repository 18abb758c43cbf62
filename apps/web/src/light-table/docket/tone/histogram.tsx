import { lazy, Suspense } from 'react';
import type { HistogramProps } from './histogram-bars.tsx';

// What draws charts is a fifth of the program: the table does not wait for it.
const Bars = lazy(() =>
  import('./histogram-bars.tsx').then(({ HistogramBars }) => ({ default: HistogramBars })),
);

/** Tones from bare (left) to solid (right), as bars; their place is kept until they come. */
export function Histogram(props: HistogramProps) {
  return (
    <Suspense fallback={<div style={{ width: props.width, height: props.height }} />}>
      <Bars {...props} />
    </Suspense>
  );
}

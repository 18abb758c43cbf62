import type { Screen } from '@brachytone/core';
import { useEffect, useRef } from 'react';
import { inWorker } from '../../engine/engine.ts';
import { SECOND } from '../../engine/ranks.ts';
import type { Swatch } from '../../engine/swatch.ts';

/** Screen pixels for each CSS pixel of a swatch. */
const FINE = 2;
/** Rest before a swatch is drawn, ms: the table comes first. */
const REST = 250;
/** Swatches made lately, by what is in them. */
const made = new Map<string, ImageData>();
const MOST_KEPT = 200;

/** Has a swatch made in a worker, unless it is there already. */
async function imageOf(key: string, swatch: Swatch): Promise<ImageData> {
  const known = made.get(key);
  if (known) return known;
  const rgba = await inWorker((worker) => worker.swatch(swatch), { rank: SECOND });
  const image = new ImageData(rgba, swatch.width, swatch.height);
  if (made.size >= MOST_KEPT) made.clear();
  made.set(key, image);
  return image;
}

/** What a screen looks like, by the engine itself. */
export function ScreenSwatch({
  screen,
  width,
  height,
  tones,
  mark = 14,
}: {
  screen: Screen;
  width: number;
  height: number;
  /** Percent at the left and at the right. */
  tones: readonly [number, number];
  /** Fine pixels a mark is wide. */
  mark?: number;
}) {
  const canvas = useRef<HTMLCanvasElement>(null);
  const swatch: Swatch = { screen, width: width * FINE, height: height * FINE, tones, mark };
  const key = JSON.stringify(swatch);
  useEffect(() => {
    let stale = false;
    const timer = setTimeout(
      () => {
        imageOf(key, swatch).then(
          (image) => !stale && canvas.current?.getContext('2d')?.putImageData(image, 0, 0),
          () => undefined,
        );
      },
      made.has(key) ? 0 : REST,
    );
    return () => {
      stale = true;
      clearTimeout(timer);
    };
    // The key stands for all of it.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [key]);
  return (
    <canvas
      ref={canvas}
      width={swatch.width}
      height={swatch.height}
      className="block"
      style={{ width, height }}
    />
  );
}

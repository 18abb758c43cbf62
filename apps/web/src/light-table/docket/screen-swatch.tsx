import {
  bitAt,
  createPlane,
  latticeOf,
  MM_PER_INCH,
  percentToCoverage,
  screenerFor,
  screenGridOf,
  enlargeBits,
  type Bits,
  type Frame,
  type Screen,
} from '@brachytone/core';
import { useEffect, useRef } from 'react';

/** Screen pixels for each CSS pixel of a swatch. */
const FINE = 2;
/** Swatches made lately, by what is in them. */
const made = new Map<string, ImageData>();
const MOST_KEPT = 200;

const RUN_IN = 40;

/** Resolution that shows a screen's marks at so many fine pixels each. */
function resolutionOf(screen: Screen, pixels: number): number {
  const lattice = latticeOf(screen);
  if (lattice) return lattice.ruling * pixels;
  const { spot, size } = screen.settings;
  const mark = typeof spot === 'number' ? spot * 3 : typeof size === 'number' ? size * 2 : 0.5;
  return (MM_PER_INCH / mark) * pixels;
}

/** A screen drawn by the engine: at tones from … to, left to right, in percent. */
function draw(
  screen: Screen,
  width: number,
  height: number,
  [from, to]: readonly [number, number],
  mark: number,
): Bits {
  const resolution = resolutionOf(screen, mark);
  const frame: Frame = { width, height, resolution, bleed: 0, draft: true };
  const plain = { ...screen, coarse: 0 };
  const grid = screenGridOf(plain, frame);
  const { width: columns } = grid.frame;
  const screener = screenerFor(plain, grid.frame);
  // What carries something on takes a few rows to settle.
  const above = screener.carries ? RUN_IN : 0;
  const margin = screener.carries ? 0 : screener.margin;
  const rows = grid.frame.height + above;
  const coverage = createPlane(columns + 2 * margin, rows + 2 * margin);
  for (let y = 0, i = 0; y < coverage.height; y++) {
    for (let x = 0; x < coverage.width; x++, i++) {
      const share = Math.min(1, Math.max(0, (x - margin) / Math.max(1, columns - 1)));
      coverage.data[i] = percentToCoverage(from + (to - from) * share);
    }
  }
  const whole = { x: 0, y: 0, width: columns, height: rows };
  const bits = screener.carries
    ? screener.start(columns, rows).rows(coverage)
    : screener.screen(coverage, whole);
  return enlargeBits(bits, 0, -above, grid.times, { x: 0, y: 0, width, height });
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
  const [w, h] = [width * FINE, height * FINE];
  const key = JSON.stringify([screen, w, h, tones, mark]);
  useEffect(() => {
    // The table comes first: a swatch waits until its screen rests.
    const timer = setTimeout(
      () => {
        let image = made.get(key);
        if (!image) {
          const bits = draw(screen, w, h, tones, mark);
          image = new ImageData(w, h);
          for (let y = 0, at = 0; y < h; y++) {
            for (let x = 0; x < w; x++, at += 4) {
              image.data.set([31, 29, 26, bitAt(bits, x, y) ? 255 : 0], at);
            }
          }
          if (made.size >= MOST_KEPT) made.clear();
          made.set(key, image);
        }
        canvas.current?.getContext('2d')?.putImageData(image, 0, 0);
      },
      made.has(key) ? 0 : 250,
    );
    return () => clearTimeout(timer);
    // The key stands for all of it.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [key]);
  return <canvas ref={canvas} width={w} height={h} className="block" style={{ width, height }} />;
}

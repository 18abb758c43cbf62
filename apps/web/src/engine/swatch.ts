import {
  bitAt,
  createPlane,
  enlargeBits,
  latticeOf,
  MM_PER_INCH,
  percentToCoverage,
  screenerFor,
  screenGridOf,
  type Bits,
  type Frame,
  type Screen,
} from '@brachytone/core';

/** What to draw of a screen. */
export interface Swatch {
  readonly screen: Screen;
  /** Pixels. */
  readonly width: number;
  readonly height: number;
  /** Percent at the left and at the right. */
  readonly tones: readonly [number, number];
  /** Pixels a mark is wide. */
  readonly mark: number;
}

const BLACK = [31, 29, 26] as const;

/** Rows in which what carries something on comes to rest. */
const RUN_IN = 40;

/** Resolution that shows a screen's marks at so many fine pixels each. */
function resolutionOf(screen: Screen, pixels: number): number {
  const lattice = latticeOf(screen);
  if (lattice) return lattice.ruling * pixels;
  const { spot, size } = screen.settings;
  const mark = typeof spot === 'number' ? spot * 3 : typeof size === 'number' ? size * 2 : 0.5;
  return (MM_PER_INCH / mark) * pixels;
}

/** A screen's bits at tones from … to, left to right. */
function bitsOf({ screen, width, height, tones: [from, to], mark }: Swatch): Bits {
  const resolution = resolutionOf(screen, mark);
  const frame: Frame = { width, height, resolution, bleed: 0, draft: true };
  const plain = { ...screen, coarse: 0 };
  const grid = screenGridOf(plain, frame);
  const { width: columns } = grid.frame;
  const screener = screenerFor(plain, grid.frame);
  const above = screener.sequential ? RUN_IN : 0;
  const margin = screener.sequential ? 0 : screener.margin;
  const rows = grid.frame.height + above;
  const coverage = createPlane(columns + 2 * margin, rows + 2 * margin);
  for (let y = 0, i = 0; y < coverage.height; y++) {
    for (let x = 0; x < coverage.width; x++, i++) {
      const share = Math.min(1, Math.max(0, (x - margin) / Math.max(1, columns - 1)));
      coverage.data[i] = percentToCoverage(from + (to - from) * share);
    }
  }
  const whole = { x: 0, y: 0, width: columns, height: rows };
  const bits = screener.sequential
    ? screener.start(columns, rows).rows(coverage)
    : screener.screen(coverage, whole);
  return enlargeBits(bits, 0, -above, grid.times, { x: 0, y: 0, width, height });
}

/** A swatch as pixels: black where there is ink, clear elsewhere. */
export function drawSwatch(swatch: Swatch): Uint8ClampedArray<ArrayBuffer> {
  const { width, height } = swatch;
  const bits = bitsOf(swatch);
  const rgba = new Uint8ClampedArray(width * height * 4);
  for (let y = 0, at = 0; y < height; y++) {
    for (let x = 0; x < width; x++, at += 4) rgba.set([...BLACK, bitAt(bits, x, y) ? 255 : 0], at);
  }
  return rgba;
}

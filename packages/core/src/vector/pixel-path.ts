import { POPCOUNT } from '../base/popcount.ts';
import { cropBits, type Bits } from '../raster/bits.ts';
import type { PathData } from './path-data.ts';
import { thinned } from '../outline/thin.ts';

/** Upright sides of pixels in one path: about a megabyte. */
const PATH_SIDES = 150_000;

/**
 * The outlines of a film's pixels, in as many paths as it takes; each goes on for a row of pixels into the next, so that no seam shows
 * between them.
 *
 * @param smooth how far an outline may stray from the pixels' own, in pixels; 0 for the squares themselves
 * @param scale  units of the path for a pixel
 * @param draw   draws in a path of its own
 */
export function pixelPaths(
  bits: Bits,
  smooth: number,
  scale: number,
  draw: (part: (out: PathData) => void) => void,
): void {
  const { width, height } = bits;
  for (let from = 0; from < height;) {
    let foot = from;
    for (let sides = 0; foot < height && sides < PATH_SIDES; foot++) sides += sidesOf(bits, foot);
    const rows = Math.min(height, foot + 1) - from;
    const part = rows === height ? bits : cropBits(bits, { x: 0, y: from, width, height: rows });
    const first = from;
    draw((out) => pixelPath(part, smooth, scale, out, first));
    from = foot;
  }
}

/** How often a row goes from bare to ink, or back. */
function sidesOf({ data, stride, width }: Bits, row: number): number {
  let sides = 0;
  let last = 0;
  for (let i = row * stride; i < row * stride + ((width + 7) >> 3); i++) {
    const byte = data[i];
    sides += POPCOUNT[byte ^ ((last << 7) | (byte >> 1))];
    last = byte & 1;
  }
  return sides;
}

/**
 * The exact outlines of connected pixels: squares' sides, ink always to the same hand, so that holes run the other way. Where
 * two patches touch at a corner alone they stay apart.
 *
 * @param smooth how far an outline may stray from the pixels' own, in pixels; 0 for the squares themselves
 * @param scale  units of the path for a pixel
 * @param first  row of the film that the bits begin with
 */
function pixelPath(bits: Bits, smooth: number, scale: number, out: PathData, first: number): void {
  const { width, height } = bits;
  const pixels = new PixelEdges(bits);
  for (let y = 0; y < height; y++) {
    for (let x = pixels.nextUpper(0, y); x < width; x = pixels.nextUpper(x + 1, y)) {
      const corners = pixels.walk(x, y);
      const points = smooth > 0 ? ofSameArea(smoothed(corners, smooth), corners) : corners;
      out.move(points[0] * scale, (first + points[1]) * scale);
      for (let i = 2; i < points.length; i += 2) out.line(points[i] * scale, (first + points[i + 1]) * scale);
      out.close();
    }
  }
}

/** Of a pixel: that it has ink, and that its upper side was walked along. */
const [INK, WALKED] = [1, 2];

/** Pixels a byte each, bare ones all around, to walk along their edges. */
class PixelEdges {
  private readonly across: number;
  private readonly cells: Uint8Array;
  /** From the pixel right below a corner to the one ahead at the right hand, and at the left, by direction: right, down, left, up. */
  private readonly rightAhead: readonly number[];
  private readonly leftAhead: readonly number[];
  private readonly step: readonly number[];

  constructor(bits: Bits) {
    const { width, height } = bits;
    const across = width + 2;
    this.across = across;
    this.cells = new Uint8Array(across * (height + 2));
    const { data, stride } = bits;
    for (let y = 0; y < height; y++) {
      const row = (y + 1) * across + 1;
      for (let x = 0; x < width; x += 8) {
        const byte = data[y * stride + (x >> 3)];
        if (byte === 0) continue;
        for (let k = 0; k < 8; k++) if ((byte >> (7 - k)) & 1) this.cells[row + x + k] = INK;
      }
    }
    this.step = [1, across, -1, -across];
    this.rightAhead = [0, -1, -across - 1, -across];
    this.leftAhead = [-across, 0, -1, -across - 1];
  }

  /** The first pixel of a row from `x` on whose upper side is an edge that no outline ran along yet; the width or more for none. */
  nextUpper(x: number, y: number): number {
    const { cells, across } = this;
    const end = (y + 2) * across - 1;
    let at = (y + 1) * across + 1 + x;
    while (at < end && (cells[at] !== INK || (cells[at - across] & INK) !== 0)) at++;
    return at - (y + 1) * across - 1;
  }

  /** Walks along an outline from the left end of an upper side, ink to the right; gives its corners, x and y by turns. */
  walk(startX: number, startY: number): number[] {
    const { cells, across, step, rightAhead, leftAhead } = this;
    const corners: number[] = [];
    const start = (startY + 1) * across + 1 + startX;
    let at = start;
    let direction = 0;
    do {
      if (direction === 0) cells[at] |= WALKED;
      at += step[direction];
      const turn =
        (cells[at + rightAhead[direction]] & INK) === 0
          ? 1
          : (cells[at + leftAhead[direction]] & INK) !== 0
            ? 3
            : 0;
      if (turn === 0) continue;
      corners.push((at % across) - 1, Math.floor(at / across) - 1);
      direction = (direction + turn) & 3;
    } while (at !== start || direction !== 0);
    return corners;
  }
}

/** What is cut off a corner between two long sides, pixels. */
const CORNER = 1;

/** The line through the middles of short sides and the ends of long ones, as few of its points as keep it within a distance of the rest. */
function smoothed(corners: readonly number[], distance: number): number[] {
  const points: number[] = [];
  for (let i = 0; i < corners.length; i += 2) {
    const [x0, y0] = [corners[i], corners[i + 1]];
    const [x1, y1] = [corners[(i + 2) % corners.length], corners[(i + 3) % corners.length]];
    const length = Math.abs(x1 - x0) + Math.abs(y1 - y0);
    const [dx, dy] = [Math.sign(x1 - x0), Math.sign(y1 - y0)];
    const cut = Math.min(length / 2, CORNER);
    points.push(x0 + dx * cut, y0 + dy * cut);
    if (length > 2 * CORNER) points.push(x1 - dx * cut, y1 - dy * cut);
  }
  return thinned(points, points.length, distance);
}

/** Twice the area that points enclose, and the place of its middle. */
function measured(points: readonly number[]): { area: number; x: number; y: number } {
  let [area, x, y] = [0, 0, 0];
  for (let i = 0, j = points.length - 2; i < points.length; j = i, i += 2) {
    const part = points[j] * points[i + 1] - points[i] * points[j + 1];
    area += part;
    x += (points[j] + points[i]) * part;
    y += (points[j + 1] + points[i + 1]) * part;
  }
  return area === 0 ? { area, x: 0, y: 0 } : { area, x: x / (3 * area), y: y / (3 * area) };
}

/** What smoothing took off the corners, given back all around: points grown about their middle to the area of others. */
function ofSameArea(points: readonly number[], others: readonly number[]): number[] {
  const { area, x, y } = measured(points);
  const ratio = measured(others).area / area;
  // What is as good as a line is left alone.
  const scale = ratio > 0.5 && ratio < 2 ? Math.sqrt(ratio) : 1;
  return points.map((value, i) => (i & 1 ? y + (value - y) * scale : x + (value - x) * scale));
}

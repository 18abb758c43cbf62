import { flatten, type Polyline } from '../../path/contour.ts';
import { fillPolygons } from '../../path/fill.ts';
import { parseContours } from '../../path/parse-path.ts';
import { bitAt, createBits } from '../../raster/bits.ts';
import { cache } from '../../base/cache.ts';
import { motifPieces } from './motif-outline.ts';
import type { Spot } from './spot.ts';

/** Points of the table of a motif's values, each way. */
const SIDE = 192;
/** Sizes a motif is tried at, from nothing to `MOST` times as large as just fits its cell. */
const SIZES = 128;
const MOST = 2.6;

const recentMotifs = cache<Polyline[]>('motif outlines');

/** A motif's outline: its box has its middle at 0 and just fits a cell; empty when the path encloses nothing. */
export const readMotif = (path: string): Polyline[] =>
  recentMotifs(path, () =>
    centred(parseContours(path).map((contour) => flatten(contour, 0.002 * extent(path)))),
  );

/** A size of a path, good enough to say how finely its curves are cut. */
const extent = (path: string): number => {
  const numbers = (path.match(/-?[\d.]+/g) ?? []).map(Number);
  return numbers.length === 0 ? 1 : Math.max(1e-6, Math.max(...numbers) - Math.min(...numbers));
};

function centred(lines: Polyline[]): Polyline[] {
  let [left, top, right, foot] = [Infinity, Infinity, -Infinity, -Infinity];
  for (const { points } of lines) {
    for (let i = 0; i < points.length; i += 2) {
      left = Math.min(left, points[i]);
      right = Math.max(right, points[i]);
      top = Math.min(top, points[i + 1]);
      foot = Math.max(foot, points[i + 1]);
    }
  }
  const size = Math.max(right - left, foot - top);
  if (!(size > 0)) return [];
  const [x, y] = [(left + right) / 2, (top + foot) / 2];
  return lines.map(({ points, closed }) => ({
    points: points.map((value, i) => (value - (i & 1 ? y : x)) / size),
    closed,
  }));
}

/**
 * The motif `scale` times as large, in pixels of the table, and again wherever a neighbour may reach into the cell. Each is
 * filled by itself: where neighbours overlap there is no counter.
 */
function copies(lines: readonly Polyline[], scale: number): Polyline[][] {
  const reach = Math.ceil(scale / 2 - 0.5);
  const out: Polyline[][] = [];
  for (let dy = -reach; dy <= reach; dy++) {
    for (let dx = -reach; dx <= reach; dx++) {
      out.push(
        lines.map(({ points, closed }) => ({
          points: points.map((value, i) => (value * scale + 0.5 + (i & 1 ? dy : dx)) * SIDE),
          closed,
        })),
      );
    }
  }
  return out;
}

/**
 * For every point of a cell the size from which on it is inked. A point may lie in the motif at one size, in a counter of
 * it at another, and within again: it is inked from the size that puts it right for the longest, so that counters stay open
 * as far as a growing dot allows.
 */
function growth(lines: readonly Polyline[]): Float64Array {
  const region = { x: 0, y: 0, width: SIDE, height: SIDE };
  const sum = new Int16Array(SIDE * SIDE);
  const least = new Int16Array(SIDE * SIDE);
  const from = new Float64Array(SIDE * SIDE);
  for (let k = 1; k <= SIZES; k++) {
    const scale = (k / SIZES) * MOST;
    const bits = createBits(SIDE, SIDE);
    for (const copy of copies(lines, scale)) fillPolygons(copy, 'evenodd', region, bits);
    for (let y = 0, i = 0; y < SIDE; y++) {
      for (let x = 0; x < SIDE; x++, i++) {
        // Being inked from size k + 1 on is wrong by one more for each size so far that has the point within.
        sum[i] += bitAt(bits, x, y) ? 1 : -1;
        if (sum[i] < least[i]) {
          least[i] = sum[i];
          from[i] = k;
        }
      }
    }
  }
  return from;
}

const recentValues = cache<Float64Array>('motif growth');

/** The table read between its points, around the cell's edges. It is made when it is first read. */
function valueOf(path: string): (u: number, v: number) => number {
  let table: Float64Array | undefined;
  const wrap = (i: number) => (i < 0 ? i + SIDE : i >= SIDE ? i - SIDE : i);
  return (u, v) => {
    table ??= recentValues(path, () => growth(readMotif(path)));
    const x = (u + 0.5) * SIDE - 0.5;
    const y = (v + 0.5) * SIDE - 0.5;
    const [i, j] = [Math.floor(x), Math.floor(y)];
    const [fx, fy] = [x - i, y - j];
    const [l, r] = [wrap(i), wrap(i + 1)];
    const [t, b] = [wrap(j) * SIDE, wrap(j + 1) * SIDE];
    const upper = table[t + l] * (1 - fx) + table[t + r] * fx;
    return upper * (1 - fy) + (table[b + l] * (1 - fx) + table[b + r] * fx) * fy;
  };
}

/** Motifs that ship, drawn for this program: plain path data. */
export const MOTIFS: readonly { readonly name: string; readonly path: string }[] = [
  { name: 'Star', path: 'M50 2 L61 38 L98 38 L68 60 L79 96 L50 74 L21 96 L32 60 L2 38 L39 38 Z' },
  {
    name: 'Heart',
    path: 'M50 92 C20 68 4 50 4 30 C4 14 16 6 28 6 C38 6 46 12 50 22 C54 12 62 6 72 6 C84 6 96 14 96 30 C96 50 80 68 50 92 Z',
  },
  {
    name: 'Drop',
    path: 'M50 2 C64 28 82 46 82 66 C82 84 68 98 50 98 C32 98 18 84 18 66 C18 46 36 28 50 2 Z',
  },
  { name: 'Leaf', path: 'M4 96 C0 44 30 6 96 4 C98 66 62 100 4 96 Z' },
  {
    name: 'Moon',
    path: 'M64 4 C34 10 14 30 14 54 C14 78 34 98 60 98 C72 98 82 94 90 86 C62 86 44 70 44 46 C44 28 52 14 64 4 Z',
  },
  { name: 'Hexagon', path: 'M50 2 L92 26 L92 74 L50 98 L8 74 L8 26 Z' },
  { name: 'Arrow', path: 'M50 4 L94 50 L68 50 L68 96 L32 96 L32 50 L6 50 Z' },
];

/** Any closed path, growing with the tone; its area is always the tone's. */
const motifOf = (path: string): Spot => ({
  id: 'motif',
  name: 'Motif',
  value: valueOf(path),
  size: (coverage) => Math.sqrt(coverage),
  outline: { most: 4, costly: true, pieces: (size) => motifPieces(readMotif(path), size) },
  shaped: (shape) => motifOf(readMotif(shape.motif).length > 0 ? shape.motif : MOTIFS[0].path),
});

export const motif = motifOf(MOTIFS[0].path);

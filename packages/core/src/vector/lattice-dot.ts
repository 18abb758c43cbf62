import { cache } from '../base/cache.ts';
import { areaOf, type Piece } from '../path/piece.ts';
import type { CellOutline } from '../screen/spot/cell-outline.ts';
import { loopOf, type CellLoop } from './cell-loop.ts';

/** Tones are told apart in so many steps: finer than any press holds. */
const STEPS = 4096;
/** The same for shapes whose outlines take long to find. */
const COSTLY_STEPS = 512;
/** Sizes that areas are looked up at. */
const SIZES = 128;
/** How near an outline's area comes to the tone, in cells, and turns of looking for it. */
const NEAR = 1e-7;
const TURNS = 12;

/** A dot's outline within its cell. */
export interface Dot {
  readonly loops: readonly CellLoop[];
  /** True where it meets a side of its cell. */
  readonly touches: boolean;
  /** How many points its outlines have. */
  readonly points: number;
}

const recentOutlines = cache<(tone: number) => Dot>('dot outlines');

/** Outlines of a shape by tone (0–1), each found when it is first asked for: the size whose area is the tone. */
export const outlinesOf = (key: string, shape: CellOutline): ((tone: number) => Dot) =>
  recentOutlines(key, () => {
    const steps = shape.costly ? COSTLY_STEPS : STEPS;
    const sizeOf = sizesOf(shape);
    const kept = new Array<Dot | undefined>(steps + 1);
    return (tone) => {
      const step = Math.round(tone * steps);
      if (step <= 0) return NO_DOT;
      return (kept[step] ??= dotOf(shape.pieces(step >= steps ? shape.most : sizeOf(step / steps))));
    };
  });

function dotOf(pieces: readonly Piece[]): Dot {
  const loops = loopsOf(pieces).map(loopOf);
  return { loops, touches: pieces.some(touchesSide), points: pieces.length };
}
const NO_DOT: Dot = { loops: [], touches: false, points: 0 };

/** The size of an area: from a table of areas, between two sizes of which the root of an area runs nearly straight, and closer where it costs little. */
function sizesOf(shape: CellOutline): (area: number) => number {
  const rootAt = (size: number): number => Math.sqrt(Math.max(0, areaOf(shape.pieces(size))));
  const sizes = Array.from({ length: SIZES + 1 }, (_, k) => (k / SIZES) * shape.most);
  const roots = sizes.map((size, k) => (k === 0 ? 0 : rootAt(size)));
  return (area) => {
    let k = 1;
    while (k < SIZES && roots[k] ** 2 < area) k++;
    let [low, high, atLow, atHigh] = [sizes[k - 1], sizes[k], roots[k - 1], roots[k]];
    const root = Math.sqrt(area);
    let size = between(low, high, atLow, atHigh, root);
    // Regula falsi, kept off the ends so that every turn gains something.
    for (let turn = 0; turn < (shape.costly ? 0 : TURNS); turn++) {
      const at = rootAt(size);
      if (Math.abs(at * at - area) < NEAR) break;
      if (at < root) [low, atLow] = [size, at];
      else [high, atHigh] = [size, at];
      const margin = (high - low) * 0.02;
      size = Math.min(high - margin, Math.max(low + margin, between(low, high, atLow, atHigh, root)));
    }
    return size;
  };
}

const between = (low: number, high: number, atLow: number, atHigh: number, value: number): number =>
  low + (atHigh > atLow ? (value - atLow) / (atHigh - atLow) : 0) * (high - low);

const touchesSide = ({ x0, y0, x1, y1 }: Piece): boolean =>
  Math.abs(x0) >= 0.5 || Math.abs(y0) >= 0.5 || Math.abs(x1) >= 0.5 || Math.abs(y1) >= 0.5;

/** Pieces parted where one does not begin at the end of the one before. */
function loopsOf(pieces: readonly Piece[]): Piece[][] {
  const loops: Piece[][] = [];
  let last: Piece | undefined;
  for (const piece of pieces) {
    const goesOn = last && Math.hypot(last.x1 - piece.x0, last.y1 - piece.y0) < 1e-9;
    if (goesOn) loops[loops.length - 1].push(piece);
    else loops.push([piece]);
    last = piece;
  }
  return loops;
}

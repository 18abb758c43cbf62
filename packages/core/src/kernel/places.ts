import { sineOfTurns, turnsOf } from '../base/turn.ts';
import { scatter } from './scatter.ts';

/** Ways to find where a pixel falls in a screen's cells; `assembly/places.ts` has the same, bit for bit. */
export const PLACES = { scattered: 0, straight: 1, wave: 2, arc: 3, spiral: 4 } as const;
export type PlaceKind = keyof typeof PLACES;

/** How far lines wobble at most, in cells, is told apart over so many of them. */
const WOBBLE_LENGTH = 3;
/** Frays along a cell. */
export const FRAYS = 5;

/** Writes u and v in cells, and an offset to coverage, for the middle of pixel (x, y). */
export type Place = (x: number, y: number, out: Float64Array) => void;

/** What places are found by, as numbers in the order that the kernel reads them. */
export interface Scattering {
  /** Cells that u grows by for a pixel to the right, and v for the same. */
  readonly along: number;
  readonly across: number;
  /** Coverage, cells, and cells that dots are out by, at most twice either way. */
  readonly grown: number;
  readonly moved: number;
  readonly frayed: number;
  readonly seed: number;
}

export const scatteringNumbers = ({ along, across, grown, moved, frayed, seed }: Scattering): number[] => [
  along,
  across,
  grown,
  moved,
  frayed,
  seed,
];

/** Lines in mm from the sheet's corner, y down; v counts them. */
export interface Running {
  /** Millimetres of a pixel, and cells of a millimetre. */
  readonly mm: number;
  readonly perCell: number;
  readonly cos: number;
  readonly sin: number;
  readonly waveLength: number;
  readonly waveHeight: number;
  readonly middleX: number;
  readonly middleY: number;
  /** Where rings begin, in turns. */
  readonly start: number;
  /** 1 for plain lines, 0 where dots stand along them. */
  readonly plain: number;
  /** Cells. */
  readonly wobble: number;
  readonly seed: number;
}

export const runningNumbers = (of: Running): number[] => [
  of.mm,
  of.perCell,
  of.cos,
  of.sin,
  of.waveLength,
  of.waveHeight,
  of.middleX,
  of.middleY,
  of.start,
  of.plain,
  of.wobble,
  of.seed,
];

export function runningOf(numbers: ArrayLike<number>): Running {
  const [mm, perCell, cos, sin, waveLength, waveHeight, middleX, middleY, start, plain, wobble, seed] =
    Array.from(numbers);
  return { mm, perCell, cos, sin, waveLength, waveHeight, middleX, middleY, start, plain, wobble, seed };
}

/** Cells along ring n, an arc or a turn of a spiral, where it stands at a turn. */
export function alongRing(spiral: boolean, n: number, turn: number): number {
  if (!spiral) return turn * Math.max(1, Math.floor(2 * Math.PI * (n + 0.5) + 0.5));
  const along = n + 0.5 + turn;
  return Math.PI * along * along;
}

/** Places by a kind and its numbers. */
export function placesBy(kind: PlaceKind, numbers: ArrayLike<number>): Place {
  return kind === 'scattered' ? scattered(numbers) : running(kind, numbers);
}

function scattered(numbers: ArrayLike<number>): Place {
  const [along, across, grown, moved, frayed, seed] = Array.from(numbers);
  const [alongBy, acrossBy, sizes, frayAlong, frayAcross] = [0, 1, 2, 3, 4].map((k) => scatter(seed + k));
  return (x, y, out) => {
    let u = (x + 0.5) * along - (y + 0.5) * across;
    let v = (x + 0.5) * across + (y + 0.5) * along;
    const cu = u - 0.5;
    const cv = v - 0.5;
    out[2] = grown > 0 ? sizes(cu, cv) * grown : 0;
    if (moved > 0) {
      u += alongBy(cu, cv) * moved;
      v += acrossBy(cu, cv) * moved;
    }
    if (frayed > 0) {
      u += frayAlong(cu * FRAYS, cv * FRAYS) * frayed;
      v += frayAcross(cu * FRAYS, cv * FRAYS) * frayed;
    }
    out[0] = u;
    out[1] = v;
  };
}

function running(kind: Exclude<PlaceKind, 'scattered'>, numbers: ArrayLike<number>): Place {
  const { mm, perCell, cos, sin, waveLength, waveHeight, middleX, middleY, start, plain, wobble, seed } =
    runningOf(numbers);
  const wobbleAcross = scatter(seed);
  const wobbleAlong = scatter(seed + 1);
  return (i, j, out) => {
    const x = (i + 0.5) * mm;
    const y = (j + 0.5) * mm;
    let u = 0;
    let v: number;
    if (kind === 'straight' || kind === 'wave') {
      u = (x * cos - y * sin) * perCell;
      v = (x * sin + y * cos) * perCell;
      if (kind === 'wave') v += (waveHeight / 2) * perCell * sineOfTurns(u / perCell / waveLength);
    } else {
      const dx = x - middleX;
      const dy = y - middleY;
      v = Math.sqrt(dx * dx + dy * dy) * perCell;
      if (kind === 'arc') {
        if (plain === 0) u = alongRing(false, Math.floor(v), turnsOf(dx, -dy) - start);
      } else {
        const turn = turnsOf(dx, -dy) - start;
        v -= turn;
        if (plain === 0) u = alongRing(true, Math.floor(v), turn);
      }
    }
    if (wobble > 0) {
      const wu = (x * perCell) / WOBBLE_LENGTH;
      const wv = (y * perCell) / WOBBLE_LENGTH;
      v += wobbleAcross(wu, wv) * wobble;
      if (plain === 0) u += wobbleAlong(wu, wv) * wobble;
    }
    out[0] = u;
    out[1] = v;
    out[2] = 0;
  };
}

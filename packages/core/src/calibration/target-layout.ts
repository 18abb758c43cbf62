import { randomAt } from '../base/random.ts';

/** A square field of one tone of one ink, by its middle; places and sizes in mm on the trimmed sheet. */
export interface Patch {
  /** Place of the ink among the target's. */
  readonly ink: number;
  /** Percent of the film; 0 for bare stock. */
  readonly tone: number;
  readonly x: number;
  readonly y: number;
}

/** A field of dots, or of lines, of one size: how much of it is inked on the film is known. */
export interface LadderStep {
  readonly ink: number;
  readonly kind: 'dot' | 'line';
  /** Diameter or width, mm. */
  readonly size: number;
  /** From one to the next, mm. */
  readonly pitch: number;
  readonly x: number;
  readonly y: number;
  /** Side of the field that is filled, mm. */
  readonly side: number;
}

export interface Point {
  readonly x: number;
  readonly y: number;
}

/** Where everything on a target lies. */
export interface TargetLayout {
  readonly inks: number;
  /** Place of the ink that corner marks and ruler are in. */
  readonly marks: number;
  readonly width: number;
  readonly height: number;
  /** Middles of the four corner marks: left top, right top, right foot, left foot. */
  readonly corners: readonly [Point, Point, Point, Point];
  /** A dot beside the first corner mark, which tells it from the others. */
  readonly key: Point;
  readonly patches: readonly Patch[];
  readonly ladder: readonly LadderStep[];
  /** Middles of squares of 8 mm in which two inks lie solid over one another, by their places. */
  readonly overprints: readonly (Point & { readonly inks: readonly [number, number] })[];
  /** Ends of a ruler of 100 mm. */
  readonly ruler: readonly [Point, Point];
}

/** Side of a patch, and from one to the next, mm. */
export const PATCH = 8;
const PITCH = 9;
const COLUMNS = 20;
const ROWS = 4;
/** Radii of a corner mark, of the hole in it, and of the key, mm. */
export const MARK = { outer: 4, hole: 1.6, key: 2 } as const;

/** Tones of the film, percent, denser at the ends; each is there twice. */
export const TARGET_TONES: readonly number[] = [
  1, 2, 3, 4, 5, 7.5, 10, 15, 20, 25, 30, 35, 40, 45, 50, 55, 60, 65, 70, 75, 80, 85, 90, 92.5, 95, 96, 97,
  98, 99, 100,
];
/** Diameters of dots and widths of lines, mm. */
export const DOT_LADDER: readonly number[] = [
  0.03, 0.045, 0.06, 0.08, 0.1, 0.13, 0.16, 0.2, 0.25, 0.32, 0.4, 0.5,
];
export const LINE_LADDER: readonly number[] = [
  0.03, 0.05, 0.07, 0.1, 0.13, 0.16, 0.2, 0.25, 0.3, 0.4, 0.5, 0.6,
];
/** Shares of a field that dots and lines ink on the film. */
export const LADDER_SHARE = { dot: 0.04, line: 0.2 } as const;
/** Marks along a field, at most: small ones fill less of it. */
const MARKS = 40;

const [WIDTH, MARGIN, HEAD, FOOT] = [210, 15, 24, 18];
/** Height of all of an ink, mm. */
const BLOCK = (ROWS + 2) * PITCH + 2;
/** Seed of the order that patches stand in. */
const SEED = 20;
export const MOST_TARGET_INKS = 6;

/**
 * The target for so many inks.
 *
 * @param marks place of the ink that corner marks and ruler are in: the one that stands out most
 */
export function targetLayout(inks: number, marks = 0): TargetLayout {
  const height = HEAD + inks * BLOCK + (inks > 1 ? PITCH + 2 : 0) + FOOT;
  const at = (column: number, y: number): Point => ({ x: MARGIN + (column + 0.5) * PITCH, y });
  const patches: Patch[] = [];
  const ladder: LadderStep[] = [];
  for (let ink = 0; ink < inks; ink++) {
    const top = HEAD + ink * BLOCK;
    const tones = shuffled(
      Array.from(
        { length: ROWS * COLUMNS },
        (_, i) => TARGET_TONES[i % TARGET_TONES.length] * (i < 2 * TARGET_TONES.length ? 1 : 0),
      ),
      SEED + ink,
    );
    tones.forEach((tone, i) => {
      patches.push({ ink, tone, ...at(i % COLUMNS, top + (Math.floor(i / COLUMNS) + 0.5) * PITCH) });
    });
    const row = (kind: LadderStep['kind'], sizes: readonly number[], y: number): void =>
      sizes.forEach((size, i) => {
        const pitch =
          kind === 'dot' ? size * Math.sqrt(Math.PI / 4 / LADDER_SHARE.dot) : size / LADDER_SHARE.line;
        ladder.push({ ink, kind, size, pitch, side: Math.min(PATCH, MARKS * pitch), ...at(i, y) });
      });
    row('dot', DOT_LADDER, top + (ROWS + 0.5) * PITCH);
    row('line', LINE_LADDER, top + (ROWS + 1.5) * PITCH);
  }
  const pairs: [number, number][] = [];
  for (let a = 0; a < inks; a++) for (let b = a + 1; b < inks; b++) pairs.push([a, b]);
  const line = HEAD + inks * BLOCK + PITCH / 2;
  const [near, far] = [10, WIDTH - 10];
  return {
    inks,
    marks,
    width: WIDTH,
    height,
    corners: [
      { x: near, y: 10 },
      { x: far, y: 10 },
      { x: far, y: height - 10 },
      { x: near, y: height - 10 },
    ],
    key: { x: 22, y: 10 },
    patches,
    ladder,
    overprints: pairs.map((pair, i) => ({ inks: pair, ...at(i, line) })),
    ruler: [
      { x: 55, y: 10 },
      { x: 155, y: 10 },
    ],
  };
}

function shuffled(values: number[], seed: number): number[] {
  const out = values.slice();
  for (let i = out.length - 1; i > 0; i--) {
    const j = randomAt(seed, i, 0) % (i + 1);
    [out[i], out[j]] = [out[j], out[i]];
  }
  return out;
}

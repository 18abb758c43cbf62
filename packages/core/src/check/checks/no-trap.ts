import { inkOf } from '../../ink/ink-of.ts';
import { isAllLine } from '../../original/place-original.ts';
import { bitAt } from '../../raster/bits.ts';
import { MM_PER_INCH } from '../../raster/frame.ts';
import type { Recipe } from '../../recipe/recipe.ts';
import { platesOverBase } from '../../plate/plate-art.ts';
import { lineInks } from '../../separation/route.ts';
import { filmTones } from '../film-tones.ts';
import type { Check, Checked, Found, Mend } from '../finding.ts';
import { mendOriginal, mendPlate } from '../mend.ts';
import { Places } from '../places.ts';
import { inkName, plain } from '../words.ts';

/** Shares of ink from which on it is there, and is solid, and below which it is gone: only hard edges between them count. */
const [THERE, SOLID, GONE] = [0.5, 0.9, 0.1];
/** How much of an ink a pixel has, in classes of those shares. */
const [NO_INK, SOME_INK, INK, SOLID_INK] = [0, 1, 2, 3];

/** What a pixel has of two inks. */
const [BETWEEN, NEITHER, BOTH, FIRST_ALONE, SECOND_ALONE] = [0, 1, 2, 3, 4];
/** That, by 4 × the first one's class + the second one's. An ink that has begun to fade lies over a solid one all the same. */
const PAIRS = Uint8Array.from({ length: 16 }, (_, i) => {
  const [least, most] = [i >> 2, i & 3].sort((a, b) => a - b);
  // An ink that fades before another begins shows the stock already.
  if (least === NO_INK && most <= SOME_INK) return NEITHER;
  if (least === NO_INK) return i >= 4 ? FIRST_ALONE : SECOND_ALONE;
  return least >= INK || (least === SOME_INK && most === SOLID_INK) ? BOTH : BETWEEN;
});
/** Length of edges that is let be, mm. */
const LITTLE = 10;
/** Mean of what rows and columns count of an edge's length, over all its directions. */
const CROFTON = Math.PI / 4;

export const noTrap: Check = {
  id: 'no-trap',
  why: 'Plates never meet exactly: where two inks only touch, a line of stock shows between them.',
  uses: ['register'],
  find: (checked) => [...openEdges(checked), ...looseBases(checked)],
};

/** How much ink a plate has, a class for each pixel of the evidence. */
function presence({ recipe, evidence }: Checked, plate: number): Uint8Array {
  const film = filmTones(recipe, plate);
  const { tones, line } = evidence.plates[plate];
  const classes = Uint8Array.from(film, (share) =>
    share >= SOLID ? SOLID_INK : share >= THERE ? INK : share > GONE ? SOME_INK : NO_INK,
  );
  const out = tones.map((tone) => classes[tone]);
  const { width, height } = evidence.grid;
  if (line)
    for (let y = 0, i = 0; y < height; y++)
      for (let x = 0; x < width; x++, i++) if (bitAt(line, x, y)) out[i] = SOLID_INK;
  return out;
}

function openEdges(checked: Checked): Found[] {
  const { recipe, press, evidence } = checked;
  const printed = recipe.plates.flatMap((plate, i) => (plate.printed && !plate.base ? [i] : []));
  if (printed.length < 2 || press.register === 0) return [];
  const there = new Map(printed.map((plate) => [plate, presence(checked, plate)]));
  const mm = MM_PER_INCH / evidence.grid.resolution;
  const found: Found[] = [];
  for (const [k, first] of printed.entries()) {
    for (const second of printed.slice(k + 1)) {
      const others = printed.filter((one) => one !== first && one !== second);
      const places = new Places(evidence.grid);
      const count = edgesBetween(
        [first, second].map((one) => there.get(one) ?? new Uint8Array()),
        others.map((one) => there.get(one) ?? new Uint8Array()),
        evidence.grid,
        press.register / mm,
        places,
      );
      const length = count * mm * CROFTON;
      if (length < LITTLE) continue;
      const [a, b] = [inkName(recipe, first), inkName(recipe, second)];
      found.push({
        severity: length > 100 ? 'fail' : 'risky',
        says: `${plain(length / 10, length < 100 ? 1 : 0)} cm of edge where ${a} meets ${b} has no trap; plates may miss by ${plain(press.register, 2)} mm.`,
        places: places.list(),
        mends: trapMends(recipe, first, second, press.register),
      });
    }
  }
  return found;
}

/**
 * Pixels of edges, along rows and along columns, at which one ink ends and the other begins with less of both between them than plates may miss
 * one another by, and no third ink under both.
 *
 * @param reach of the overlap that is wanted, in pixels
 */
function edgesBetween(
  [a, b]: readonly Uint8Array[],
  others: readonly Uint8Array[],
  { width, height }: { readonly width: number; readonly height: number },
  reach: number,
  places: Places,
): number {
  let count = 0;
  // A pixel less is as good as can be told; edges that only touch are told always.
  const wanted = Math.max(0.5, reach - 1);
  const isUnder = (i: number, j: number): boolean => others.some((one) => one[i] >= INK && one[j] >= INK);
  // Of the row and of every column: which ink was last seen alone, where, and how many pixels of both came since. Columns go on row by row, as
  // pixels lie in memory.
  const [ROW, LINES] = [width, width + 1];
  const last = new Uint8Array(LINES);
  const lastAt = new Int32Array(LINES);
  const both = new Int32Array(LINES);
  const alone = (line: number, now: number, at: number, i: number, step: number): void => {
    const gap = at - lastAt[line];
    // A pixel or two in between belong to the edges themselves.
    const isEdge = last[line] !== 0 && last[line] !== now && gap - 1 - both[line] <= 2 && both[line] < wanted;
    if (isEdge && !isUnder(i, i - gap * step)) {
      count++;
      places.add(i % width, Math.floor(i / width));
    }
    last[line] = now;
    lastAt[line] = at;
    both[line] = 0;
  };
  for (let y = 0, i = 0; y < height; y++) {
    last[ROW] = 0;
    for (let x = 0; x < width; x++, i++) {
      const pair = PAIRS[4 * a[i] + b[i]];
      if (pair >= FIRST_ALONE) {
        alone(ROW, pair, x, i, 1);
        alone(x, pair, y, i, width);
      } else if (pair === NEITHER) {
        last[ROW] = 0;
        last[x] = 0;
      } else if (pair === BOTH) {
        both[ROW]++;
        both[x]++;
      }
    }
  }
  return count;
}

function trapMends(recipe: Recipe, first: number, second: number, register: number): Mend[] {
  const { plates, inks } = recipe;
  const lightness = (plate: number): number => inkOf(inks, plates[plate].ink).lab[0];
  const [lighter, darker] = lightness(first) >= lightness(second) ? [first, second] : [second, first];
  // A plate that is knocked out by the other is knocked out where it was spread, too: then the other one spreads over it.
  const grown = plates[second].knocksOut ? second : lighter;
  // Where the spread that is wanted is there and edges are open all the same, there has to be more of it.
  const already = Math.max(0, plates[grown].edgeSpread);
  const edgeSpread = Number(((already >= register ? already : 0) + register).toFixed(3));
  const spread = mendPlate(grown, `Spread ${inkName(recipe, grown)} ${plain(edgeSpread, 2)} mm`, () => ({
    edgeSpread,
  }));
  const over = recipe.originals.filter(
    (original) =>
      original.shown &&
      !original.overprint &&
      isAllLine(original) &&
      lineInks(original.route).includes(plates[darker].ink),
  );
  return [
    spread,
    ...over.map(({ id, name }) => mendOriginal(id, `Overprint “${name}”`, () => ({ overprint: true }))),
  ];
}

/** Bases that end just where what lies over them ends. */
function looseBases({ recipe, press }: Checked): Found[] {
  return recipe.plates.flatMap((plate, i) => {
    if (!plate.printed || !plate.base || press.register === 0 || platesOverBase(recipe, i).length === 0)
      return [];
    if (plate.edgeSpread <= -press.register + 1e-9) return [];
    const choke = Math.ceil(press.register * 100) / 100;
    return [
      {
        severity: 'risky' as const,
        says: `${inkName(recipe, i)} is choked by ${plain(Math.max(0, -plate.edgeSpread), 2)} mm under the inks over it; plates may miss by ${plain(press.register, 2)} mm, and it shows at their edges.`,
        places: [],
        mends: [
          mendPlate(i, `Choke ${inkName(recipe, i)} ${plain(choke, 2)} mm`, () => ({
            edgeSpread: -choke,
          })),
        ],
      },
    ];
  });
}

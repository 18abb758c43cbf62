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

/** Shares of ink from which on it is there, and below which it is not: only hard edges between the two count. */
const [THERE, GONE] = [0.5, 0.1];
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

/** Where each plate's ink is: 2 there, 1 between, 0 gone, by the pixels of the evidence. */
function presence({ recipe, evidence }: Checked, plate: number): Uint8Array {
  const film = filmTones(recipe, plate);
  const { tones, line } = evidence.plates[plate];
  const classes = Uint8Array.from(film, (share) => (share >= THERE ? 2 : share > GONE ? 1 : 0));
  const out = tones.map((tone) => classes[tone]);
  const { width, height } = evidence.grid;
  if (line)
    for (let y = 0, i = 0; y < height; y++)
      for (let x = 0; x < width; x++, i++) if (bitAt(line, x, y)) out[i] = 2;
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
  const isUnder = (i: number, j: number): boolean => others.some((one) => one[i] === 2 && one[j] === 2);
  // Of the row and of every column: what was last seen alone, 1 or 2, where, and how many pixels of both came since. Columns go on row by row, as
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
      const p = a[i];
      const q = b[i];
      if (p === q) {
        if (p === 0) {
          last[ROW] = 0;
          last[x] = 0;
        } else if (p === 2) {
          both[ROW]++;
          both[x]++;
        }
      } else if (p + q === 2) {
        const now = p === 2 ? 1 : 2;
        alone(ROW, now, x, i, 1);
        alone(x, now, y, i, width);
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
  const spread = mendPlate(
    grown,
    `Spread ${inkName(recipe, grown)} ${plain(register, 2)} mm`,
    ({ edgeSpread }) => ({
      edgeSpread: Math.max(edgeSpread, register),
    }),
  );
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

import { inkOf } from '../ink/ink-of.ts';
import { encode8 } from '../colour/srgb.ts';
import { fountainInks, fountainLine } from '../ink/fountain.ts';
import { overprintLight, overprints } from '../ink/overprint.ts';
import type { Lab } from '../colour/lab.ts';
import type { Ink } from '../ink/ink.ts';
import { WIDE_TO_SRGB } from '../colour/wide-to-srgb.ts';
import { power } from '../base/power.ts';
import { MM_PER_INCH, mmToPixels } from '../raster/frame.ts';
import { randomAt } from '../base/random.ts';
import { cache } from '../base/cache.ts';
import { TINT_PLATES } from '../kernel/memory.ts';
import { latticeOf } from '../screen/screen.ts';
import { blurLight } from './blur-light.ts';
import { BLACK_PAPER, groundOf, groundRoots, hasGround, laidOnGround, WHITE_PAPER } from './ground.ts';
import { placeOnSheet } from './place-on-sheet.ts';
import { isEnlarged, type PlatesView, type SceneView, type Shown } from './plates-view.ts';
import { tintedLight } from './tinted-light.ts';
import { hasSurface, laySurface, surfaceOf, type Surface } from './stock-surface.ts';
import { proof } from './proof.ts';
import { asPrinted, asPrintedThroughMesh } from '../recipe/as-printed.ts';
import type { Recipe } from '../recipe/recipe.ts';
import type { SetColours } from './light-rows.ts';
import { seenLight, type SeenLight } from './seen-light.ts';

/** How a proof is looked at. */
export interface ProofLook {
  /** Metres the eye is away; 0 for a screen's own sharpness. */
  readonly distance: number;
  /** True for what the press prints; false for the films as they are, as if no press had a say. */
  readonly press: boolean;
  /** True to show what the mesh's threads stop of the ink, and the patterns that makes. */
  readonly mesh?: boolean;
  /** Plates that miss their place by up to so many mm, each by its own draw of a seed; 0 for none. */
  readonly register: number;
  readonly seed: number;
}

export const PLAIN_LOOK: ProofLook = { distance: 0, press: true, register: 0, seed: 1 };

/**
 * Width of a point on the eye's back, at half its height, as an angle: one minute of arc, the least that parts two lines
 * (common practice, no source).
 */
const ACUITY = Math.PI / 180 / 60;
/** Half the width at half the height of a Gaussian of standard deviation 1, twice over. */
const HALF_WIDTH = 2.3548;

/** Blur in mm on the sheet that an eye so many metres away sees it with, as a standard deviation. */
export const eyeBlur = (metres: number): number => (metres * 1000 * Math.tan(ACUITY)) / HALF_WIDTH;

/** A job whose plates miss their place a little, each in its own way; the first one down is what they are fitted to. */
export function misregistered(recipe: Recipe, tolerance: number, seed: number): Recipe {
  if (tolerance === 0) return recipe;
  const draw = (plate: number, what: number) => (randomAt(seed, plate, what) / 2 ** 31 - 1) * tolerance;
  const across = Math.max(recipe.sheet.width, recipe.sheet.height);
  return {
    ...recipe,
    plates: recipe.plates.map((plate, i) => {
      if (i === 0) return plate;
      const { x, y, turn } = plate.shift;
      // A turn that moves the sheet's edges by about as much again.
      const turned = ((draw(i, 2) / across) * 180) / Math.PI;
      return { ...plate, shift: { x: x + draw(i, 0), y: y + draw(i, 1), turn: turn + turned } };
    }),
  };
}

/** Light is mixed under this many cells of the coarsest screen. */
const CELLS = 0.6;
/** Ruling that screens without one are taken to have, lpi. */
const FINE_RULING = 200;
/** The least distance light spreads through a stock, mm. */
const LEAST_SPREAD = 0.15;

/**
 * What the plates look like printed: the inks over one another on the stock as the ink model has them, with light that
 * spreads in the stock, ink that soaks in, the stock's surface, blended inks, and the eye's distance.
 */
export function pressProof(given: PlatesView, look: ProofLook): Shown {
  const { recipe: films } = given.scene;
  const print = look.mesh ? asPrintedThroughMesh(films) : asPrinted(films);
  const recipe = misregistered(look.press ? print : films, look.register, look.seed);
  const request = { ...given, scene: { ...given.scene, recipe } };
  const { stock } = recipe;
  const inks = given.plates.map((plate) => inkOf(recipe.inks, recipe.plates[plate].ink));
  const reach = reachOf(request, look);
  const draft = given.frame.draft === true;
  const blended = inks.some(({ fountain }) => fountain !== null);
  const grounded = hasGround(recipe);
  // A first picture can do without.
  const textured = hasSurface(recipe, look.distance) && !draft;
  const plain = !blended && !textured && !grounded && reach.blur === 0;
  const hasMany = given.plates.length > 2 && draft;
  const surface = () => surfaceOf(request, reach.perMm, look.distance);
  const underStock = (shown: Shown): Shown => {
    // The stock's picture may be of another colour than it: a first picture has it too.
    if (draft && stock.picture) laySurface(shown.rgba, surface());
    return shown;
  };
  if (plain && stock.yuleNielsen === 1 && !hasMany) {
    return underStock(proof(request, overprints(stock, inks, recipe.overprints)));
  }
  const isTinted = given.plates.length > 0 && given.plates.length <= TINT_PLATES;
  if (plain && draft && !isEnlarged(request) && isTinted) {
    const { planes, inked } = tintedLight(request, colouringOf(recipe, inks)(undefined));
    const size = { width: request.view.columns, height: request.rows.count };
    const left = leavingLight(planes[0], size, 0, stock.yuleNielsen);
    return underStock({ rgba: toScreen(left, size, request, 0, undefined), inked });
  }
  const wide = grownView(request, reach.margin);
  const size = { width: wide.view.columns, height: wide.rows.count };
  const { planes, inked } = grounded
    ? groundedRoots(wide, inks, reach.margin)
    : paperRoots(wide, inks, stock.lab, reach.margin);
  const left = leavingLight(planes[0], size, reach.spread, stock.yuleNielsen);
  const seen =
    reach.blur === 0 ? left : left.map((plane) => blurLight(plane, size.width, size.height, reach.blur));
  const factors = textured ? surface() : undefined;
  return underStock({ rgba: toScreen(seen, size, request, reach.margin, factors), inked });
}

/** Light of plates on plain paper, to the power 1/n. */
function paperRoots(request: PlatesView, inks: readonly Ink[], lab: Lab, margin: number): SeenLight {
  const { recipe } = request.scene;
  const colouring = colouringOf({ ...recipe, stock: { ...recipe.stock, lab } }, inks);
  const blended = inks.some(({ fountain }) => fountain !== null);
  const onSheet = placeOnSheet(request);
  const colours: SetColours = blended ? (x, y) => colouring(onSheet(x, y)) : colouring(undefined);
  return seenLight(request, [colours], margin);
}

/** The same over what is on the stock already. */
function groundedRoots(request: PlatesView, inks: readonly Ink[], margin: number): SeenLight {
  const seen = paperRoots(request, inks, WHITE_PAPER, margin);
  const covers = inks.some(({ opacity }) => opacity > 0);
  const onBlack = covers ? paperRoots(request, inks, BLACK_PAPER, margin) : undefined;
  const roots = groundRoots(groundOf(request), request.scene.recipe.stock.yuleNielsen);
  laidOnGround(seen.planes[0], onBlack?.planes[0], roots);
  return seen;
}

/** How far, in screen pixels, light reaches from one to another. */
interface Reach {
  /** Screen pixels of a millimetre. */
  readonly perMm: number;
  /** Standard deviation of the blur by ink that soaks in and by the eye; 0 where it changes nothing worth having. */
  readonly blur: number;
  /** The same of light that spreads in the stock. */
  readonly spread: number;
  /** Pixels around what is shown that have a part in it. */
  readonly margin: number;
}

function reachOf({ scene, frame, view, plates }: PlatesView, look: ProofLook): Reach {
  const { recipe } = scene;
  const { stock } = recipe;
  const perMm = mmToPixels(1, frame) / (view.width / view.columns);
  const worth = (sigma: number) => (sigma < LEAST_BLUR ? 0 : sigma);
  const cell = Math.max(
    LEAST_SPREAD,
    ...plates.map((plate) => MM_PER_INCH / (latticeOf(recipe.plates[plate].screen)?.ruling ?? FINE_RULING)),
  );
  const blur = worth(Math.hypot(stock.soak, eyeBlur(look.distance)) * perMm);
  // A first picture mixes light within its own pixels alone.
  const spread = stock.yuleNielsen > 1 && frame.draft !== true ? worth(CELLS * cell * perMm) : 0;
  return { perMm, blur, spread, margin: Math.ceil(3 * blur) + Math.ceil(3 * spread) };
}

/** A view with so many screen pixels more on every side. */
function grownView<Request extends SceneView>(request: Request, margin: number): Request {
  const { view, rows } = request;
  const step = view.width / view.columns;
  return {
    ...request,
    view: {
      x: view.x - margin * step,
      y: view.y - (margin * view.height) / view.rows,
      width: view.width + 2 * margin * step,
      height: view.height * (1 + (2 * margin) / view.rows),
      columns: view.columns + 2 * margin,
      rows: view.rows + 2 * margin,
    },
    rows: { first: rows.first, count: rows.count + 2 * margin },
  };
}

/**
 * Light as it leaves the stock, a plane of each channel. It enters through the ink of one place and leaves through that of another nearby: of the n
 * factors of the Yule–Nielsen model one is the ink that it leaves through, the others are inks around. Over a few cells the mean becomes what that model
 * predicts; bare stock is darker beside ink, and ink lighter beside bare stock.
 *
 * @param roots  light to the power 1/n; used up
 * @param spread standard deviation in pixels
 */
function leavingLight(
  roots: readonly Float32Array[],
  { width, height }: { width: number; height: number },
  spread: number,
  n: number,
): readonly Float32Array[] {
  if (n === 1) return roots;
  if (spread === 0) return roots.map((plane) => toPower(plane, n));
  return roots.map((plane) => {
    const entering = toPower(blurLight(plane, width, height, spread), n - 1);
    for (let i = 0; i < plane.length; i++) plane[i] *= entering[i];
    return plane;
  });
}

/** Light as sRGB, without the margin around it. */
function toScreen(
  [reds, greens, blues]: readonly Float32Array[],
  { width }: { width: number },
  { view, rows }: SceneView,
  margin: number,
  surface: Surface | undefined,
): Uint8ClampedArray<ArrayBuffer> {
  const [rr, rg, rb, gr, gg, gb, br, bg, bb] = WIDE_TO_SRGB;
  const rgba = new Uint8ClampedArray(view.columns * rows.count * 4);
  for (let y = 0, to = 0; y < rows.count; y++) {
    for (let x = 0, i = (y + margin) * width + margin; x < view.columns; x++, i++, to++) {
      const r = reds[i];
      const g = greens[i];
      const b = blues[i];
      let red = rr * r + rg * g + rb * b;
      let green = gr * r + gg * g + gb * b;
      let blue = br * r + bg * g + bb * b;
      if (surface) {
        red *= surface[0][to];
        green *= surface[1][to];
        blue *= surface[2][to];
      }
      rgba[4 * to] = encode8(red);
      rgba[4 * to + 1] = encode8(green);
      rgba[4 * to + 2] = encode8(blue);
      rgba[4 * to + 3] = 255;
    }
  }
  return rgba;
}

/** Blurs of fewer pixels change nothing worth having. */
const LEAST_BLUR = 0.3;

/** Steps of the table that powers are read through. */
const STEPS = 4096;

const recentPowers = cache<Float64Array>('light powers');

/** Makes numbers of 0 to 1 and a little more their n-th powers, by a table. */
function toPower(plane: Float32Array, n: number): Float32Array {
  const table = recentPowers(String(n), () =>
    Float64Array.from({ length: STEPS + 2 }, (_, i) => power(i / STEPS, n)),
  );
  for (let i = 0; i < plane.length; i++) {
    // The low-pass may go a little below 0 beside hard edges.
    const at = Math.max(0, plane[i]) * STEPS;
    const low = at | 0;
    plane[i] = low < STEPS ? table[low] + (table[low + 1] - table[low]) * (at - low) : power(plane[i], n);
  }
  return plane;
}

/**
 * Light of the overprints at a place of the sheet, to the power 1/n of its stock, three channels each, one after another; the same everywhere unless an
 * ink is blended.
 */
export function colouringOf(
  { stock, sheet, overprints: measured }: Recipe,
  inks: readonly Ink[],
): (place: { x: number; y: number } | undefined) => Float64Array {
  const { yuleNielsen } = stock;
  const made = (key: readonly number[]): Float64Array => {
    const here = fountainInks(inks, key);
    const known = measured.filter(({ inks: ids }) =>
      ids.every((id) => inks.find((ink) => ink.id === id)?.fountain === null),
    );
    const light = Float64Array.from(overprintLight(stock, here, known).flat());
    return yuleNielsen === 1 ? light : light.map((one) => power(one, 1 / yuleNielsen));
  };
  const fixed = made(inks.map(() => 0));
  const known = new Map<number, Float64Array>();
  return (place) => {
    if (!place) return fixed;
    const zones = inks.map(({ fountain }) => (fountain ? zoneOf(fountain.angle, place, sheet) : 0));
    const key = zones.reduce((sum, zone) => sum * (ZONES + 1) + zone, 0);
    let found = known.get(key);
    if (!found) known.set(key, (found = made(zones.map((zone) => zone / ZONES))));
    return found;
  };
}

/** Steps that a blended ink is drawn in. */
const ZONES = 96;

function zoneOf(angle: number, { x, y }: { x: number; y: number }, sheet: Recipe['sheet']): number {
  const { from, to } = fountainLine(angle, sheet);
  const [runX, runY] = [to.x - from.x, to.y - from.y];
  const along = ((x - from.x) * runX + (y - from.y) * runY) / (runX * runX + runY * runY);
  return Math.round(Math.min(1, Math.max(0, along)) * ZONES);
}

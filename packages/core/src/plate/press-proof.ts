import { encode8 } from '../colour/srgb.ts';
import { wideToXyz, type WideRgb } from '../colour/wide-rgb.ts';
import { xyzToLinear } from '../colour/lab.ts';
import { fountainInks } from '../ink/fountain.ts';
import { overprintLight, overprints } from '../ink/overprint.ts';
import { textureAt } from '../ink/texture.ts';
import { power } from '../power.ts';
import { mmToPixels, type Frame } from '../raster/frame.ts';
import { randomAt } from '../random.ts';
import { latticeOf } from '../screen/screen.ts';
import { blurLight } from './blur-light.ts';
import { enlargedSets, inkedAreas, proof, sharesAt, type Shown, type View, type ViewRows } from './proof.ts';
import type { Recipe } from './recipe.ts';
import type { Scene } from './scene.ts';

/** How a proof is looked at. */
export interface ProofLook {
  /** Metres the eye is away; 0 for a screen's own sharpness. */
  readonly distance: number;
  /** Plates that miss their place by up to so many mm, each by its own draw of a seed; 0 for none. */
  readonly register: number;
  readonly seed: number;
}

export const PLAIN_LOOK: ProofLook = { distance: 0, register: 0, seed: 1 };

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
/** The least distance light spreads through a stock, mm. */
const LEAST_SPREAD = 0.15;

/**
 * What the plates look like printed: the inks over one another on the stock as the ink model has them, with light that
 * spreads in the stock, ink that soaks in, the stock's surface, blended inks, and the eye's distance.
 */
export function pressProof(
  given: Scene,
  frame: Frame,
  view: View,
  rows: ViewRows,
  plates: readonly number[],
  look: ProofLook,
): Shown {
  const scene = { ...given, recipe: misregistered(given.recipe, look.register, look.seed) };
  const { stock, sheet } = scene.recipe;
  const inks = plates.map((plate) =>
    scene.recipe.inks.find(({ id }) => id === scene.recipe.plates[plate].ink)!,
  );
  const step = view.width / view.columns;
  const perMm = mmToPixels(1, frame) / step;
  const blended = inks.some(({ fountain }) => fountain !== null);
  // A first picture can do without.
  const textured = stock.texture !== 'smooth' && look.distance === 0 && frame.draft !== true;
  const blur = Math.hypot(stock.soak, eyeBlur(look.distance)) * perMm;
  const spreads = stock.spread > 1;
  if (!blended && !textured && blur < 0.3 && !spreads) {
    return proof(scene, frame, view, rows, plates, overprints(stock, inks, scene.recipe.overprints));
  }
  const cell = Math.max(
    LEAST_SPREAD,
    ...plates.map((plate) => 25.4 / (latticeOf(scene.recipe.plates[plate].screen)?.ruling ?? 200)),
  );
  const spreadBlur = spreads ? CELLS * cell * perMm : 0;
  const margin = Math.ceil(3 * blur) + Math.ceil(3 * spreadBlur);
  const wide: View = {
    x: view.x - margin * step,
    y: view.y - (margin * view.height) / view.rows,
    width: view.width + 2 * margin * step,
    height: view.height * (1 + (2 * margin) / view.rows),
    columns: view.columns + 2 * margin,
    rows: view.rows + 2 * margin,
  };
  const part = { first: rows.first, count: rows.count + 2 * margin };
  const count = wide.columns * part.count;
  const light = [0, 1, 2].map(() => new Float32Array(count));
  const caught = spreads ? [0, 1, 2].map(() => new Float32Array(count)) : undefined;
  const place = (i: number) => {
    const column = i % wide.columns;
    const row = part.first + Math.floor(i / wide.columns);
    const mm = (pixels: number) => pixels / mmToPixels(1, frame) - frame.bleed;
    return {
      x: mm(wide.x + (column + 0.5) * step),
      y: mm(wide.y + ((row + 0.5) * wide.height) / wide.rows),
    };
  };
  const colouring = colouringOf(scene.recipe, inks, sheet);
  const inked = plates.map(() => 0);
  const inner = (i: number) => {
    const column = i % wide.columns;
    const row = Math.floor(i / wide.columns);
    return column >= margin && column < wide.columns - margin && row >= margin && row < part.count - margin;
  };
  const shares = new Float64Array(1 << plates.length);
  const enlarged = view.width < view.columns || view.height < view.rows;
  const sets = enlarged ? enlargedSets(scene, frame, wide, part, plates).sets : undefined;
  const areas = enlarged ? undefined : inkedAreas(scene, frame, wide, part, plates);
  for (let i = 0; i < count; i++) {
    const { colours, roots } = colouring(blended ? place(i) : undefined);
    if (sets) {
      shares.fill(0);
      shares[sets[i]] = 1;
    } else sharesAt(areas!.areas, areas!.full, i, shares);
    for (let set = 0; set < shares.length; set++) {
      const share = shares[set];
      if (share === 0) continue;
      for (let k = 0; k < 3; k++) {
        light[k][i] += share * colours[set][k];
        if (caught) caught[k][i] += share * roots[set][k];
      }
    }
    if (inner(i)) {
      for (let k = 0; k < plates.length; k++) {
        for (let set = 0; set < shares.length; set++) if (set & (1 << k)) inked[k] += shares[set];
      }
    }
  }
  const size = { width: wide.columns, height: part.count };
  if (caught) spreadLight(light, caught, size, spreadBlur, stock.spread);
  const seen = blur < 0.3 ? light : light.map((plane) => blurLight(plane, size.width, size.height, blur));
  const rgba = new Uint8ClampedArray(view.columns * rows.count * 4);
  for (let y = 0, at = 0; y < rows.count; y++) {
    for (let x = 0; x < view.columns; x++, at += 4) {
      const i = (y + margin) * wide.columns + x + margin;
      const here = textured ? place(i) : undefined;
      const surface = here ? textureAt(stock.texture, here.x, here.y, perMm) : 1;
      const rgb = xyzToLinear(wideToXyz([seen[0][i], seen[1][i], seen[2][i]]));
      for (let k = 0; k < 3; k++) rgba[at + k] = encode8(rgb[k] * surface);
      rgba[at + 3] = 255;
    }
  }
  return { rgba, inked: inked.map((sum) => sum / (view.columns * rows.count)) };
}

/**
 * Light that enters the stock in one place and leaves it in another: between dots it is caught under them, and the stock
 * there looks darker. Over a few cells the mean becomes what the Yule–Nielsen model predicts.
 */
function spreadLight(
  light: Float32Array[],
  caught: Float32Array[],
  { width, height }: { width: number; height: number },
  sigma: number,
  n: number,
): void {
  for (let k = 0; k < 3; k++) {
    const mean = sigma < 0.3 ? light[k] : blurLight(light[k], width, height, sigma);
    const roots = sigma < 0.3 ? caught[k] : blurLight(caught[k], width, height, sigma);
    const plane = new Float32Array(light[k].length);
    for (let i = 0; i < plane.length; i++) {
      plane[i] = mean[i] > 0 ? (light[k][i] * power(roots[i], n)) / mean[i] : light[k][i];
    }
    light[k] = plane;
  }
}

interface Colouring {
  readonly colours: readonly WideRgb[];
  /** The same to the power 1/n. */
  readonly roots: readonly WideRgb[];
}

/** The colours of the overprints at a place of the sheet; the same everywhere unless an ink is blended. */
function colouringOf(
  { stock, overprints: measured }: Recipe,
  inks: Parameters<typeof fountainInks>[0],
  sheet: Recipe['sheet'],
): (place: { x: number; y: number } | undefined) => Colouring {
  const root = (value: number) => power(value, 1 / stock.spread);
  const made = (key: readonly number[]): Colouring => {
    const here = fountainInks(inks, key);
    const known = measured.filter(({ inks: ids }) =>
      ids.every((id) => inks.find((ink) => ink.id === id)?.fountain === null),
    );
    const colours = overprintLight(stock, here, known);
    return { colours, roots: colours.map(([r, g, b]) => [root(r), root(g), root(b)]) };
  };
  const fixed = made(inks.map(() => 0));
  const known = new Map<number, Colouring>();
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
  const [cos, sin] = [Math.cos((angle * Math.PI) / 180), Math.sin((angle * Math.PI) / 180)];
  const reach = Math.abs(sheet.width * cos) + Math.abs(sheet.height * sin);
  const along = ((x - sheet.width / 2) * cos - (y - sheet.height / 2) * sin) / reach + 0.5;
  return Math.round(Math.min(1, Math.max(0, along)) * ZONES);
}

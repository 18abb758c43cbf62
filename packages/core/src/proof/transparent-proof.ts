import type { Lab } from '../colour/lab.ts';
import { encode8 } from '../colour/srgb.ts';
import { WIDE_TO_SRGB } from '../colour/wide-to-srgb.ts';
import { labToWide, type WideRgb } from '../colour/wide-rgb.ts';
import { inkOf } from '../ink/ink-of.ts';
import type { Stock } from '../ink/ink.ts';
import { asPrinted } from '../recipe/as-printed.ts';
import { BLACK_PAPER, groundOf, hasGround, laidOnGround, WHITE_PAPER } from './ground.ts';
import type { PlatesView } from './plates-view.ts';
import { placeOnSheet } from './place-on-sheet.ts';
import { colouringOf } from './press-proof.ts';
import { seenLight } from './seen-light.ts';

/** A stock without a surface of its own: neither texture, nor light or ink that spreads in it, is there where it is not. */
export const plainStock = ({ picture: _, ...stock }: Stock): Stock => ({
  ...stock,
  texture: 'smooth',
  soak: 0,
  yuleNielsen: 1,
});

/** Less of a pixel than this counts as no ink: half of what eight bits can tell. */
const LEAST = 1 / 510;

/**
 * The print without its stock: clear where there is no ink, and laid on the stock's colour the same as with it, to a step of eight bits. Programs lay
 * pictures over one another in sRGB's own values; so does this.
 *
 * @returns 8-bit sRGB with alpha, rows × columns × 4
 */
export function transparentProof(given: PlatesView): Uint8ClampedArray<ArrayBuffer> {
  const printed = asPrinted(given.scene.recipe);
  const recipe = { ...printed, stock: plainStock(printed.stock) };
  const request = { ...given, scene: { ...given.scene, recipe } };
  const inks = given.plates.map((plate) => inkOf(recipe.inks, recipe.plates[plate].ink));
  const onSheet = placeOnSheet(request);
  const isBlended = inks.some(({ fountain }) => fountain !== null);
  const under = hasGround(recipe) ? groundOf(request) : undefined;
  // What is under the inks is multiplied in wide bands of light; else all is as an opaque picture has it.
  const asSeen = (sets: Float64Array) => (under ? sets : inSrgb(sets));
  const coloursOn = (lab: Lab) => {
    const colouring = colouringOf({ ...recipe, stock: { ...recipe.stock, lab } }, inks);
    return isBlended
      ? (x: number, y: number) => asSeen(colouring(onSheet(x, y)))
      : asSeen(colouring(undefined));
  };
  // Of every set of plates but the empty one a pixel is full.
  const inked = new Float64Array(3 << inks.length).fill(1, 3);
  const paper = under ? WHITE_PAPER : recipe.stock.lab;
  const {
    planes: [light, [shares]],
  } = seenLight(request, [coloursOn(paper), inked]);
  if (under) {
    const covers = inks.some(({ opacity }) => opacity > 0);
    laidOnGround(
      light,
      covers ? seenLight(request, [coloursOn(BLACK_PAPER)]).planes[0] : undefined,
      under.light,
    );
    for (let i = 0; i < shares.length; i++) shares[i] = 1 - (1 - shares[i]) * (1 - under.alpha[i]);
  }
  const [reds, greens, blues] = light;
  const ground = toSrgb(labToWide(recipe.stock.lab)).map(encode8);
  const out = new Uint8ClampedArray(reds.length * 4);
  for (let i = 0, to = 0; i < reds.length; i++, to += 4) {
    const here = [reds[i], greens[i], blues[i]] as const;
    const seen = (under ? toSrgb(here) : here).map(encode8);
    const isBare = shares[i] < LEAST && seen.every((one, k) => one === ground[k]);
    if (isBare) continue;
    // As clear as it can be: no channel may have to be darker than black or lighter than white.
    let alpha = Math.min(1, Math.max(0, shares[i]));
    for (let k = 0; k < 3; k++) {
      const [c, s] = [seen[k], ground[k]];
      if (c < s) alpha = Math.max(alpha, 1 - c / s);
      else if (c > s) alpha = Math.max(alpha, (c - s) / (255 - s));
    }
    const whole = Math.min(255, Math.ceil(alpha * 255));
    const share = whole / 255;
    for (let k = 0; k < 3; k++) out[to + k] = ground[k] + (seen[k] - ground[k]) / share;
    out[to + 3] = whole;
  }
  return out;
}

/** Wide light as light of sRGB. */
function toSrgb([r, g, b]: WideRgb): [number, number, number] {
  const [rr, rg, rb, gr, gg, gb, br, bg, bb] = WIDE_TO_SRGB;
  return [rr * r + rg * g + rb * b, gr * r + gg * g + gb * b, br * r + bg * g + bb * b];
}

/** The same of colours one after another. */
function inSrgb(sets: Float64Array): Float64Array {
  const made = new Float64Array(sets.length);
  for (let i = 0; i < sets.length; i += 3) made.set(toSrgb([sets[i], sets[i + 1], sets[i + 2]]), i);
  return made;
}

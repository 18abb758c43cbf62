import { cache } from '../base/cache.ts';
import { clamp } from '../base/numbers.ts';
import { power } from '../base/power.ts';
import { blendOf } from '../colour/blend.ts';
import type { Lab } from '../colour/lab.ts';
import { linearToXyz, labToXyz, xyzToLinear } from '../colour/lab.ts';
import { linearToSrgb, srgbToLinear } from '../colour/srgb.ts';
import { labToWide, xyzToWide } from '../colour/wide-rgb.ts';
import { originalPixels } from '../original/original-pixels.ts';
import { materialsKey } from '../recipe/materials-key.ts';
import type { Region } from '../raster/region.ts';
import type { OriginalRecipe, Recipe } from '../recipe/recipe.ts';
import { isOnStock } from '../separation/route.ts';
import type { StockRoute } from '../separation/routes/stock.ts';
import { screenGrid } from './contone.ts';
import type { SceneView } from './plates-view.ts';

/** What is on the stock before the inks: wide light of each screen pixel, a plane a channel, and how far it hides the bare stock, 0–1. */
export interface Ground {
  readonly light: readonly Float32Array[];
  readonly alpha: Float32Array;
}

/**
 * Papers that inks are seen on to know how they are seen on any: what inks reflect is a sum of what does not hang on the paper and of what is
 * in proportion to it, so light on a ground lies between that on black and that on white. The same holds for the n-th roots of light that spreads in
 * the stock (Yule–Nielsen), to the digit for inks that are transparent and for those that cover, nearly for what is between.
 */
export const WHITE_PAPER: Lab = [100, 0, 0];
export const BLACK_PAPER: Lab = [0, 0, 0];

const isGround = (original: OriginalRecipe): original is OriginalRecipe & { readonly route: StockRoute } =>
  original.shown && isOnStock(original.route);

/** True for a job with originals that are on the stock already. */
export const hasGround = ({ originals }: Recipe): boolean => originals.some(isGround);

const recentGrounds = cache<Ground>('grounds', ({ alpha }) => 4 * alpha.byteLength);

/** Hard edges are drawn so many times as fine as the screen each way. */
const FINE = 3;

/** What is on the stock before the inks, as some rows of a view show it: originals over the stock's colour, in sheet order. */
export function groundOf(request: SceneView): Ground {
  const { scene, view, rows, frame } = request;
  const { originals, stock, sheet } = scene.recipe;
  const laid = originals.filter(isGround);
  const { width, height, resolution } = frame;
  const key = JSON.stringify([
    laid,
    stock.lab,
    sheet,
    materialsKey(scene),
    [width, height, resolution],
    view,
    rows,
  ]);
  return recentGrounds(key, () => {
    const { grid, region } = screenGrid(request);
    const ground = new Blending(stock.lab, region.width * region.height);
    for (const original of laid) {
      ground.lay(originalPixels(original, scene, grid, region, FINE, 'toned'), original.route);
    }
    const made = ground.made();
    for (const plane of [...made.light, made.alpha]) repeatEdges(plane, region, grid);
    return made;
  });
}

/** Beyond the sheet its outermost pixels repeat: light that spreads knows no edge of the sheet. */
function repeatEdges(
  plane: Float32Array,
  { x, y, width, height }: Region,
  sheet: { width: number; height: number },
): void {
  const columns = Array.from({ length: width }, (_, i) =>
    clamp(clamp(x + i, 0, sheet.width - 1) - x, 0, width - 1),
  );
  const isWhole = x >= 0 && x + width <= sheet.width;
  for (let j = 0; j < height; j++) {
    const from = clamp(clamp(y + j, 0, sheet.height - 1) - y, 0, height - 1);
    if (isWhole && from === j) continue;
    const row = plane.slice(from * width, (from + 1) * width);
    for (let i = 0; i < width; i++) plane[j * width + i] = row[columns[i]];
  }
}

/** Levels of a sample of sRGB, those of eight bits among them. */
const LEVELS = 255 * 16;
const LINEAR = Float64Array.from({ length: LEVELS + 1 }, (_, i) => srgbToLinear(i / LEVELS));

/** Linear sRGB to wide light, nine factors. */
const SRGB_TO_WIDE = (() => {
  const columns = [
    xyzToWide(linearToXyz([1, 0, 0])),
    xyzToWide(linearToXyz([0, 1, 0])),
    xyzToWide(linearToXyz([0, 0, 1])),
  ];
  return Float64Array.from({ length: 9 }, (_, i) => columns[i % 3][Math.floor(i / 3)]);
})();

/** Pictures laid on a stock, in sRGB's own values as programs do. */
class Blending {
  private readonly colours: Float32Array;
  private readonly alpha: Float32Array;

  constructor(
    private readonly stock: Lab,
    private readonly pixels: number,
  ) {
    this.alpha = new Float32Array(pixels);
    this.colours = new Float32Array(3 * pixels);
    const start = xyzToLinear(labToXyz(stock)).map((one) => linearToSrgb(Math.min(1, Math.max(0, one))));
    for (let i = 0; i < this.colours.length; i++) this.colours[i] = start[i % 3];
  }

  /**
   * Lays a picture over what is there by the formula for simple alpha compositing with blending on an opaque backdrop (Compositing and
   * Blending Level 1, section 10): (1 − α) Cb + α B(Cb, Cs).
   *
   * @param rgba 8-bit sRGB with alpha
   */
  lay(rgba: Uint8ClampedArray, { blend, opacity }: StockRoute): void {
    const { colours } = this;
    const mixed = blendOf(blend);
    // Most pictures are laid as they are; the long way round is ten times as slow.
    const isNormal = blend === 'normal';
    for (let i = 0, at = 0; i < this.pixels; i++, at += 3) {
      const share = (rgba[4 * i + 3] / 255) * (opacity / 100);
      if (share === 0) continue;
      const [r, g, b] = [rgba[4 * i] / 255, rgba[4 * i + 1] / 255, rgba[4 * i + 2] / 255];
      const under = [colours[at], colours[at + 1], colours[at + 2]] as const;
      const over = isNormal ? ([r, g, b] as const) : mixed(under, [r, g, b]);
      for (let k = 0; k < 3; k++) colours[at + k] = under[k] + (over[k] - under[k]) * share;
      this.alpha[i] += (1 - this.alpha[i]) * share;
    }
  }

  made(): Ground {
    const bare = labToWide(this.stock);
    const light = [0, 1, 2].map(() => new Float32Array(this.pixels));
    for (let i = 0, at = 0; i < this.pixels; i++, at += 3) {
      if (this.alpha[i] === 0) {
        for (let k = 0; k < 3; k++) light[k][i] = bare[k];
        continue;
      }
      const sample = (k: number) =>
        LINEAR[Math.round(Math.min(1, Math.max(0, this.colours[at + k])) * LEVELS)];
      const [r, g, b] = [sample(0), sample(1), sample(2)];
      for (let k = 0; k < 3; k++) {
        light[k][i] = SRGB_TO_WIDE[3 * k] * r + SRGB_TO_WIDE[3 * k + 1] * g + SRGB_TO_WIDE[3 * k + 2] * b;
      }
    }
    return { light, alpha: this.alpha };
  }
}

const recentRoots = cache<Float64Array>('light powers');

/** Steps of the table that roots are read from. */
const STEPS = 65535;

/** A ground's light to the power 1/n, a plane a channel. */
export function groundRoots({ light }: Ground, n: number): readonly Float32Array[] {
  if (n === 1) return light;
  const table = recentRoots(`root ${n}`, () =>
    Float64Array.from({ length: STEPS + 1 }, (_, i) => power(i / STEPS, 1 / n)),
  );
  return light.map((plane) => plane.map((one) => table[(Math.min(1, one) * STEPS + 0.5) | 0]));
}

/**
 * Light of inks on a ground, or its roots.
 *
 * @param onWhite a plane a channel, which is written over
 * @param onBlack where inks reflect light by themselves
 * @param ground  light of the ground, or its roots
 */
export function laidOnGround(
  onWhite: readonly Float32Array[],
  onBlack: readonly Float32Array[] | undefined,
  ground: readonly Float32Array[],
): void {
  onWhite.forEach((plane, k) => {
    const [under, own] = [ground[k], onBlack?.[k]];
    if (own) for (let i = 0; i < plane.length; i++) plane[i] = own[i] + (plane[i] - own[i]) * under[i];
    else for (let i = 0; i < plane.length; i++) plane[i] *= under[i];
  });
}

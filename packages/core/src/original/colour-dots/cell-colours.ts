import { luma709 } from '../../colour/luma.ts';
import { frameOf } from '../../recipe/frame.ts';
import { MM_PER_INCH, type Frame } from '../../raster/frame.ts';
import { placeOriginal } from '../place-original.ts';
import type { OriginalRecipe } from '../../recipe/recipe.ts';
import type { Materials } from '../../recipe/scene.ts';
import { mapPoint } from '../../raster/affine.ts';
import { readPixel } from '../../raster/read-pixel.ts';
import type { ColourDots } from '../../recipe/colour-dots.ts';
import { dotLattice } from './dot-lattice.ts';

/** A dot's one colour (0–255 each) and the share of its cell that it covers; covers nothing where there is no picture. */
export interface DotColour {
  readonly red: number;
  readonly green: number;
  readonly blue: number;
  /** 0–1. */
  readonly covers: number;
}

const NONE: DotColour = { red: 0, green: 0, blue: 0, covers: 0 };

/** Pixels of the picture along the cells that share a colour. */
const PER_COLOUR = 2;

/** The colours of an original's dots by their cell: each is read from a picture about as coarse as they are. */
export function cellColours(
  original: OriginalRecipe,
  dots: ColourDots,
  materials: Materials,
  frame: Pick<Frame, 'width' | 'height' | 'resolution' | 'bleed'>,
): (i: number, j: number) => DotColour {
  const mm = (pixels: number) => (pixels / frame.resolution) * MM_PER_INCH;
  const sheet = {
    width: mm(frame.width) - 2 * frame.bleed,
    height: mm(frame.height) - 2 * frame.bleed,
    bleed: frame.bleed,
  };
  const grid = frameOf(sheet, Math.max(1, (dots.ruling / dots.coarse) * PER_COLOUR));
  const { tones, toBox } = placeOriginal({ original, materials, frame: grid });
  const picture = tones?.source.picture;
  if (!tones || !picture) return () => NONE;
  const { toSource } = tones;
  const lattice = dotLattice(dots, grid);
  const made = new Map<number, DotColour>();
  const pixel = new Float64Array(4);
  const find = (i: number, j: number): DotColour => {
    const [x, y] = lattice.toGrid(i + 0.5, j + 0.5);
    const inBox = mapPoint(toBox, x, y);
    if (inBox.x < 0 || inBox.y < 0 || inBox.x >= 1 || inBox.y >= 1) return NONE;
    // Cells that share a colour take that of the middle of all of them.
    const middle = (k: number) => (Math.floor(k / dots.coarse) + 0.5) * dots.coarse;
    const [cx, cy] = lattice.toGrid(middle(i), middle(j));
    const at = mapPoint(toSource, cx, cy);
    readPixel(picture, at.x - 0.5, at.y - 0.5, pixel);
    if (pixel[3] < 128) return NONE;
    const [red, green, blue] = [0, 1, 2].map((k) => Math.round(pixel[k]));
    const dark = 1 - luma709(red, green, blue) / 255;
    return { red, green, blue, covers: (dots.size / 100) * (dots.by === 'tone' ? dark : 1) };
  };
  return (i, j) => {
    const key = (j + 65536) * 131072 + (i + 65536);
    let colour = made.get(key);
    if (!colour) made.set(key, (colour = find(i, j)));
    return colour;
  };
}

import { paintDrawing } from '../drawing/paint-drawing.ts';
import { plateBits } from '../plate/evaluate.ts';
import { addBits, createBits, cropBits, placeBits, type Bits } from '../raster/bits.ts';
import { after, moved, scaled } from '../raster/affine.ts';
import { mmToPixels } from '../raster/frame.ts';
import { SOLID } from '../raster/plane.ts';
import { intersect, isEmpty, type Region } from '../raster/region.ts';
import type { Scene } from '../recipe/scene.ts';
import { flatPatch } from '../screen/flat-patch.ts';
import type { FilmLayout } from './film-layout.ts';
import type { FilmWords } from './film-words.ts';
import { filmMarks } from './marks/film-marks.ts';
import type { MmBox } from './marks/mark-art.ts';

/**
 * A region of a film: the plate where the layout has it, its marks around it.
 *
 * @param out bits of the region's size that may be written over and given back
 */
export function filmBits(
  scene: Scene,
  plate: number,
  layout: FilmLayout,
  region: Region,
  words: FilmWords,
  out?: Bits,
): Bits {
  const part = intersect(layout.plate, region);
  const { x, y } = layout.plate;
  const onPlate = { ...part, x: part.x - x, y: part.y - y };
  if (part.width === region.width && part.height === region.height)
    return plateBits(scene, plate, layout.frame, onPlate, out);
  const film = markBits(scene, plate, layout, region, words);
  if (!isEmpty(part))
    placeBits(plateBits(scene, plate, layout.frame, onPlate), film, part.x - region.x, part.y - region.y);
  return film;
}

/** The marks alone of a region of a film. */
export function markBits(
  scene: Scene,
  plate: number,
  layout: FilmLayout,
  region: Region,
  words: FilmWords,
): Bits {
  const out = createBits(region.width, region.height);
  if (scene.recipe.marks.uses.length === 0) return out;
  const { drawing, patches } = filmMarks(scene, plate, words);
  const { trim, grid } = layout;
  const scale = mmToPixels(1, grid);
  const map = after(scaled(scale), moved(trim.x * scale, trim.y * scale));
  addBits(out, paintDrawing(drawing, map, region).ink);
  const { screen } = scene.recipe.plates[plate];
  for (const { box, tone } of patches) {
    const patch = patchRegion(layout, box);
    const part = intersect(patch, region);
    if (isEmpty(part)) continue;
    // Made whole: a screen that carries something on gives another patch for another region.
    const dots = flatPatch(screen, grid, Math.round(tone * SOLID), patch);
    const seen = cropBits(dots, { ...part, x: part.x - patch.x, y: part.y - patch.y });
    placeBits(seen, out, part.x - region.x, part.y - region.y);
  }
  return out;
}

/** The film's pixels that a patch takes up. */
export function patchRegion({ trim, grid }: FilmLayout, box: MmBox): Region {
  const pixel = (mm: number) => Math.round(mmToPixels(mm, grid));
  const [x, y] = [pixel(trim.x + box.x), pixel(trim.y + box.y)];
  return {
    x,
    y,
    width: pixel(trim.x + box.x + box.width) - x,
    height: pixel(trim.y + box.y + box.height) - y,
  };
}

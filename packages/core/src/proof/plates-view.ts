import type { Frame } from '../raster/frame.ts';
import type { FilmWords } from '../film/film-words.ts';
import { filmBits } from '../film/film-bits.ts';
import { filmLayout } from '../film/film-layout.ts';
import { plateBits } from '../plate/evaluate.ts';
import type { Bits } from '../raster/bits.ts';
import type { Region } from '../raster/region.ts';
import type { Scene } from '../recipe/scene.ts';

/** A rectangle of a grid, in pixels that need not be whole, shown on columns × rows screen pixels. */
export interface View {
  readonly x: number;
  readonly y: number;
  readonly width: number;
  readonly height: number;
  readonly columns: number;
  readonly rows: number;
}

/** A part of a view: whole rows of its screen pixels, so that workers can share the work. */
export interface ViewRows {
  readonly first: number;
  readonly count: number;
}

/** A part of a view of a scene. */
export interface SceneView {
  readonly scene: Scene;
  /** The grid that is looked at. */
  readonly frame: Frame;
  readonly view: View;
  readonly rows: ViewRows;
  /** The film's words, where the grid is that of a whole film, with its marks; see `filmLayout`. */
  readonly film?: FilmWords;
}

/** The same with the plates that are looked at, by their indexes. */
export interface PlatesView extends SceneView {
  readonly plates: readonly number[];
}

/** 8-bit sRGB with alpha, rows × columns × 4, and the plates' mean inked shares over what is shown. */
export interface Shown {
  readonly rgba: Uint8ClampedArray<ArrayBuffer>;
  readonly inked: readonly number[];
}

/** True where a screen pixel covers a pixel of the grid at most. */
export const isEnlarged = ({ view }: Pick<SceneView, 'view'>): boolean =>
  view.width <= view.columns || view.height <= view.rows;

/**
 * The bits of a region of the grid that is looked at, of one of its plates.
 *
 * @param out bits of the region's size that may be written over and given back
 */
export function viewedBits(
  { scene, frame, film }: Pick<SceneView, 'scene' | 'frame' | 'film'>,
  plate: number,
  region: Region,
  out?: Bits,
): Bits {
  if (!film) return plateBits(scene, plate, frame, region, out);
  const layout = filmLayout(scene.recipe, frame.resolution);
  const drawn = frame.draft ? { ...layout, frame: { ...layout.frame, draft: true } } : layout;
  return filmBits(scene, plate, drawn, region, film, out);
}

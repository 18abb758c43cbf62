import { createBits, placeBits, type Bits } from '../raster/bits.ts';
import { intersect, isEmpty, type Region } from '../raster/region.ts';
import type { Scene } from '../recipe/scene.ts';
import { filmBits } from './film-bits.ts';
import { filmLayout } from './film-layout.ts';
import type { FilmWords } from './film-words.ts';

/** A job's plate on a film that jobs share. */
export interface GangedPlate {
  readonly scene: Scene;
  readonly plate: number;
  readonly words: FilmWords;
  /** Left top corner of its film, in pixels of the shared one. */
  readonly x: number;
  readonly y: number;
}

/** A region of a film that jobs share: each has its own film where it lies. */
export function gangBits(plates: readonly GangedPlate[], region: Region): Bits {
  const out = createBits(region.width, region.height);
  for (const { scene, plate, words, x, y } of plates) {
    const layout = filmLayout(scene.recipe);
    const part = intersect({ x, y, width: layout.width, height: layout.height }, region);
    if (isEmpty(part)) continue;
    const bits = filmBits(scene, plate, layout, { ...part, x: part.x - x, y: part.y - y }, words);
    placeBits(bits, out, part.x - region.x, part.y - region.y);
  }
  return out;
}

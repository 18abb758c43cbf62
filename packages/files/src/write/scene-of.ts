import type { Scene, Typeface } from '@brachytone/core';
import { readTypeface } from '@brachytone/typeface';
import { LRUCache } from 'lru-cache';
import type { SharedMaterials } from './shared-materials.ts';

/** Typefaces read lately, by the SHA-256 of their files. */
const typefaces = new LRUCache<string, Typeface>({ max: 20 });

function typefaceOf(sha256: string, font: Uint8Array): Typeface {
  let face = typefaces.get(sha256);
  if (!face) {
    typefaces.set(sha256, (face = readTypeface(font)));
  }
  return face;
}

/** A recipe with everything it is made from, typefaces read. */
export const sceneOf = (
  recipe: Scene['recipe'],
  { pictures, drawings, fonts, tables }: SharedMaterials,
): Scene => ({
  recipe,
  pictures: new Map(Object.entries(pictures)),
  drawings: new Map(Object.entries(drawings)),
  typefaces: new Map(Object.entries(fonts).map(([sha256, font]) => [sha256, typefaceOf(sha256, font)])),
  tables: new Map(Object.entries(tables)),
});

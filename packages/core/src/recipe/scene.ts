import type { Drawing } from '../drawing/drawing.ts';
import type { Typeface } from '../lettering/typeface.ts';
import type { Pyramid } from '../raster/pyramid.ts';
import type { ReadyTables } from '../separation/route-kind.ts';
import type { Recipe } from './recipe.ts';

/** What the originals of a recipe are made from, by the SHA-256 of their files. */
export interface Materials {
  readonly pictures: ReadonlyMap<string, Pyramid>;
  readonly drawings: ReadonlyMap<string, Drawing>;
  readonly typefaces: ReadonlyMap<string, Typeface>;
  /** Separations by profiles, as far as there are any. */
  readonly tables?: ReadyTables;
}

/** A recipe with its materials. Where a material is missing, what needs it throws `MissingMaterial`. */
export interface Scene extends Materials {
  readonly recipe: Recipe;
}

import type { Pyramid } from '../raster/pyramid.ts';
import type { Recipe } from './recipe.ts';

/** A recipe with the pictures it names. */
export interface Scene {
  readonly recipe: Recipe;
  /** By the SHA-256 of their files. An original whose picture is missing is an error. */
  readonly pictures: ReadonlyMap<string, Pyramid>;
}

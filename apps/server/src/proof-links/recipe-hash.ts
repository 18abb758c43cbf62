import { createHash } from 'node:crypto';
import type { Recipe } from '@brachytone/core';
import { stringify } from 'safe-stable-stringify';

/** SHA-256 of a recipe, whatever order its members are in: the database keeps them in an order of its own. */
export const recipeHash = (recipe: Recipe): string =>
  createHash('sha256')
    .update(stringify(recipe) ?? '')
    .digest('hex');

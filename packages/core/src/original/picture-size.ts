import { MissingMaterial } from '../base/errors.ts';
import type { OriginalRecipe } from '../recipe/recipe.ts';
import type { Materials } from '../recipe/scene.ts';
import type { Size } from './content-kind.ts';
import { contentKind } from './contents/index.ts';

/**
 * Size in pixels of the picture an original is made from; undefined when it is made from none.
 *
 * @throws MissingMaterial
 */
export function pictureSizeOf({ content, name }: OriginalRecipe, { pictures }: Materials): Size | undefined {
  const file = contentKind(content).file(content);
  if (file?.kind !== 'picture') return undefined;
  const picture = pictures.get(file.sha256);
  if (!picture) throw new MissingMaterial('picture', name, file.sha256);
  return picture;
}

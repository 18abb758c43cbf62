import { contentKind } from '../original/contents/index.ts';
import type { Frame } from '../raster/frame.ts';
import type { PlateRecipe, Recipe } from '../recipe/recipe.ts';
import type { Scene } from '../recipe/scene.ts';
import { limitsOf, newScreen, screenGridOf } from '../screen/screen.ts';
import { routeInks } from '../separation/route.ts';
import { routeKind } from '../separation/routes/index.ts';

/** Solid from half a tone on: what flat tones are drawn by. */
const EDGES_ALONE = newScreen('threshold');

/** True where all that a plate carries is solid or bare: flat bands with hard edges, and solids that stay solid. */
function isFlat(
  { originals }: Recipe,
  { ink, base, edgeSpread, strokes, regions = [], screen }: PlateRecipe,
): boolean {
  if (base !== null || edgeSpread !== 0 || strokes.length + regions.length > 0 || limitsOf(screen).open)
    return false;
  const own = originals.filter(({ shown, route }) => shown && routeInks(route).includes(ink));
  return (
    own.length > 0 &&
    own.every(
      ({ content, route, container, fade, mix }) =>
        contentKind(content).hasTones(content) &&
        routeKind(route).isFlat === true &&
        (container === null || (container.feather === 0 && container.edge === 'cut')) &&
        fade === null &&
        mix === null,
    )
  );
}

const sharp = new WeakMap<Recipe, Map<number, Recipe | undefined>>();

/**
 * A scene in which a plate of flat tones alone, on a screen of spots wider than a pixel, goes without the screen: there is nothing to screen, and
 * its edges are drawn at the film's resolution.
 */
export function withSharpFlats(scene: Scene, plate: number, frame: Frame): Scene {
  const { recipe } = scene;
  const own = recipe.plates[plate];
  if (screenGridOf(own.screen, frame).times === 1) return scene;
  let known = sharp.get(recipe);
  if (!known) sharp.set(recipe, (known = new Map<number, Recipe | undefined>()));
  if (!known.has(plate)) {
    const plates = recipe.plates.map((one) => (one === own ? { ...one, screen: EDGES_ALONE } : one));
    known.set(plate, isFlat(recipe, own) ? { ...recipe, plates } : undefined);
  }
  const changed = known.get(plate);
  return changed ? { ...scene, recipe: changed } : scene;
}

import { latticeOf, type OriginalRecipe, type Recipe } from '@brachytone/core';
import type { FileKind, JobDocument } from './document.ts';
import { inkRoute, newDrawing, newJob, newOriginal, type PictureFacts } from './defaults.ts';
import { sheetFor, type Page } from './placing.ts';

/** The ink of a plate that is printed whose solid is darkest on the stock: where black art belongs. */
export function darkestInk({ inks, plates }: Pick<Recipe, 'inks' | 'plates'>): string {
  const used = inks.filter(({ id }) => plates.some(({ ink, printed }) => ink === id && printed));
  const [first, ...rest] = used.length > 0 ? used : inks;
  return rest.reduce((dark, ink) => (ink.lab[0] < dark.lab[0] ? ink : dark), first).id;
}

/** The finest ruling of a job, lpi; 0 where it has none. */
export const finestRuling = ({ plates }: Pick<Recipe, 'plates'>): number =>
  Math.max(0, ...plates.map(({ screen }) => latticeOf(screen)?.ruling ?? 0));

/** An original with the tone and the way to the inks of another; what was painted by hand on that one stays behind. */
function madeLike(original: OriginalRecipe, model: OriginalRecipe | undefined, ink: string): OriginalRecipe {
  if (!model) return { ...original, route: inkRoute(ink) };
  const { route } = model;
  const own = {
    ...original,
    tone: { ...model.tone, steps: model.tone.steps.filter(({ kind }) => kind !== 'brush') },
    overprint: model.overprint,
    mix: model.mix,
    // The channels of a separated file are that file's alone.
    route:
      route.kind === 'separated'
        ? inkRoute(ink)
        : route.kind === 'bands'
          ? { ...route, painted: route.painted.map((one) => ({ ...one, strokes: [] })) }
          : route,
  };
  if (model.content.kind !== original.content.kind) return own;
  return {
    ...own,
    container: model.container,
    fade: model.fade && { ...model.fade, strokes: [] },
    colourDots: model.colourDots,
  };
}

/**
 * A job with another one's settings: its stock, inks, screens, press, marks and films, on a sheet of its own.
 *
 * @param original what lies on the sheet; it is given the tone and the way to the inks of the other job's first original of its kind
 */
export function jobLike(
  { recipe, films, ...rest }: JobDocument,
  name: string,
  sheet: Page,
  original: OriginalRecipe | null,
): JobDocument {
  const model =
    recipe.originals.find(({ content }) => content.kind === original?.content.kind) ??
    recipe.originals.find(({ route }) => route.kind !== 'stock');
  return {
    ...rest,
    name,
    notices: [],
    films: { ...films, panels: null },
    recipe: {
      ...recipe,
      sheet: { ...recipe.sheet, width: sheet.width, height: sheet.height },
      originals: original ? [madeLike(original, model, darkestInk(recipe))] : [],
      // Masks and regions are of that sheet, and of what lies on it.
      plates: recipe.plates.map(({ mask: _mask, regions: _regions, ...plate }) => ({
        ...plate,
        strokes: [],
      })),
    },
  };
}

/** A job of a file with another one's settings: a picture whole, on a sheet of its shape and that job's length; line art on that job's sheet. */
export function pictureLike(
  document: JobDocument,
  file: PictureFacts & { readonly kind: FileKind },
): JobDocument {
  const { sheet } = document.recipe;
  const { name } = newJob(file);
  if (file.kind === 'drawing')
    return jobLike(document, name, sheet, newDrawing('original-1', 'ink-1', sheet, file));
  const own = sheetFor(file, finestRuling(document.recipe), Math.max(sheet.width, sheet.height));
  return jobLike(
    document,
    name,
    own,
    newOriginal('original-1', 'ink-1', { ...own, bleed: sheet.bleed }, file),
  );
}

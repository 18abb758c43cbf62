import { newJob, type PictureFacts } from '../defaults.ts';
import type { JobDocument } from '../document.ts';
import { cropToSheet, placeOnSheet, sheetFor, WHOLE_CROP, type Page } from '../placing.ts';
import { layTreatment, type Laid, type LaidWith } from './lay-treatment.ts';
import type { Treatment } from './treatment.ts';

/** Most lines of a ruling that decide how large a soft picture is printed at first, lpi. */
const BOLD_RULING = 30;

/** A sheet for a picture: of its shape, and so long; or of a size of its own, which the picture fills. */
export type SheetWish = { readonly longest: number } | { readonly page: Page };

/** A sheet of a picture's shape, as long as its pixels allow. */
export const usualSheet = (picture: { readonly width: number; readonly height: number }): Page =>
  sheetFor(picture, BOLD_RULING);

/** A job of a picture, plain, on the sheet that is wished for; nothing of it is cut off where the sheet takes its shape. */
export function plainJob(picture: PictureFacts, wish?: SheetWish): JobDocument {
  const job = newJob(picture);
  if (!wish) return job;
  const page = 'page' in wish ? wish.page : sheetFor(picture, 0, wish.longest);
  const crop = 'page' in wish ? cropToSheet(page, picture) : WHOLE_CROP;
  const [original] = job.recipe.originals;
  return {
    ...job,
    recipe: {
      ...job.recipe,
      sheet: { ...job.recipe.sheet, width: page.width, height: page.height },
      originals: [
        {
          ...original,
          content: { ...original.content, crop } as typeof original.content,
          placement: placeOnSheet(page, picture, crop),
        },
      ],
    },
  };
}

/** A new job of a picture in a treatment: its films, marks and film resolution are the treatment's too. */
export function treatedJob(
  treatment: Treatment,
  picture: PictureFacts,
  materials: LaidWith,
  wish: SheetWish = { page: usualSheet(picture) },
): Laid {
  const plain = plainJob(picture, wish);
  const { films, recipe } = treatment.job;
  const begun: JobDocument = {
    ...plain,
    // Seams are of the sheet that they were found on.
    films: { ...films, panels: null },
    recipe: {
      ...plain.recipe,
      sheet: { ...plain.recipe.sheet, bleed: 0, resolution: recipe.sheet.resolution },
      marks: recipe.marks,
    },
  };
  return layTreatment(begun, treatment, materials);
}

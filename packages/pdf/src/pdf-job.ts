import { filmLayout, screenFacts, type FilmJob, type FilmWritten, type Recipe } from '@brachytone/core';
import { openPdf, type PageSize, type PdfFile } from './pdf-file.ts';

/** A PDF of films to be written. */
export interface PdfJob extends FilmJob {
  /** Files of typefaces by their SHA-256; that of the labels among them. */
  readonly fonts: ReadonlyMap<string, Uint8Array>;
  /** File of the typeface of text that has none of its own. */
  readonly labelFont: Uint8Array;
  /** The press's colour profile, where the job has one. */
  readonly intent: { readonly profile: Uint8Array; readonly name: string } | undefined;
}

/** Writes a PDF, telling now and then what share of it is there. */
export type WritePdf = (job: PdfJob) => Generator<number, FilmWritten>;

/** Names of plates' inks in printing order, with their screens. */
function subjectOf({ inks, plates }: Recipe, wanted: readonly number[]): string {
  const of = (plate: number) => {
    const { ink, screen } = plates[plate];
    return `${inks.find(({ id }) => id === ink)?.name ?? ink} (${screenFacts(screen, '°')})`;
  };
  return wanted.map(of).join(', ');
}

/**
 * PDF/X-4 asks for an output intent with a profile, and that colours are of it or stand for themselves: separations with Lab beside them do. It forbids
 * nothing else that is in these files: no transparency group in another space, no scripts, forms or encryption, all typefaces embedded.
 */
const canBeX4 = ({ intent, options }: PdfJob): boolean => intent !== undefined && !options.negative;

export function openFilmPdf(job: PdfJob): PdfFile {
  const { sink, name, day, scene, plates, intent, labelFont } = job;
  const subject = subjectOf(scene.recipe, plates);
  return openPdf(sink, { title: name, subject, day, intent, font: labelFont }, canBeX4(job));
}

/** A page as large as the film. */
export function filmPage(recipe: Recipe): PageSize {
  const { mm, trim } = filmLayout(recipe);
  const { bleed } = recipe.sheet;
  return {
    ...mm,
    trim,
    bleed: {
      x: trim.x - bleed,
      y: trim.y - bleed,
      width: trim.width + 2 * bleed,
      height: trim.height + 2 * bleed,
    },
  };
}

/** Graphics state in which inks are laid over one another, none knocking out what it lies on (ISO 32000-1, section 8.6.7). */
export function overprinting(file: PdfFile): void {
  const state = file.ref({ Type: 'ExtGState', OP: true, op: true, OPM: 1 });
  state.end('');
  file.name('ExtGState', 'Over', state);
}

import type { Panels } from '../../recipe/panels.ts';
import type { Scene } from '../../recipe/scene.ts';
import type { Emulsion } from '../emulsion.ts';
import type { VectorOptions } from '../../vector/plate-group.ts';
import type { Sink } from '../sink.ts';
import type { GeometryPacking, PackedPieces } from '../pieces.ts';
import type { StripPacking } from '../strips.ts';

/** How films are to be made, whatever their format. */
export interface FilmOptions extends Emulsion, VectorOptions {
  /** Pages of a PDF of films: all plates over one another on one, or one for each. */
  readonly pages: 'composite' | 'plates';
  /** Pixels per inch of tones that are not screened. */
  readonly ppi: number;
  /** How a PDF of films is cut for a printer that is too small; null for whole films. */
  readonly panels: Panels | null;
  /** Bits of a pixel of such tones, where their format has a choice. */
  readonly depth: 8 | 16;
}

/** A file of films to be written. */
export interface FilmJob {
  readonly scene: Scene;
  readonly holds: 'plate' | 'job';
  /** Indexes of the plates it holds; one alone unless it holds a job. */
  readonly plates: readonly number[];
  /** Name of the job. */
  readonly name: string;
  /** The day it is made, as labels say it. */
  readonly day: string;
  /** What labels say of the approval of the proof, where there was one. */
  readonly approval?: string | undefined;
  readonly options: FilmOptions;
  readonly sink: Sink;
  /** Pieces of whole films that were packed apart; undefined where they are still to be made. */
  readonly packed?: PackedPieces | undefined;
}

/** What a finished file holds. */
export interface FilmWritten {
  /** Percent of the plate that is inked, before it is made negative; null where one file holds several plates. */
  readonly inked: number | null;
}

/**
 * A format of film files. Adding one is a file here and a line in `index.ts`: document, docket and server read what they need from
 * there.
 */
export interface FilmFormat {
  readonly id: string;
  readonly name: string;
  /** What it is good for, in a few words. */
  readonly says: string;
  /** Ending of its files, without the dot. */
  readonly ending: string;
  readonly mediaType: string;
  /** What one file can hold: one plate's film, all plates of a job, or either. */
  readonly holds: readonly ('plate' | 'job')[];
  /** What is in it: the film's own bits; geometry, which has neither emulsion nor pixels; or tones that a shop screens itself. */
  readonly made: 'bits' | 'geometry' | 'tones';
  /** How strips of whole films are packed apart; null where there are none. */
  readonly strips: StripPacking | null;
  /** How parts of geometry are packed apart; null where there are none, and for PDF, which has a package of its own. */
  readonly geometry: GeometryPacking | null;
  /** Writes a file, telling now and then what share of it is there (0–1). Stop asking, and it stops. Null for PDF, which has a package of its own. */
  readonly write: ((job: FilmJob) => Generator<number, FilmWritten>) | null;
}

/** Types a format by its id. */
export const defineFormat = <const Id extends string>(
  format: FilmFormat & { readonly id: Id },
): FilmFormat & { readonly id: Id } => format;

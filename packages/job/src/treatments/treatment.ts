import type { Picture } from '@brachytone/core';
import Joi from 'joi';
import type { JobDocument } from '../document.ts';
import { readDocument, UnreadableDocument } from '../migrate.ts';
import { textLine } from '../text-schema.ts';

/** The version of treatments that this program writes. */
export const TREATMENT_VERSION = 1;

/**
 * How its rulings and sizes meet a sheet of another size. `kept`: in lpi and mm, as a press needs them. `sheet`: larger on a
 * larger sheet, so that there are as many dots across it.
 */
export type TreatmentSizes = 'kept' | 'sheet';

/** A look: all of a job but its pictures and sizes. */
export interface Treatment {
  readonly treatment: typeof TREATMENT_VERSION;
  readonly name: string;
  /** What it does, in a sentence. */
  readonly says: string;
  readonly sizes: TreatmentSizes;
  /** `picture`: levels are set by each picture's own tones first. `kept`: tone steps alone. */
  readonly levels: 'picture' | 'kept';
  /** Pixels per mm of its pictures as they lay on its sheet: what radii of tone steps are of. */
  readonly perMm: number;
  /** A job whose pictures are stand-ins (`standIn`). */
  readonly job: JobDocument;
}

/** One that was kept on the shelf, or ships. */
export interface ShelfTreatment extends Treatment {
  readonly id: string;
}

/** What stands for a treatment's first, second… picture instead of the SHA-256 of its file. */
export const standIn = (number: number): string => String(number + 1).padStart(64, '0');

const isStandIn = (sha256: string): boolean => /^0{56}\d{8}$/.test(sha256);

/** The files that a treatment names: typefaces, and profiles. */
export const isFileOfTreatment = (sha256: string): boolean => !isStandIn(sha256);

/** A treatment without its job, which `readDocument` reads. */
const around = Joi.object({
  treatment: Joi.valid(TREATMENT_VERSION).required(),
  name: textLine(60).min(1).required(),
  says: textLine(200).allow('').required(),
  sizes: Joi.valid('kept', 'sheet').required(),
  levels: Joi.valid('picture', 'kept').required(),
  perMm: Joi.number().min(0.01).max(1000).required(),
  job: Joi.object().unknown().required(),
});

/**
 * Reads a treatment, its job brought up to date.
 *
 * @throws UnreadableDocument with a sentence that says what is wrong
 */
export function readTreatment(value: unknown): Treatment {
  const version = (value as { treatment?: unknown } | null)?.treatment;
  if (typeof version !== 'number') throw new UnreadableDocument('This is not a treatment.');
  if (version > TREATMENT_VERSION)
    throw new UnreadableDocument(
      `This treatment was kept by a newer Brachytone (version ${version}); this one reads up to version ${TREATMENT_VERSION}.`,
    );
  const result = around.validate(value, { convert: false, errors: { wrap: { label: '“”' } } });
  if (result.error) throw new UnreadableDocument(`The treatment is not right: ${result.error.message}`);
  const { job, ...rest } = result.value as Treatment;
  return { ...rest, job: readDocument(job) };
}

/** Id of the step that sets levels by a picture's own tones: it is that picture's, and made anew for another. */
export const OWN_LEVELS = 'own-levels';

/** What is known of a picture that a treatment is laid on. */
export interface TreatedPicture extends Pick<Picture, 'width' | 'height'> {
  /** Tones between which nearly all of it lies, percent; missing where that was not looked at. */
  readonly ends?: { readonly bare: number; readonly solid: number };
}

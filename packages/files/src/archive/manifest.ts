import { INTENTS, type Intent } from '@brachytone/core';
import { LIMITS, MOST_MEMBERS, seriesSchema, type FileKind, type Series } from '@brachytone/job';
import Joi from 'joi';

/** Name of what tells of an archive, in it. */
export const MANIFEST = 'job.json';
const WHAT = 'Brachytone job';

/** A file that a job is made from, as it was brought in. */
export interface ArchivedFile {
  readonly sha256: string;
  readonly kind: FileKind;
  /** Its place in the archive. */
  readonly path: string;
}

/** A CMYK file whose colours were taken in another way than the file says. */
export interface TakenFile {
  /** SHA-256 of the file, and the name of what was made of it. */
  readonly from: string;
  readonly sha256: string;
  readonly intent: Intent;
  readonly compensate: boolean;
}

/** A drawing that was painted as a picture. */
export interface PaintedFile {
  /** SHA-256 of the drawing, and the name of the picture. */
  readonly from: string;
  readonly sha256: string;
  /** Its longer side, pixels. */
  readonly longest: number;
}

/** A separated file whose channels are pictures of their own. */
export interface SeparatedFile {
  /** SHA-256 of the file, and the names of its channels that are used. */
  readonly from: string;
  readonly channels: readonly string[];
}

/** What an archive says of itself. */
export interface Manifest {
  readonly what: typeof WHAT;
  readonly version: 1;
  readonly document: unknown;
  readonly files: readonly ArchivedFile[];
  readonly taken: readonly TakenFile[];
  readonly painted: readonly PaintedFile[];
  readonly separated: readonly SeparatedFile[];
  /** What the job is made for besides its own picture; null if nothing. */
  readonly series: Series | null;
}

export const manifestOf = (contents: Omit<Manifest, 'what' | 'version'>): Manifest => ({
  what: WHAT,
  version: 1,
  ...contents,
});

const sha256 = Joi.string()
  .pattern(/^[0-9a-f]{64}$/)
  .required();
/** Files of a job, and of the members of its series. */
const FILES = 200 + MOST_MEMBERS;

export const manifestSchema = Joi.object<Manifest>({
  what: Joi.valid(WHAT).required(),
  version: Joi.valid(1).required(),
  document: Joi.object().unknown().required(),
  files: Joi.array()
    .items(
      Joi.object({
        sha256,
        kind: Joi.valid('picture', 'drawing', 'font', 'profile').required(),
        path: Joi.string()
          .pattern(/^originals\/[0-9a-f]{64}$/)
          .required(),
      }),
    )
    .max(FILES)
    .unique('path')
    .required(),
  taken: Joi.array()
    .items(
      Joi.object({
        from: sha256,
        sha256,
        intent: Joi.valid(...INTENTS).required(),
        compensate: Joi.boolean().required(),
      }),
    )
    .max(FILES)
    .required(),
  painted: Joi.array()
    .items(
      Joi.object({
        from: sha256,
        sha256,
        longest: Joi.number().integer().min(LIMITS.painted.least).max(LIMITS.painted.most).required(),
      }),
    )
    .max(FILES)
    // Archives made before drawings could be painted have none.
    .default([]),
  separated: Joi.array()
    .items(Joi.object({ from: sha256, channels: Joi.array().items(sha256.optional()).max(FILES).required() }))
    .max(FILES)
    .required(),
  // Archives made before there were series have none.
  series: seriesSchema.optional().allow(null).default(null),
}).required();

import {
  LIMITS,
  LONGEST_PERSON_NAME,
  nameFromFile,
  PICTURE_FORMATS,
  textLine,
  type HistoryChange,
  type JobsWish,
  type PictureRequest,
} from '@brachytone/job';
import Joi from 'joi';
import type { SheetKeys } from '../treatments/sheet-wish.ts';
import { treatmentId } from '../treatments/treatment-id.ts';

/** A job to start: from an original, or from a whole document. */
export interface StartBody {
  readonly picture?: { readonly sha256: string; readonly name: string };
  /** How the picture is treated; missing for a plain job. */
  readonly treatment?: string;
  /** The sheet that the picture lies on; missing for one of its shape. */
  readonly sheet?: SheetKeys;
  readonly document?: unknown;
}

const side = Joi.number().min(LIMITS.side.least).max(LIMITS.side.most);

export const startBody: Joi.ObjectSchema<StartBody> = Joi.object<StartBody>({
  picture: Joi.object({
    sha256: Joi.string()
      .pattern(/^[0-9a-f]{64}$/)
      .required(),
    name: Joi.string().custom(nameFromFile).required(),
  }),
  treatment: treatmentId.optional(),
  sheet: Joi.alternatives(
    Joi.object({ longest: side.required() }),
    Joi.object({ width: side.required(), height: side.required() }),
  ),
  document: Joi.any(),
})
  .xor('picture', 'document')
  .without('document', ['treatment', 'sheet']);

/** A save: the document, the revision it was made from, and what changed in its history. */
export interface SaveBody {
  readonly revision: number;
  readonly document: unknown;
  readonly history: HistoryChange;
}

/** Numbers that the database counts by. */
const count = Joi.number()
  .integer()
  .max(2 ** 31 - 2)
  .required();

/** Most steps of an undo history that are saved at once. */
const MOST_STEPS = 20_000;

const patches = Joi.array()
  .max(5000)
  .items(
    Joi.object({
      op: Joi.valid('add', 'remove', 'replace').required(),
      path: Joi.array().items(Joi.string(), Joi.number()).max(40).required(),
      value: Joi.any(),
    }),
  )
  .required();

export const saveBody: Joi.ObjectSchema<SaveBody> = Joi.object<SaveBody>({
  revision: count.min(1),
  document: Joi.any().required(),
  history: Joi.object({
    from: count.min(0),
    steps: Joi.array()
      .items(
        Joi.object({
          label: textLine(120).required(),
          forward: patches,
          backward: patches,
          by: textLine(LONGEST_PERSON_NAME),
        }),
      )
      .max(MOST_STEPS)
      .required(),
    position: count.min(0),
  }).required(),
});

export const putAwayBody = Joi.object<{ putAway: boolean }>({ putAway: Joi.boolean().required() });

export const id = Joi.string().uuid().required().label('id');

/** Which jobs are asked for, and from which place on. */
export interface JobsQuery extends JobsWish {
  readonly from: number;
  readonly most: number;
}

export const jobsQuery = Joi.object<JobsQuery>({
  away: Joi.boolean().default(false),
  find: Joi.string().allow('').max(120).default(''),
  order: Joi.valid('touched', 'name').default('touched'),
  from: Joi.number().integer().min(0).max(1e6).default(0),
  most: Joi.number().integer().min(1).max(200).default(60),
});

/** A picture of a print. */
export const pictureQuery = Joi.object<PictureRequest>({
  format: Joi.valid(...PICTURE_FORMATS.map((one) => one.id)).required(),
  ppi: Joi.number().min(1).max(20_000).required(),
  transparent: Joi.boolean().default(false),
  bleed: Joi.boolean().default(false),
  plate: Joi.string().pattern(/^[a-z0-9-]{1,40}$/),
});

/** Pixels per inch of a print in panels. */
export const panelsQuery = Joi.object<{ ppi: number }>({
  ppi: Joi.number().min(36).max(600).default(200),
});

/** How large a picture of a proof is to be, pixels on its longer side. */
export const proofQuery = Joi.object<{ longer: number }>({
  longer: Joi.number().integer().min(32).max(2400).default(448),
}).unknown();

import type { Crop } from '@brachytone/core';
import Joi from 'joi';
import { textLine } from '../text-schema.ts';

/** Members of a series at most. */
export const MOST_MEMBERS = 500;
/** Columns of its table, and letters in one of them, at most. */
const MOST_FIELDS = 24;
const LONGEST_FIELD = 400;

/** What a picture's levels are set to. */
export interface MemberLevels {
  /** Percent. */
  readonly bare: number;
  readonly solid: number;
  /** Middle: 1 leaves it. */
  readonly mid: number;
}

/** One of a series: the job with another picture, other words, or both. */
export interface SeriesMember {
  readonly id: string;
  /** What stands in the place of the job's picture; null for that one itself. */
  readonly picture: { readonly sha256: string; readonly name: string } | null;
  /** What stands in its row of the table, by column: `{column}` in any lettering is replaced by it. */
  readonly fields: Readonly<Record<string, string>>;
  /** Its own part of the picture; null for one taken by itself. */
  readonly crop: Crop | null;
  /** Its own levels; null for none. */
  readonly levels: MemberLevels | null;
}

/** A job that is made for many pictures, or rows of a table. */
export interface Series {
  /** What films are named by: `{series}`, `{no}`, `{name}`, `{ink}`, `{plate}`, and any column of the table. */
  readonly pattern: string;
  /** `fill`: each picture fills the place of the job's; `whole`: all of it lies there. */
  readonly fit: 'fill' | 'whole';
  /** True where levels are set by each picture's own tones first. */
  readonly ownLevels: boolean;
  readonly members: readonly SeriesMember[];
}

/** A series as it begins. */
export const NEW_SERIES: Series = {
  pattern: '{series}-{no}-{ink}',
  fit: 'fill',
  ownLevels: false,
  members: [],
};

const share = Joi.number().min(0).max(1).required();
const percent = Joi.number().min(0).max(100).required();

const memberSchema = Joi.object<SeriesMember>({
  id: Joi.string()
    .pattern(/^[a-z0-9-]{1,40}$/)
    .required(),
  picture: Joi.object({
    sha256: Joi.string()
      .pattern(/^[0-9a-f]{64}$/)
      .required(),
    name: textLine(120).min(1).required(),
  })
    .allow(null)
    .required(),
  fields: Joi.object()
    .pattern(Joi.string().min(1).max(60), Joi.string().allow('').max(LONGEST_FIELD))
    .max(MOST_FIELDS)
    .required(),
  crop: Joi.object({
    x: share,
    y: share,
    width: share.greater(0),
    height: share.greater(0),
    turn: Joi.number().min(-180).max(180).required(),
  })
    .allow(null)
    .required(),
  levels: Joi.object({ bare: percent, solid: percent, mid: Joi.number().min(0.2).max(5).required() })
    .custom((levels: MemberLevels, helpers) =>
      levels.solid > levels.bare ? levels : helpers.error('levels.order'),
    )
    .allow(null)
    .required()
    .messages({ 'levels.order': 'A tone that is solid must be darker than one that is bare.' }),
});

/** A series, in its present version. */
export const seriesSchema: Joi.ObjectSchema<Series> = Joi.object<Series>({
  pattern: textLine(120).min(1).required(),
  fit: Joi.valid('fill', 'whole').required(),
  ownLevels: Joi.boolean().required(),
  members: Joi.array()
    .items(memberSchema)
    .max(MOST_MEMBERS)
    .unique('id')
    .required()
    .messages({
      'array.max': `A series has up to ${MOST_MEMBERS} members.`,
    }),
});

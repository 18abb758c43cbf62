import { MARK_KINDS } from '@brachytone/core';
import Joi from 'joi';
import { settingsSchema } from './field-schema.ts';

/** What films carry around the plate. */
export const marksSchema = Joi.object({
  font: Joi.string()
    .pattern(/^[0-9a-f]{64}$/)
    .required(),
  uses: Joi.array()
    .items(
      Joi.object({
        kind: Joi.valid(...MARK_KINDS.map(({ kind }) => kind)).required(),
        settings: Joi.when('kind', {
          switch: MARK_KINDS.map(({ kind, fields }) => ({ is: kind, then: settingsSchema(fields) })),
          otherwise: Joi.forbidden(),
        }),
      }),
    )
    .unique('kind')
    .required(),
}).required();

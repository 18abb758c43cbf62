import { isSequential, SCREEN_KINDS, type Screen } from '@brachytone/core';
import Joi from 'joi';
import { settingsSchema } from './field-schema.ts';
import { LIMITS } from './limits.ts';

const percent = Joi.number().min(0).max(100).required();

/** How a plate becomes dots. */
export const screenSchema = Joi.object({
  kind: Joi.valid(...SCREEN_KINDS.map(({ kind }) => kind)).required(),
  settings: Joi.when('kind', {
    switch: SCREEN_KINDS.map(({ kind, fields }) => ({ is: kind, then: settingsSchema(fields) })),
    otherwise: Joi.forbidden(),
  }),
  smallest: percent,
  largest: percent,
  coarse: Joi.alternatives(
    Joi.valid(0),
    Joi.number().min(LIMITS.coarse.least).max(LIMITS.coarse.most),
  ).required(),
  coarseLines: Joi.boolean(),
})
  .custom((value: Screen, helpers) => (value.largest > value.smallest ? value : helpers.error('dots.order')))
  .required()
  .messages({ 'dots.order': 'The largest dot must be larger than the smallest.' });

/** How a part of the sheet becomes dots, by itself. */
export const partScreenSchema = screenSchema
  .custom((value: Screen, helpers) => (isSequential(value) ? helpers.error('screen.sequential') : value))
  .messages({
    'screen.sequential': 'A screen that spreads its errors, or drops specks, is made for a whole plate only.',
  });

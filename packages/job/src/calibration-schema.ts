import { GAIN_LIMITS, MOST_TARGET_INKS, type CalibratedInk, type Calibration } from '@brachytone/core';
import Joi from 'joi';
import { inkSchema, stockSchema } from './ink-schema.ts';
import { LIMITS } from './limits.ts';
import { pressIdSchema } from './press-schema.ts';
import { screenSchema } from './screen-schema.ts';

const sha256 = Joi.string().pattern(/^[0-9a-f]{64}$/);
const mm = Joi.number().min(-1).max(5).allow(null).required();
const percent = Joi.number().min(0).max(100).required();

/** What was read of a target's ink. */
const inkOfTarget = Joi.object<CalibratedInk>({
  ink: inkSchema.required(),
  screen: screenSchema,
  readings: Joi.array()
    .items(Joi.object({ film: percent, printed: percent }))
    .max(LIMITS.readings)
    .required(),
  without: Joi.array().items(Joi.number().integer().min(0)).unique().max(LIMITS.readings).required(),
  ladders: Joi.object({ leastDot: mm, leastLine: mm, edgeGain: mm }).allow(null).required(),
})
  .custom((one: CalibratedInk, helpers) =>
    one.without.every((place) => place < one.readings.length) ? one : helpers.error('without.place'),
  )
  .messages({ 'without.place': 'A reading that is left out is not among the readings.' });

/** A press measured by a printed target, as the press room keeps it. */
export const calibrationSchema: Joi.ObjectSchema<Calibration> = Joi.object<Calibration>({
  press: pressIdSchema.required(),
  stock: stockSchema.required(),
  resolution: Joi.number().min(LIMITS.resolution.least).max(LIMITS.resolution.most).required(),
  inks: Joi.array()
    .items(inkOfTarget)
    .min(1)
    .max(MOST_TARGET_INKS)
    .unique((a: CalibratedInk, b: CalibratedInk) => a.ink.name.toLowerCase() === b.ink.name.toLowerCase())
    .required()
    .messages({
      'array.max': 'A target has room for {{#limit}} inks. Make a second one for the others.',
      'array.unique': 'Two inks of a target have the same name.',
    }),
  source: Joi.valid('typed', 'table', 'scan', 'instrument').allow(null).required(),
  simulatedGain: Joi.number()
    .min(GAIN_LIMITS.middle.least)
    .max(GAIN_LIMITS.middle.most)
    .allow(null)
    .required(),
  scan: sha256.allow(null).required(),
  made: Joi.string().isoDate().required(),
  taken: Joi.string().isoDate().allow(null).required(),
});

/** One that was kept. */
export type KeptCalibration = Calibration & { readonly id: string };

import { INTENTS, type Route } from '@brachytone/core';
import Joi from 'joi';
import { curveSchema, strokesSchema } from './field-schema.ts';
import { LIMITS } from './limits.ts';

const id = Joi.string()
  .pattern(/^[a-z0-9-]{1,40}$/)
  .required();
const percent = Joi.number().min(0).max(100).required();
const limit = Joi.number().min(LIMITS.inkLimit.least).max(LIMITS.inkLimit.most).required();

const processInks = { cyan: id, magenta: id, yellow: id, black: id };

/** No ink may be named twice. */
const apart = (...names: string[]) =>
  ((value: Record<string, string>, helpers: Joi.CustomHelpers) =>
    new Set(names.map((one) => value[one])).size === names.length
      ? value
      : helpers.error('inks.twice')) as Joi.CustomValidator;
const TWICE = { 'inks.twice': 'An original cannot be separated into one ink twice.' };

const SHAPES: Record<Route['kind'], Joi.ObjectSchema> = {
  ink: Joi.object({ kind: Joi.valid('ink').required(), ink: id }),
  tones: Joi.object({
    kind: Joi.valid('tones').required(),
    inks: Joi.array()
      .items(Joi.object({ ink: id, curve: curveSchema }))
      .min(2)
      .max(4)
      .unique('ink')
      .required(),
  }),
  process: Joi.object({
    kind: Joi.valid('process').required(),
    ...processInks,
    generation: percent,
    replacement: percent,
    from: percent,
    limit,
  })
    .custom(apart('cyan', 'magenta', 'yellow', 'black'))
    .messages(TWICE),
  profile: Joi.object({
    kind: Joi.valid('profile').required(),
    ...processInks,
    profile: Joi.string()
      .pattern(/^[0-9a-f]{64}$/)
      .required(),
    intent: Joi.valid(...INTENTS).required(),
    compensate: Joi.boolean().required(),
  })
    .custom(apart('cyan', 'magenta', 'yellow', 'black'))
    .messages(TWICE),
  channels: Joi.object({
    kind: Joi.valid('channels').required(),
    red: id,
    green: id,
    blue: id,
    ink: Joi.valid('light', 'dark').required(),
  })
    .custom(apart('red', 'green', 'blue'))
    .messages(TWICE),
  spot: Joi.object({
    kind: Joi.valid('spot').required(),
    inks: Joi.array().items(id).min(2).max(8).unique().required(),
    limit,
  }),
  bands: Joi.object({
    kind: Joi.valid('bands').required(),
    at: Joi.array()
      .items(Joi.number().greater(0).less(100).required())
      .min(1)
      .max(5)
      .custom((tones: number[], helpers) =>
        tones.every((tone, i) => i === 0 || tone > tones[i - 1]) ? tones : helpers.error('tones.order'),
      )
      .required()
      .messages({ 'tones.order': 'The tones that bands are parted at must rise.' }),
    inks: Joi.array()
      .items(
        Joi.string()
          .pattern(/^[a-z0-9-]{1,40}$/)
          .allow(null),
      )
      .min(2)
      .max(6)
      .required(),
    painted: Joi.array()
      .items(Joi.object({ ink: id, from: percent, to: percent, strokes: strokesSchema }))
      .max(8)
      .required(),
  })
    .custom((value: { at: number[]; inks: unknown[] }, helpers) =>
      value.inks.length === value.at.length + 1 ? value : helpers.error('bands.count'),
    )
    .messages({ 'bands.count': 'There must be one band more than there are tones that part them.' }),
};

/** How an original comes to the inks. */
export const routeSchema = Joi.when('.kind', {
  switch: Object.entries(SHAPES).map(([kind, then]) => ({ is: kind, then: then.required() })),
  otherwise: Joi.object({ kind: Joi.valid(...Object.keys(SHAPES)).required() }).required(),
});

import { STEP_KINDS } from '@brachytone/core';
import Joi from 'joi';
import { settingsSchema } from './field-schema.ts';

const id = Joi.string()
  .pattern(/^[a-z0-9-]{1,40}$/)
  .required();

/** Rules of a kind's own, beyond its fields. */
const RULES: Record<string, (schema: Joi.ObjectSchema) => Joi.ObjectSchema> = {
  levels: (schema) =>
    schema
      .custom((value: { bare: number; solid: number }, helpers) =>
        value.solid > value.bare ? value : helpers.error('levels.order'),
      )
      .messages({ 'levels.order': 'The solid level must lie above the bare level.' }),
};

const settingsOf = new Map(
  STEP_KINDS.map(({ kind, fields }) => {
    const schema = settingsSchema(fields);
    return [kind, RULES[kind]?.(schema) ?? schema];
  }),
);

const prepared = {
  kind: Joi.valid(...settingsOf.keys()).required(),
  settings: Joi.when('kind', {
    switch: [...settingsOf].map(([kind, then]) => ({ is: kind, then })),
    otherwise: Joi.forbidden(),
  }),
};

const MOST_STEPS = 24;

/** Tone steps of a preparation, in their order. */
export const preparedStepsSchema = Joi.array().items(Joi.object(prepared)).min(1).max(MOST_STEPS).required();

/** Tone steps in their order. */
export const stepsSchema = Joi.array()
  .items(Joi.object({ id, ...prepared, on: Joi.boolean().required() }))
  .max(MOST_STEPS)
  .unique('id')
  .required();

/** How an original becomes grey, and the steps after. */
export const toneSchema = Joi.object({
  grey: Joi.object({
    weights: Joi.object(
      Object.fromEntries(
        ['red', 'yellow', 'green', 'cyan', 'blue', 'magenta'].map((hue) => [
          hue,
          Joi.number().min(-100).max(200).required(),
        ]),
      ),
    ).required(),
    reading: Joi.valid('dots', 'lightness').required(),
  }).required(),
  steps: stepsSchema,
}).required();

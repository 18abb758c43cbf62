import { STEP_KINDS, type Field } from '@brachytone/core';
import Joi from 'joi';

const percent = Joi.number().min(0).max(100).required();
const id = Joi.string()
  .pattern(/^[a-z0-9-]{1,40}$/)
  .required();

/** Points of a tone curve, in order. */
export const curveSchema = Joi.array()
  .items(Joi.object({ in: percent, out: percent }))
  .min(2)
  .max(24)
  .custom((points: { in: number }[], helpers) =>
    points.every((point, i) => i === 0 || point.in > points[i - 1].in)
      ? points
      : helpers.error('curve.order'),
  )
  .required()
  .messages({ 'curve.order': 'The points of a curve must stand in order, no two at the same tone.' });

const stroke = Joi.object({
  points: Joi.array()
    .items(
      Joi.array().ordered(
        Joi.number().min(-10).max(10).required(),
        Joi.number().min(-100).max(100).required(),
        Joi.number().min(0).max(1).required(),
      ),
    )
    .min(1)
    .max(4000)
    .required(),
  radius: Joi.number().greater(0).max(2).required(),
  strength: Joi.number().min(-100).max(100).required(),
  softness: percent,
});

/** Strokes of a brush. */
export const strokesSchema = Joi.array().items(stroke).max(500).required();

/** What a step's setting may be, from its field. */
function settingSchema(field: Field): Joi.Schema {
  switch (field.type) {
    case 'number':
      return Joi.number().min(field.least).max(field.most).required();
    case 'seed':
      return Joi.number().integer().min(0).max(1e9).required();
    case 'choice':
      return Joi.valid(...field.options.map(({ value }) => value)).required();
    case 'curve':
      return curveSchema;
    case 'tones':
      return Joi.array()
        .items(Joi.number().greater(0).less(100).required())
        .min(field.least)
        .max(field.most)
        .custom((tones: number[], helpers) =>
          tones.every((tone, i) => i === 0 || tone > tones[i - 1]) ? tones : helpers.error('tones.order'),
        )
        .required()
        .messages({ 'tones.order': 'The tones that bands are parted at must rise.' });
    case 'strokes':
      return strokesSchema;
  }
}

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
    const schema = Joi.object(
      Object.fromEntries(Object.entries(fields).map(([name, field]) => [name, settingSchema(field)])),
    ).required();
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

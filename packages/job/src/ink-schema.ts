import { TEXTURES, type Ink, type Stock } from '@brachytone/core';
import Joi from 'joi';
import { LIMITS } from './limits.ts';
import { textLine } from './text-schema.ts';

const between = ({ least, most }: { least: number; most: number }) =>
  Joi.number().min(least).max(most).required();
const name = textLine(120).min(1).required();

/** A colour as Lab under D50. */
export const labSchema = Joi.array()
  .ordered(
    Joi.number().min(0).max(100).required(),
    Joi.number().min(-160).max(160).required(),
    Joi.number().min(-160).max(160).required(),
  )
  .length(3)
  .required()
  .messages({
    'array.length': '{{#label}} must be a colour as L, a and b.',
    'array.includesRequiredUnknowns': '{{#label}} must be a colour as L, a and b.',
    'array.includesRequiredKnowns': '{{#label}} must be a colour as L, a and b.',
  });

const fountain = Joi.object({
  angle: between(LIMITS.angle),
  stops: Joi.array()
    .items(Joi.object({ at: between({ least: 0, most: 100 }), lab: labSchema }))
    .min(2)
    .max(3)
    .custom((stops: { at: number }[], helpers) =>
      stops.every((stop, i) => i === 0 || stop.at > stops[i - 1].at) ? stops : helpers.error('stops.order'),
    )
    .required()
    .messages({ 'stops.order': 'The colours of a blended ink must stand in order, no two in one place.' }),
});

export const inkSchema: Joi.ObjectSchema<Ink> = Joi.object<Ink>({
  id: Joi.string()
    .pattern(/^[a-z0-9-]{1,40}$/)
    .required(),
  name,
  lab: labSchema,
  opacity: between({ least: 0, most: 1 }),
  fountain: fountain.allow(null).required(),
});

export const stockSchema: Joi.ObjectSchema<Stock> = Joi.object<Stock>({
  name,
  lab: labSchema,
  texture: Joi.valid(...TEXTURES).required(),
  textureStrength: between(LIMITS.textureStrength).optional(),
  picture: Joi.object({
    picture: Joi.string()
      .pattern(/^[0-9a-f]{64}$/)
      .required(),
    width: between(LIMITS.stockWidth),
    strength: between({ least: 0, most: 100 }),
  }),
  soak: between(LIMITS.soak),
  yuleNielsen: between(LIMITS.lightSpread),
});

import type { PlateMask, PlateRegion } from '@brachytone/core';
import Joi from 'joi';
import { curveSchema, strokesSchema } from './field-schema.ts';
import { LIMITS } from './limits.ts';

const between = ({ least, most }: { least: number; most: number }) =>
  Joi.number().min(least).max(most).required();
const percent = between({ least: 0, most: 100 });
const mode = Joi.valid('add', 'subtract').required();
const original = Joi.string()
  .pattern(/^[a-z0-9-]{1,40}$/)
  .required();

/** Most corners of an area. */
export const MOST_CORNERS = 2000;

const area = Joi.object({
  by: Joi.valid('area').required(),
  mode,
  outline: Joi.array()
    .items(Joi.number().min(-20_000).max(20_000))
    .min(6)
    .max(2 * MOST_CORNERS)
    .custom((outline: number[], helpers) =>
      outline.length % 2 === 0 ? outline : helpers.error('outline.odd'),
    )
    .required()
    .messages({ 'outline.odd': 'The outline of a mask’s area must have two numbers for each corner.' }),
  feather: between(LIMITS.soft),
});
const colour = Joi.object({
  by: Joi.valid('colour').required(),
  mode,
  original,
  colours: Joi.array()
    .items(Joi.string().pattern(/^#[0-9a-f]{6}$/))
    .min(1)
    .max(24)
    .required(),
  tolerance: between(LIMITS.tolerance),
  softness: between(LIMITS.tolerance),
});
const tone = Joi.object({
  by: Joi.valid('tone').required(),
  mode,
  original,
  from: percent,
  to: percent,
  softness: percent,
});

/** Areas, colours and tones, one after another. */
const parts = Joi.array()
  .items(
    Joi.when('.by', {
      switch: [
        { is: 'area', then: area },
        { is: 'colour', then: colour },
      ],
      otherwise: tone,
    }),
  )
  .max(60)
  .required();

/** Parts of a plate that are heavier or lighter. */
export const plateRegionsSchema: Joi.ArraySchema<PlateRegion[]> = Joi.array()
  .items(
    Joi.object<PlateRegion>({
      weight: Joi.number().min(-100).max(100).required(),
      curve: curveSchema,
      parts,
      strokes: strokesSchema,
    }),
  )
  .max(24);

/** What of a plate is kept. */
export const plateMaskSchema: Joi.ObjectSchema<PlateMask> = Joi.object<PlateMask>({
  inverted: Joi.boolean().required(),
  wholeDots: Joi.boolean().required(),
  parts,
});

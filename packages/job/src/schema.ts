import { SPOTS } from '@brachytone/core';
import Joi from 'joi';
import { FILM_FORMATS, VERSION, type JobDocument } from './document.ts';
import { LIMITS } from './limits.ts';

const between = ({ least, most }: { least: number; most: number }) =>
  Joi.number().min(least).max(most).required();
const id = Joi.string()
  .pattern(/^[a-z0-9-]{1,40}$/)
  .required();
const name = Joi.string().trim().min(1).max(120).required();
const colour = Joi.string()
  .pattern(/^#[0-9a-f]{6}$/)
  .required()
  .messages({ 'string.pattern.base': '{{#label}} must be a colour written as #rrggbb.' });
const percent = between({ least: 0, most: 100 });
const share = between({ least: 0, most: 1 });

const tone = Joi.object({
  weights: Joi.object({ red: percent, green: percent, blue: percent })
    .custom((value: { red: number; green: number; blue: number }, helpers) =>
      value.red + value.green + value.blue > 0 ? value : helpers.error('weights.none'),
    )
    .required()
    .messages({ 'weights.none': 'At least one of red, green and blue must have a weight.' }),
  reading: Joi.valid('dots', 'lightness').required(),
  levels: Joi.object({
    bare: percent,
    solid: percent,
    mid: between(LIMITS.mid),
    floor: percent,
    ceiling: percent,
  })
    .custom((value: { bare: number; solid: number }, helpers) =>
      value.solid > value.bare ? value : helpers.error('levels.order'),
    )
    .required()
    .messages({ 'levels.order': 'The solid level must lie above the bare level.' }),
  curve: Joi.array()
    .items(Joi.object({ in: percent, out: percent }))
    .min(2)
    .max(24)
    .custom((points: { in: number }[], helpers) =>
      points.every((point, i) => i === 0 || point.in > points[i - 1].in)
        ? points
        : helpers.error('curve.order'),
    )
    .required()
    .messages({ 'curve.order': 'The points of a curve must stand in order, no two at the same tone.' }),
  invert: Joi.boolean().required(),
});

const original = Joi.object({
  id,
  picture: Joi.string()
    .pattern(/^[0-9a-f]{64}$/)
    .required(),
  name,
  crop: Joi.object({ x: share, y: share, width: share.greater(0), height: share.greater(0) })
    .custom((crop: { x: number; y: number; width: number; height: number }, helpers) =>
      crop.x + crop.width <= 1 + 1e-9 && crop.y + crop.height <= 1 + 1e-9
        ? crop
        : helpers.error('crop.outside'),
    )
    .required()
    .messages({ 'crop.outside': 'The crop reaches beyond the picture.' }),
  placement: Joi.object({
    x: between(LIMITS.position),
    y: between(LIMITS.position),
    width: between(LIMITS.side),
  }).required(),
  tone: tone.required(),
  ink: id,
});

const ink = Joi.object({ id, name, colour, opacity: share });

const plate = Joi.object({
  id,
  ink: id,
  screen: Joi.object({
    spot: Joi.valid(...SPOTS.map((spot) => spot.id)).required(),
    ruling: between(LIMITS.ruling),
    angle: between(LIMITS.angle),
    smallest: percent,
    largest: percent,
  })
    .custom((screen: { smallest: number; largest: number }, helpers) =>
      screen.largest > screen.smallest ? screen : helpers.error('dots.order'),
    )
    .required()
    .messages({ 'dots.order': 'The largest dot must be larger than the smallest.' }),
});

const recipe = Joi.object({
  sheet: Joi.object({
    width: between(LIMITS.side),
    height: between(LIMITS.side),
    resolution: between(LIMITS.resolution),
  }).required(),
  stock: Joi.object({ name, colour }).required(),
  originals: Joi.array().items(original).max(40).required(),
  inks: Joi.array().items(ink).min(1).max(8).unique('id').required(),
  plates: Joi.array().items(plate).min(1).max(8).unique('id').required(),
})
  .custom((value: JobDocument['recipe'], helpers) => {
    const inks = new Set(value.inks.map((one) => one.id));
    const named = [...value.originals, ...value.plates].map((one) => one.ink);
    const stray = named.find((one) => !inks.has(one));
    return stray === undefined ? value : helpers.error('inks.missing', { ink: stray });
  })
  .messages({ 'inks.missing': 'The job names an ink, “{{#ink}}”, that is not among its inks.' });

/** The job document, version 1. Unknown members are refused. */
export const jobSchema: Joi.ObjectSchema<JobDocument> = Joi.object<JobDocument>({
  version: Joi.valid(VERSION).required(),
  name,
  recipe: recipe.required(),
  films: Joi.object({
    format: Joi.valid(...FILM_FORMATS).required(),
    mirrored: Joi.boolean().required(),
    negative: Joi.boolean().required(),
  }).required(),
});

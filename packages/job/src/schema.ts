import { SPOTS } from '@brachytone/core';
import Joi from 'joi';
import { FILM_FORMATS, VERSION, type JobDocument } from './document.ts';
import { LIMITS } from './limits.ts';
import { toneSchema } from './tone-schema.ts';

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

const sha256 = Joi.string()
  .pattern(/^[0-9a-f]{64}$/)
  .required();

const picture = Joi.object({
  kind: Joi.valid('picture').required(),
  picture: sha256,
  line: Joi.object({ threshold: percent, smooth: between(LIMITS.smooth) })
    .allow(null)
    .required(),
  crop: Joi.object({
    x: share,
    y: share,
    width: share.greater(0),
    height: share.greater(0),
    turn: between(LIMITS.angle),
  })
    .custom((crop: { x: number; y: number; width: number; height: number }, helpers) =>
      crop.x + crop.width <= 1 + 1e-9 && crop.y + crop.height <= 1 + 1e-9
        ? crop
        : helpers.error('crop.outside'),
    )
    .required()
    .messages({ 'crop.outside': 'The crop reaches beyond the picture.' }),
});

const drawing = Joi.object({
  kind: Joi.valid('drawing').required(),
  drawing: sha256,
  ratio: between(LIMITS.ratio),
});

const place = { x: Joi.number().min(-5).max(6).required(), y: Joi.number().min(-5).max(6).required() };

const gradient = Joi.object({
  kind: Joi.valid('gradient').required(),
  shape: Joi.valid('linear', 'radial', 'elliptical', 'points').required(),
  ratio: between(LIMITS.ratio),
  from: Joi.object(place).required(),
  to: Joi.object(place).required(),
  width: between(LIMITS.ratio),
  stops: Joi.array()
    .items(Joi.object({ at: share, tone: percent, middle: Joi.number().min(0.02).max(0.98).required() }))
    .min(2)
    .max(24)
    .custom((stops: { at: number }[], helpers) =>
      stops.every((stop, i) => i === 0 || stop.at >= stops[i - 1].at) ? stops : helpers.error('stops.order'),
    )
    .required()
    .messages({ 'stops.order': 'The stops of a gradient must stand in order.' }),
  points: Joi.array()
    .items(Joi.object({ ...place, tone: percent }))
    .max(24)
    .when('shape', { is: 'points', then: Joi.array().min(1) })
    .required(),
  limit: percent,
});

const original = Joi.object({
  id,
  name,
  content: Joi.when('.kind', {
    switch: [
      { is: 'picture', then: picture.required() },
      { is: 'drawing', then: drawing.required() },
      { is: 'gradient', then: gradient.required() },
    ],
    otherwise: Joi.object({ kind: Joi.valid('picture', 'drawing', 'gradient').required() }).required(),
  }),
  placement: Joi.object({
    x: between(LIMITS.position),
    y: between(LIMITS.position),
    width: between(LIMITS.placed),
    turn: between(LIMITS.angle),
    mirrored: Joi.boolean().required(),
  }).required(),
  shown: Joi.boolean().required(),
  locked: Joi.boolean().required(),
  tone: toneSchema,
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
  originals: Joi.array().items(original).max(40).unique('id').required(),
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

/** The job document, in its present version. Unknown members are refused. */
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

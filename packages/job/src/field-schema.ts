import { readMotif, SPOTS, type Field, type Fields } from '@brachytone/core';
import Joi from 'joi';

const percent = Joi.number().min(0).max(100).required();

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

/** Most places of a stroke. */
export const MOST_POINTS = 4000;

/** True for whole numbers, three for each place, whose sums stay within what a brush can reach. */
function isStroke(points: readonly unknown[]): boolean {
  if (points.length % 3 !== 0) return false;
  const [x, y, pressure] = [
    { least: -1e6, most: 1e6, at: 0 },
    { least: -1e7, most: 1e7, at: 0 },
    { least: 0, most: 100, at: 0 },
  ];
  return points.every((step, i) => {
    const one = [x, y, pressure][i % 3];
    if (!Number.isInteger(step)) return false;
    one.at += step as number;
    return one.at >= one.least && one.at <= one.most;
  });
}
const stroke = Joi.object({
  points: Joi.array()
    .min(3)
    .max(3 * MOST_POINTS)
    .custom((points: unknown[], helpers) => (isStroke(points) ? points : helpers.error('stroke.points')))
    .required(),
  radius: Joi.number().greater(0).max(2).required(),
  strength: Joi.number().min(-100).max(100).required(),
  softness: percent,
}).messages({ 'stroke.points': 'The places of a stroke are not right.' });

/** Strokes of a brush. */
export const strokesSchema = Joi.array().items(stroke).max(500).required();

/** Path data of a motif: plain absolute commands that enclose something. */
const motifSchema = Joi.string()
  .pattern(/^[MLCQZ\d\s.,eE+-]*$/)
  .max(40000)
  .custom((path: string, helpers) => (readMotif(path).length > 0 ? path : helpers.error('motif.empty')))
  .required()
  .messages({
    'string.pattern.base': '{{#label}} must be plain path data: M, L, C, Q and Z with numbers.',
    'motif.empty': '{{#label}} encloses nothing.',
  });

/** So many tones in percent, rising. */
export const tonesSchema = ({
  least,
  most,
}: {
  readonly least: number;
  readonly most: number;
}): Joi.ArraySchema =>
  Joi.array()
    .items(Joi.number().greater(0).less(100).required())
    .min(least)
    .max(most)
    .custom((tones: number[], helpers) =>
      tones.every((tone, i) => i === 0 || tone > tones[i - 1]) ? tones : helpers.error('tones.order'),
    )
    .required()
    .messages({ 'tones.order': 'The tones that bands are parted at must rise.' });

/** Settings made before there was a field do without it. */
const whenLater = ({ isLater }: { readonly isLater?: true }, schema: Joi.NumberSchema): Joi.Schema =>
  isLater ? schema : schema.required();

/** What a setting may be, from its field. */
function settingSchema(field: Field): Joi.Schema {
  switch (field.type) {
    case 'number':
      return whenLater(field, Joi.number().min(field.least).max(field.most));
    case 'seed':
      return whenLater(field, Joi.number().integer().min(0).max(1e9));
    case 'choice':
      return Joi.valid(...field.options.map(({ value }) => value)).required();
    case 'curve':
      return curveSchema;
    case 'tones':
      return tonesSchema(field);
    case 'strokes':
      return strokesSchema;
    case 'spot':
      return Joi.valid(...SPOTS.map(({ id }) => id)).required();
    case 'motif':
      return motifSchema;
  }
}

/** What some of a kind's settings may be, by their names. */
export const settingKeys = (fields: Fields, names: readonly string[]): Record<string, Joi.Schema> =>
  Object.fromEntries(names.map((name) => [name, settingSchema(fields[name])]));

/** What the settings of a kind may be, from its fields. */
export const settingsSchema = (fields: Fields): Joi.ObjectSchema =>
  Joi.object(settingKeys(fields, Object.keys(fields))).required();

import { GAIN_LIMITS, type CurvePoint, type Gain, type JobPress, type Press } from '@brachytone/core';
import Joi from 'joi';
import { LIMITS } from './limits.ts';
import { textLine } from './text-schema.ts';

const between = ({ least, most }: { least: number; most: number }) =>
  Joi.number().min(least).max(most).required();

const percent = between({ least: 0, most: 100 });
const { middle, shape } = GAIN_LIMITS;
const middleSays = `A gain at 50 % lies between ${middle.least} and ${middle.most} %: more would leave no tone between bare and solid.`;

const gainSchema = Joi.alternatives()
  .conditional('.by', {
    is: 'number',
    then: Joi.object({
      by: Joi.valid('number').required(),
      middle: between(middle).messages({ 'number.min': middleSays, 'number.max': middleSays }),
      shape: between(shape),
    }),
    otherwise: Joi.object({
      by: Joi.valid('points').required(),
      points: Joi.array()
        .items(Joi.object({ in: percent, out: percent }))
        .min(2)
        .max(LIMITS.gainPoints)
        .required()
        .custom((points: CurvePoint[], helpers) => {
          const [first, last] = [points[0], points[points.length - 1]];
          if (first.in !== 0 || first.out !== 0 || last.in !== 100 || last.out !== 100)
            return helpers.error('gain.ends');
          if (points.some((point, i) => i > 0 && point.in <= points[i - 1].in))
            return helpers.error('gain.order');
          const falls = points.find((point, i) => i > 0 && point.out < points[i - 1].out);
          return falls ? helpers.error('gain.falls', { film: falls.in }) : points;
        })
        .messages({
          'gain.ends': 'A gain curve begins with 0 % printed of 0 % and ends with 100 % of 100 %.',
          'gain.order': 'The points of a gain curve must stand in order, no two at the same tone of film.',
          'gain.falls': 'This gain curve falls at {{#film}} %: more on the film cannot print as less.',
        }),
    }),
  })
  .required() as Joi.AlternativesSchema<Gain>;

const meshSchema = Joi.object({
  count: between(LIMITS.meshCount).messages({
    'number.min': 'A mesh has at least {{#limit}} threads in a centimetre.',
    'number.max': 'A mesh has at most {{#limit}} threads in a centimetre.',
  }),
  angle: between(LIMITS.angle),
  thread: between(LIMITS.thread),
})
  .custom((mesh: { count: number; thread: number }, helpers) =>
    (mesh.count * mesh.thread) / 10000 < 0.95 ? mesh : helpers.error('mesh.closed'),
  )
  .messages({
    'mesh.closed': 'Threads as thick as this leave no open mesh: fewer of them, or thinner ones.',
  });

/** A press, as the press room keeps it and a job carries it. */
export const pressSchema: Joi.ObjectSchema<Press> = Joi.object<Press>({
  name: textLine(60).min(1).required(),
  kind: Joi.valid('screen', 'offset', 'relief', 'stencil', 'digital').required(),
  mesh: Joi.when('kind', {
    is: 'screen',
    then: meshSchema.allow(null).required(),
    otherwise: Joi.valid(null).required(),
  }),
  gain: gainSchema,
  inkGains: Joi.array()
    .items(
      Joi.object({
        ink: textLine(120).min(1).required(),
        gain: gainSchema,
        calibrated: Joi.string().isoDate().allow(null).required(),
      }),
    )
    .max(LIMITS.inkGains)
    .unique((a: { ink: string }, b: { ink: string }) => a.ink.toLowerCase() === b.ink.toLowerCase())
    .required(),
  edgeGain: between(LIMITS.edgeGain),
  leastDot: between(LIMITS.leastDot),
  leastGap: between(LIMITS.leastDot),
  leastLine: between(LIMITS.leastLine),
  leastLineGap: between(LIMITS.leastLine),
  inkLimit: between(LIMITS.inkLimit),
  register: between(LIMITS.register),
  sheet: Joi.object({ width: between(LIMITS.side), height: between(LIMITS.side) }).required(),
  resolution: between(LIMITS.resolution),
  stocks: Joi.array().items(textLine(120).min(1)).max(20).required(),
});

/** What a press goes by. */
export const pressIdSchema = Joi.string().pattern(/^[a-z0-9-]{1,60}$/);

/** The press of a job. */
export const jobPressSchema: Joi.ObjectSchema<JobPress> = Joi.object<JobPress>({
  id: pressIdSchema.required(),
  press: pressSchema.required(),
  compensates: Joi.boolean().required(),
});

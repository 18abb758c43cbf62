import { FILM_FORMATS, MIX_BLENDS, routeInks, screenKind } from '@brachytone/core';
import Joi from 'joi';
import { textLine, textLines } from './text-schema.ts';
import { VERSION, type JobDocument } from './document.ts';
import { NOTICES } from './notices.ts';
import { LIMITS } from './limits.ts';
import { curveSchema, settingKeys, strokesSchema } from './field-schema.ts';
import { inkSchema, labSchema, stockSchema } from './ink-schema.ts';
import { routeSchema } from './route-schema.ts';
import { panelsSchema } from './panels-schema.ts';
import { plateMaskSchema, plateRegionsSchema } from './plate-mask-schema.ts';
import { marksSchema } from './marks-schema.ts';
import { jobPressSchema } from './press-schema.ts';
import { partScreenSchema, screenSchema } from './screen-schema.ts';
import { toneSchema } from './tone-schema.ts';

/** What dots can be set by, wherever they are. */
const DOT_FIELDS = screenKind('dots').fields;

const between = ({ least, most }: { least: number; most: number }) =>
  Joi.number().min(least).max(most).required();
const id = Joi.string()
  .pattern(/^[a-z0-9-]{1,40}$/)
  .required();
const name = textLine(120).min(1).required();
const colour = Joi.string()
  .pattern(/^#[0-9a-f]{6}$/)
  .required()
  .messages({ 'string.pattern.base': '{{#label}} must be a colour written as #rrggbb.' });
const percent = between({ least: 0, most: 100 });
const share = between({ least: 0, most: 1 });

const sha256 = Joi.string()
  .pattern(/^[0-9a-f]{64}$/)
  .required();

const cut = Joi.object({
  by: Joi.valid('colour', 'brightness', 'edges', 'hand').required(),
  colour,
  place: Joi.object({ x: share, y: share }).required(),
  tolerance: between(LIMITS.tolerance),
  connected: Joi.boolean().required(),
  from: percent,
  to: percent,
  specks: between(LIMITS.specks),
  choke: between(LIMITS.choke),
  softness: between(LIMITS.softness),
  strokes: strokesSchema,
});

const picture = Joi.object({
  kind: Joi.valid('picture').required(),
  picture: sha256,
  line: Joi.object({ threshold: percent, smooth: between(LIMITS.smooth) })
    .allow(null)
    .required(),
  cut: cut.allow(null).required(),
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
    .items(
      Joi.object({
        at: share,
        tone: percent,
        middle: Joi.number().min(0.02).max(0.98).required(),
        colour: colour.optional(),
      }),
    )
    .min(2)
    .max(24)
    .custom((stops: { at: number }[], helpers) =>
      stops.every((stop, i) => i === 0 || stop.at >= stops[i - 1].at) ? stops : helpers.error('stops.order'),
    )
    .required()
    .messages({ 'stops.order': 'The stops of a gradient must stand in order.' }),
  points: Joi.array()
    .items(Joi.object({ ...place, tone: percent, colour: colour.optional() }))
    .max(24)
    .when('shape', { is: 'points', then: Joi.array().min(1) })
    .required(),
  limit: percent,
});

const tint = Joi.object({
  kind: Joi.valid('tint').required(),
  tone: percent,
  ratio: between(LIMITS.ratio),
});

const edge = Joi.object({
  width: between(LIMITS.edge),
  paint: Joi.valid('solid', 'bare').required(),
}).required();

const lettering = Joi.object({
  kind: Joi.valid('lettering').required(),
  text: textLines(LIMITS.letters.least, LIMITS.letters.most).required(),
  font: sha256,
  ratio: between(LIMITS.ratio),
  align: Joi.valid('left', 'centre', 'right').required(),
  tracking: between(LIMITS.tracking),
  leading: between(LIMITS.leading),
  fill: Joi.valid('solid', 'gradient', 'bare', 'none').required(),
  gradient: gradient.required(),
  outline: edge,
  inner: edge,
  glow: Joi.object({
    reach: between(LIMITS.soft),
    strength: percent,
    paint: Joi.valid('solid', 'bare').required(),
  }).required(),
});

const container = Joi.object({
  shape: Joi.valid('rectangle', 'ellipse', 'path').required(),
  path: sha256.allow(null),
  margin: between(LIMITS.margin),
  edge: Joi.valid('cut', 'whole').required(),
  feather: between(LIMITS.soft),
  torn: Joi.object({
    depth: between(LIMITS.tornDepth),
    grain: between(LIMITS.tornGrain),
    seed: Joi.number().integer().min(0).max(1e9).required(),
  }),
})
  .custom((value: { shape: string; path: string | null }, helpers) =>
    value.shape === 'path' && value.path === null ? helpers.error('path.missing') : value,
  )
  .messages({ 'path.missing': 'A container of a shape of one’s own must name its file.' });

const fade = Joi.object({
  by: Joi.valid('gradient', 'tone').required(),
  gradient: gradient.required(),
  screen: partScreenSchema,
  soft: Joi.boolean(),
  strokes: strokesSchema,
});

const mix = Joi.object({
  screen: partScreenSchema,
  blend: Joi.valid(...Object.keys(MIX_BLENDS)).required(),
  softness: between(LIMITS.mixSoft).optional(),
  strength: percent,
});

const colourDots = Joi.object({
  ...settingKeys(DOT_FIELDS, ['spot', 'motif', 'aspect', 'ruling', 'angle']),
  size: between({ least: 1, most: 100 }),
  by: Joi.valid('even', 'tone').required(),
  coarse: between(LIMITS.shared).integer(),
});

const original = Joi.object({
  id,
  name,
  content: Joi.when('.kind', {
    switch: [
      { is: 'picture', then: picture.required() },
      { is: 'drawing', then: drawing.required() },
      { is: 'gradient', then: gradient.required() },
      { is: 'tint', then: tint.required() },
      { is: 'lettering', then: lettering.required() },
    ],
    otherwise: Joi.object({
      kind: Joi.valid('picture', 'drawing', 'gradient', 'tint', 'lettering').required(),
    }).required(),
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
  container: container.allow(null).required(),
  fade: fade.allow(null).required(),
  mix: mix.allow(null).required(),
  colourDots: colourDots.allow(null).required(),
  route: routeSchema,
  overprint: Joi.boolean().required(),
});

const plate = Joi.object({
  id,
  ink: id,
  screen: screenSchema,
  printed: Joi.boolean().required(),
  curve: curveSchema,
  weight: between({ least: -100, most: 100 }),
  edgeSpread: between(LIMITS.edges),
  knocksOut: Joi.boolean().required(),
  base: Joi.object({ fullness: percent, highlights: id.allow(null) })
    .allow(null)
    .required(),
  strokes: strokesSchema,
  mask: plateMaskSchema.optional(),
  regions: plateRegionsSchema.optional(),
  shift: Joi.object({
    x: between(LIMITS.shift),
    y: between(LIMITS.shift),
    turn: between(LIMITS.shiftTurn),
  }).required(),
});

const recipe = Joi.object({
  sheet: Joi.object({
    width: between(LIMITS.side),
    height: between(LIMITS.side),
    bleed: between(LIMITS.bleed),
    resolution: between(LIMITS.resolution),
  }).required(),
  stock: stockSchema.required(),
  originals: Joi.array().items(original).max(40).unique('id').required(),
  inks: Joi.array().items(inkSchema).min(LIMITS.inks.least).max(LIMITS.inks.most).unique('id').required(),
  overprints: Joi.array()
    .items(Joi.object({ inks: Joi.array().items(id).min(2).max(8).unique().required(), lab: labSchema }))
    .max(256)
    .required(),
  plates: Joi.array()
    .items(plate)
    .min(LIMITS.inks.least)
    .max(LIMITS.inks.most)
    .unique('id')
    .unique('ink')
    .required(),
  press: jobPressSchema.allow(null).required(),
  marks: marksSchema,
})
  .custom((value: JobDocument['recipe'], helpers) => {
    const inks = new Set(value.inks.map((one) => one.id));
    const named = [
      ...value.originals.flatMap(({ route }) => routeInks(route)),
      ...value.plates.map((one) => one.ink),
      ...value.plates.flatMap(({ base }) => (base?.highlights ? [base.highlights] : [])),
    ];
    const stray = named.find((one) => !inks.has(one));
    if (stray !== undefined) return helpers.error('inks.missing', { ink: stray });
    const bare = value.inks.find((one) => value.plates.every((plate) => plate.ink !== one.id));
    return bare === undefined ? value : helpers.error('plates.missing', { ink: bare.name });
  })
  .messages({
    'inks.missing': 'The job names an ink, “{{#ink}}”, that is not among its inks.',
    'plates.missing': 'The ink “{{#ink}}” has no plate.',
  });

/** The job document, in its present version. Unknown members are refused. */
export const jobSchema: Joi.ObjectSchema<JobDocument> = Joi.object<JobDocument>({
  version: Joi.valid(VERSION).required(),
  name,
  recipe: recipe.required(),
  films: Joi.object({
    format: Joi.valid(...FILM_FORMATS.map(({ id }) => id)).required(),
    together: Joi.boolean().required(),
    mirrored: Joi.boolean().required(),
    negative: Joi.boolean().required(),
    smooth: between(LIMITS.strays),
    outlines: Joi.valid('pure', 'film').required(),
    pages: Joi.valid('composite', 'plates').required(),
    panels: panelsSchema.allow(null).required(),
    ppi: between(LIMITS.ppi),
    depth: Joi.valid(8, 16).required(),
  }).required(),
  notices: Joi.array()
    .items(Joi.valid(...NOTICES.map(({ id }) => id)))
    .unique()
    .required(),
});

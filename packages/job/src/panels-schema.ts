import Joi from 'joi';
import { LIMITS } from './limits.ts';

const between = ({ least, most }: { readonly least: number; readonly most: number }): Joi.NumberSchema =>
  Joi.number().min(least).max(most).required();

const seams = Joi.array()
  .items(Joi.number().greater(0).max(LIMITS.panels.seam))
  .max(200)
  .custom((places: number[], helpers) =>
    places.every((place, i) => i === 0 || place > places[i - 1]) ? places : helpers.error('seams.order'),
  )
  .required()
  .messages({ 'seams.order': 'Seams must stand in order.' });

const side = Joi.number().min(-LIMITS.panels.seam).max(LIMITS.panels.seam).required();

/** How films are cut for a small printer. */
export const panelsSchema = Joi.object({
  paper: Joi.object({ width: between(LIMITS.panels.paper), height: between(LIMITS.panels.paper) }).required(),
  margin: between(LIMITS.panels.margin),
  overlap: between(LIMITS.panels.overlap),
  ruler: between(LIMITS.panels.ruler),
  across: seams,
  down: seams,
  whole: Joi.array()
    .items(Joi.object({ x: side, y: side, width: side.min(0), height: side.min(0) }))
    .max(40)
    .required(),
});

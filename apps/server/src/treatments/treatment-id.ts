import Joi from 'joi';

/** What a treatment goes by: a word where it ships, a number where it was kept. */
export const treatmentId = Joi.string()
  .pattern(/^[a-z0-9-]{1,60}$/)
  .required()
  .label('treatment');

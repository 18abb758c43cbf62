import Joi from 'joi';

/** What a file that was brought in goes by: the SHA-256 of its bytes. */
export const fileName = Joi.string()
  .pattern(/^[0-9a-f]{64}$/)
  .required()
  .label('sha256')
  .messages({ 'string.pattern.base': '“sha256” must be 64 hexadecimal digits' });

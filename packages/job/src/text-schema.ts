import Joi from 'joi';
import { LIMITS } from './limits.ts';

/** Control characters and halves of letters: no file of markup may hold them. */
const UNPRINTABLE = /[\p{Cc}\p{Cs}]/u;

const REFUSED = {
  'text.unprintable': '{{#label}} has characters in it that cannot be printed. Type it without them.',
};

/** Text of one line. */
export const textLine = (most: number): Joi.StringSchema =>
  Joi.string()
    .trim()
    .max(most)
    .custom((text: string, helpers) => (UNPRINTABLE.test(text) ? helpers.error('text.unprintable') : text))
    .messages(REFUSED);

/** Text of any number of lines. */
export const textLines = (least: number, most: number): Joi.StringSchema =>
  Joi.string()
    .min(least)
    .max(most)
    .custom((text: string, helpers) =>
      UNPRINTABLE.test(text.replaceAll('\n', '')) ? helpers.error('text.unprintable') : text,
    )
    .messages(REFUSED);

/** A text cut off after so many UTF-16 units at most, and never within a letter. */
export const cutText = (text: string, most: number): string =>
  text.slice(0, most).replace(/[\ud800-\udbff]$/, '');

/** A file's name as the name of something: without what cannot be printed, and cut off where it is too long. */
export const nameFromFile = (file: string): string =>
  cutText(file.replace(/[\p{Cc}\p{Cs}]/gu, '').trim(), LIMITS.fileName) || 'picture';

import type { Stock } from '@brachytone/core';
import Joi from 'joi';
import { inkSchema, stockSchema } from './ink-schema.ts';
import type { Preparation } from './preparations.ts';
import { screenSchema } from './screen-schema.ts';
import type { ShelfInk } from './shipped-inks.ts';
import type { NamedScreen } from './shipped-screens.ts';
import { preparedStepsSchema } from './tone-schema.ts';

/** A preparation to be kept. */
export const preparationSchema: Joi.ObjectSchema<Preparation> = Joi.object<Preparation>({
  name: Joi.string().trim().min(1).max(60).required(),
  says: Joi.string().trim().allow('').max(200).required(),
  steps: preparedStepsSchema,
});

/** A screen to be kept. */
export const namedScreenSchema: Joi.ObjectSchema<NamedScreen> = Joi.object<NamedScreen>({
  name: Joi.string().trim().min(1).max(60).required(),
  says: Joi.string().trim().allow('').max(200).required(),
  screen: screenSchema,
});

/** An ink to be kept. */
export const shelfInkSchema: Joi.ObjectSchema<ShelfInk> = inkSchema.fork('id', (key) => key.forbidden());

/** A stock to be kept. */
export const shelfStockSchema: Joi.ObjectSchema<Stock> = stockSchema;

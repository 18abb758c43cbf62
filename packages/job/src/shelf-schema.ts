import type { Stock } from '@brachytone/core';
import Joi from 'joi';
import { inkSchema, stockSchema } from './ink-schema.ts';
import type { Preparation } from './preparations.ts';
import { screenSchema } from './screen-schema.ts';
import type { ShelfInk } from './shipped-inks.ts';
import type { NamedScreen } from './shipped-screens.ts';
import { textLine } from './text-schema.ts';
import { preparedStepsSchema } from './tone-schema.ts';

/** A preparation to be kept. */
export const preparationSchema: Joi.ObjectSchema<Preparation> = Joi.object<Preparation>({
  name: textLine(60).min(1).required(),
  says: textLine(200).allow('').required(),
  steps: preparedStepsSchema,
});

/** A screen to be kept. */
export const namedScreenSchema: Joi.ObjectSchema<NamedScreen> = Joi.object<NamedScreen>({
  name: textLine(60).min(1).required(),
  says: textLine(200).allow('').required(),
  screen: screenSchema,
});

/** An ink to be kept. */
export const shelfInkSchema: Joi.ObjectSchema<ShelfInk> = inkSchema.fork('id', (key) => key.forbidden());

/** A stock to be kept. */
export const shelfStockSchema: Joi.ObjectSchema<Stock> = stockSchema;

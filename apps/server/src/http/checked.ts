import type { ArgumentMetadata, PipeTransform } from '@nestjs/common';
import type Joi from 'joi';
import { Problem } from './problem.ts';

/** A pipe that lets through only what the schema allows, and says in a sentence what is wrong with the rest. */
export class Checked<Value> implements PipeTransform<unknown, Value> {
  private readonly schema: Joi.Schema<Value>;

  constructor(schema: Joi.Schema<Value>) {
    this.schema = schema;
  }

  transform(value: unknown, { type }: Partial<ArgumentMetadata> = {}): Value {
    // What is no JSON never becomes a body.
    if (type === 'body' && value === undefined)
      throw new Problem(415, 'Not understood', 'Send JSON as application/json. Nothing was changed.');
    const result = this.schema.validate(value, { errors: { wrap: { label: '“”' } } });
    if (result.error) {
      throw new Problem(422, 'Not right', `${result.error.message}. Nothing was changed.`);
    }
    return result.value;
  }
}

import { ROUTES, type Route, type RouteField, type RouteFields, type RouteKind } from '@brachytone/core';
import Joi from 'joi';
import { curveSchema, strokesSchema, tonesSchema } from './field-schema.ts';
import { LIMITS } from './limits.ts';

const ink = Joi.string().pattern(/^[a-z0-9-]{1,40}$/);

type FieldOf<Type extends RouteField['type']> = Extract<RouteField, { type: Type }>;

/** What each type of field may hold. */
const SCHEMAS: { readonly [Type in RouteField['type']]: (field: FieldOf<Type>) => Joi.Schema } = {
  number: ({ least, most }) => Joi.number().min(least).max(most).required(),
  'ink limit': () => Joi.number().min(LIMITS.inkLimit.least).max(LIMITS.inkLimit.most).required(),
  ink: ({ orBare }) => (orBare ? ink.allow(null) : ink.required()),
  switch: () => Joi.boolean().required(),
  word: ({ words }) => Joi.valid(...words).required(),
  file: () =>
    Joi.string()
      .pattern(/^[0-9a-f]{64}$/)
      .required(),
  curve: () => curveSchema,
  tones: tonesSchema,
  strokes: () => strokesSchema,
  list: ({ of, least, most }) =>
    Joi.array()
      .items(isField(of) ? fieldSchema(of) : Joi.object(keysOf(of)))
      .min(least)
      .max(most)
      .required(),
};

const isField = (of: RouteField | RouteFields): of is RouteField => typeof of.type === 'string';

const fieldSchema = (field: RouteField): Joi.Schema =>
  (SCHEMAS[field.type] as (field: RouteField) => Joi.Schema)(field);

const keysOf = (fields: RouteFields): Record<string, Joi.Schema> =>
  Object.fromEntries(Object.entries(fields).map(([name, field]) => [name, fieldSchema(field)]));

/** What a route of a kind may be: its fields, and that they fit one another. */
function kindSchema({ kind, fields, problem }: RouteKind<Route>): Joi.ObjectSchema {
  const schema = Joi.object({ kind: Joi.valid(kind).required(), ...keysOf(fields) }).required();
  if (!problem) return schema;
  return schema
    .custom((route: Route, helpers) => {
      const sentence = problem(route);
      return sentence === undefined ? route : helpers.error('route.problem', { sentence });
    })
    .messages({ 'route.problem': '{{#sentence}}' });
}

/** How an original comes to the inks. */
export const routeSchema = Joi.when('.kind', {
  switch: (Object.values(ROUTES) as unknown as RouteKind<Route>[]).map((kind) => ({
    is: kind.kind,
    then: kindSchema(kind),
  })),
  otherwise: Joi.object({ kind: Joi.valid(...Object.keys(ROUTES)).required() }).required(),
});

import type { TSchema, Static } from '@sinclair/typebox';
import { validator } from '@yarin/formats';
import { unusable } from './httpProblem.js';

const prepares = new Map<TSchema, () => void>();

/** Every schema that something in a request is checked against. */
export const checkedSchemas = (): ReadonlySet<TSchema> => new Set(prepares.keys());

/** Prepares all checks before anybody asks: the first request with a large schema would hold up everybody's answers. */
export function prepareChecks(): void {
  for (const prepare of prepares.values()) prepare();
}

/** Checks a request body against its schema, or refuses it with the place of each problem. */
export function checked<Schema extends TSchema>(schema: Schema): (body: unknown) => Static<Schema> {
  const validate = validator(schema);
  prepares.set(schema, validate.prepare);
  return (body) => {
    const result = validate(body);
    if (result.ok) return result.value;
    throw unusable(result.problems[0]!.message, result.problems);
  };
}

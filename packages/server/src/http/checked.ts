import type { TSchema, Static } from '@sinclair/typebox';
import { validator } from '@yarin/formats';
import { unusable } from './httpProblem.js';

const schemas = new Set<TSchema>();

/** Every schema that something in a request is checked against. */
export const checkedSchemas = (): ReadonlySet<TSchema> => schemas;

/**
 * Checks a request body against its schema, or refuses it with the place of each problem.
 *
 * @param when  `early`: prepared while the server starts, for a schema whose preparing would hold up everybody's answers
 */
export function checked<Schema extends TSchema>(
  schema: Schema,
  when: 'early' | 'whenNeeded' = 'whenNeeded',
): (body: unknown) => Static<Schema> {
  schemas.add(schema);
  const validate = validator(schema);
  if (when === 'early') setImmediate(validate.prepare).unref();
  return (body) => {
    const result = validate(body);
    if (result.ok) return result.value;
    throw unusable(result.problems[0]!.message, result.problems);
  };
}

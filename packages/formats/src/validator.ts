import { fail, succeed, type Problem, type Result } from '@yarin/core';
import type { Static, TSchema } from '@sinclair/typebox';
import type { ErrorObject, ValidateFunction } from 'ajv';
import { Ajv2020 } from 'ajv/dist/2020.js';
import formats from 'ajv-formats';

/** Its code is not made smaller: that took longer than all else in preparing a check, and saves nothing that is felt. */
const ajv = new Ajv2020({
  allErrors: true,
  strict: true,
  allowUnionTypes: true,
  verbose: true,
  code: { optimize: false },
});
formats.default(ajv);

/** A check of untrusted input against one schema: the typed value, or its problems with their places. */
export interface Validate<Value> {
  (input: unknown): Result<Value>;
  /** Prepares it before it is needed. */
  prepare(): void;
}

const MOST_PROBLEMS = 50;

/**
 * The check of a schema; the server, the headless commands and the readers use the same. It is prepared once, when it is
 * first needed: preparing all of them would take most of a start.
 */
export function validator<Schema extends TSchema>(schema: Schema): Validate<Static<Schema>> {
  let prepared: ValidateFunction<Static<Schema>> | undefined;
  const prepare = (): ValidateFunction<Static<Schema>> => (prepared ??= ajv.compile<Static<Schema>>(schema));
  const validate = (input: unknown): Result<Static<Schema>> => {
    const check = prepare();
    if (check(input)) return succeed(input);
    return fail(distinct((check.errors ?? []).map(problemOf)).slice(0, MOST_PROBLEMS));
  };
  return Object.assign(validate, { prepare: () => void prepare() });
}

function distinct(problems: readonly Problem[]): Problem[] {
  const wheres = new Set<string>();
  return problems.filter(({ where }) => !wheres.has(where) && wheres.add(where));
}

function problemOf(error: ErrorObject): Problem {
  const { keyword, instancePath, params, parentSchema } = error;
  const described = (parentSchema as { description?: string } | undefined)?.description;
  const name = instancePath === '' ? 'The input' : `“${instancePath.split('/').pop()}”`;
  switch (keyword) {
    case 'required':
      return {
        code: 'missing',
        message: `“${String(params.missingProperty)}” is missing; it has to be given.`,
        where: `${instancePath}/${String(params.missingProperty)}`,
      };
    case 'additionalProperties':
      return {
        code: 'unknownName',
        message: `“${String(params.additionalProperty)}” is no name that is known here; leave it out or mend its spelling.`,
        where: `${instancePath}/${String(params.additionalProperty)}`,
      };
    case 'type':
      return {
        code: 'wrongType',
        message: `${name} has to be ${article(String(params.type))}.`,
        where: instancePath,
      };
    case 'const':
    case 'anyOf':
    case 'enum':
      return { code: 'notAllowed', message: `${name} has to be one of ${allowed(parentSchema)}.`, where: instancePath };
    case 'pattern':
      return {
        code: 'wrongForm',
        message: `${name} has another form than it should. ${described ?? `It has to match ${String(params.pattern)}.`}`,
        where: instancePath,
      };
    case 'maxLength':
      return {
        code: 'tooLong',
        message: `${name} may have at most ${String(params.limit)} characters.`,
        where: instancePath,
      };
    case 'minLength':
      return { code: 'tooShort', message: `${name} needs at least one character that is seen.`, where: instancePath };
    default:
      return { code: keyword, message: `${name} ${error.message ?? 'does not fit the schema'}.`, where: instancePath };
  }
}

const article = (type: string): string => (/^[aeiou]/.test(type) ? `an ${type}` : `a ${type}`);

function allowed(schema: unknown): string {
  const {
    anyOf,
    enum: values,
    const: only,
  } = (schema ?? {}) as {
    anyOf?: { const?: unknown; type?: string }[];
    enum?: unknown[];
    const?: unknown;
  };
  const all = anyOf?.map((each) => each.const ?? each.type ?? 'something else') ?? values ?? [only];
  return all.map(String).join(', ');
}

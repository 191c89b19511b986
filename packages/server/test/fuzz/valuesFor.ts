import type { TSchema } from '@sinclair/typebox';
import type { Random } from './random.js';

/** What nobody sends in good faith, in the place of any value. */
const HOSTILE: readonly unknown[] = [
  null,
  true,
  -1,
  1e308,
  2 ** 53,
  0.1,
  '',
  ' ',
  '\u0000',
  '%',
  '../../etc/passwd',
  '__proto__',
  'constructor',
  "' OR 1=1 --",
  '<script>alert(1)</script>',
  '\ud800',
  '🧪'.repeat(50),
  'x'.repeat(70_000),
  '2027-02-30',
  '9999-99-99T99:99',
  '0000-01-01T00:00',
  [],
  {},
  [[[[[[[[]]]]]]]],
  { __proto__: { polluted: true }, toString: 'no' },
  Array.from({ length: 300 }, (_, at) => at),
];
const STRINGS = [
  '2027-03-02',
  '2027-03-02T23:59',
  '2027-01-11',
  '2027-05-07',
  '10:00',
  'America/Chicago',
  'Quiz 9',
  'a',
];
const MOST_ITEMS = 3;
const MOST_NAMES = 3;
const DEEPEST = 8;

/** What a value is made from: ids that are there are put into strings now and then. */
export interface Making {
  readonly random: Random;
  readonly ids: readonly string[];
  /** How often something else stands where a schema wants a value. */
  readonly hostileShare: number;
}

type Shape = TSchema & {
  readonly anyOf?: readonly Shape[];
  readonly const?: unknown;
  readonly enum?: readonly unknown[];
  readonly properties?: Readonly<Record<string, Shape>>;
  readonly required?: readonly string[];
  readonly patternProperties?: Readonly<Record<string, Shape>>;
  readonly items?: Shape;
  readonly minimum?: number;
  readonly maximum?: number;
};

/** A value that fits a schema, but for what chance put elsewhere. */
export function valueFor(given: TSchema, making: Making, depth = 0): unknown {
  const schema = given as Shape;
  const { random, ids, hostileShare } = making;
  if (random.chance(hostileShare) || depth > DEEPEST) return random.pick(HOSTILE);
  if (schema.anyOf !== undefined) return valueFor(random.pick(schema.anyOf), making, depth + 1);
  if (schema.const !== undefined) return schema.const;
  if (schema.enum !== undefined) return random.pick(schema.enum);
  switch (schema.type) {
    case 'null':
      return null;
    case 'boolean':
      return random.chance(0.5);
    case 'integer':
    case 'number':
      return random.pick([0, 1, 2, 3, 7, 40, schema.minimum ?? -5, schema.maximum ?? 1000]);
    case 'array':
      return Array.from({ length: random.number(MOST_ITEMS + 1) }, () =>
        valueFor(schema.items ?? ({} as TSchema), making, depth + 1),
      );
    case 'object':
      return objectFor(schema, making, depth);
    case 'string':
      return random.chance(0.4) && ids.length > 0 ? random.pick(ids) : random.pick(STRINGS);
    default:
      return random.pick(HOSTILE);
  }
}

function objectFor(schema: Shape, making: Making, depth: number): Record<string, unknown> {
  const { random } = making;
  const made: Record<string, unknown> = {};
  for (const [name, shape] of Object.entries(schema.properties ?? {})) {
    const isNeeded = schema.required?.includes(name) ?? false;
    if (random.chance(isNeeded ? 0.97 : 0.5)) made[name] = valueFor(shape, making, depth + 1);
  }
  const [named] = Object.values(schema.patternProperties ?? {});
  if (named !== undefined)
    for (let count = random.number(MOST_NAMES + 1); count > 0; count--)
      made[random.pick([...making.ids, '__proto__', 'a/b~c', ''])] = valueFor(named, making, depth + 1);
  if (random.chance(making.hostileShare))
    made[random.pick(['unknown', '__proto__', 'constructor'])] = random.pick(HOSTILE);
  return made;
}

/** What may stand where an address names something. */
export const HOSTILE_NAMES: readonly string[] = [
  '%',
  '%00',
  '%E0%A4%A',
  '..',
  '.',
  'null',
  '__proto__',
  'x'.repeat(3000),
  encodeURIComponent('🧪'),
  encodeURIComponent("' OR 1=1 --"),
  '%2e%2e%2f%2e%2e',
];

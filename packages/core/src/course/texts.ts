import type { Item } from '../schemas/course.js';
import type { Field } from '../words/text/prose.js';

type Texted = Pick<Item, 'body' | 'details'>;

/** Attributes that name or measure something and that nobody reads as text. */
const UNREAD = new Set(['hash', 'mediaType', 'outsideCourseId', 'id', 'key', 'rounding', 'learnersSee']);

function stringsIn(value: unknown, field: string): Field[] {
  if (typeof value === 'string') return value.trim() === '' ? [] : [{ field, text: value }];
  if (value === null || typeof value !== 'object') return [];
  return Object.entries(value).flatMap(([name, each]) => (UNREAD.has(name) ? [] : stringsIn(each, `${field}/${name}`)));
}

/**
 * All texts of an item: its body, and what stands in its attributes: the sections of a syllabus, the questions of a
 * bank, an address, a place.
 */
export function fieldsOf({ body, details }: Texted): Field[] {
  return [
    ...(body === undefined || body === '' ? [] : [{ field: 'body', text: body }]),
    ...stringsIn(details, 'details'),
  ];
}

export const textsOf = (item: Texted): string[] => fieldsOf(item).map(({ text }) => text);

/** The same attributes with every text in them changed. */
export function mapTexts<Value>(value: Value, change: (text: string) => string): Value {
  if (typeof value === 'string') return change(value) as Value;
  if (Array.isArray(value)) return value.map((each: unknown) => mapTexts(each, change)) as Value;
  if (value === null || typeof value !== 'object') return value;
  return Object.fromEntries(Object.entries(value).map(([name, each]) => [name, mapTexts(each, change)])) as Value;
}

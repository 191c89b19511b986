import type { Item } from '../schemas/course.js';

type Texted = Pick<Item, 'body' | 'details'>;

/** Attributes that name or measure something and that nobody reads as text. */
const UNREAD = new Set(['hash', 'mediaType', 'outsideCourseId', 'id', 'key', 'rounding', 'learnersSee']);

function stringsIn(value: unknown): string[] {
  if (typeof value === 'string') return value.trim() === '' ? [] : [value];
  if (Array.isArray(value)) return value.flatMap(stringsIn);
  if (value === null || typeof value !== 'object') return [];
  return Object.entries(value).flatMap(([name, each]) => (UNREAD.has(name) ? [] : stringsIn(each)));
}

/**
 * All texts of an item: its body, and what stands in its attributes: the sections of a syllabus, the questions of a
 * bank, an address, a place.
 */
export function textsOf({ body, details }: Texted): string[] {
  return [...(body === undefined || body === '' ? [] : [body]), ...stringsIn(details)];
}

/** The same attributes with every text in them changed. */
export function mapTexts<Value>(value: Value, change: (text: string) => string): Value {
  if (typeof value === 'string') return change(value) as Value;
  if (Array.isArray(value)) return value.map((each: unknown) => mapTexts(each, change)) as Value;
  if (value === null || typeof value !== 'object') return value;
  return Object.fromEntries(Object.entries(value).map(([name, each]) => [name, mapTexts(each, change)])) as Value;
}

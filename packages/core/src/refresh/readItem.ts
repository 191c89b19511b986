import type { Item } from '../schemas/course.js';
import { findWords } from '../words/findWords.js';
import type { Found, FoundDay, WordContext } from '../words/found/found.js';
import { proseOf, type Prose } from '../words/text/prose.js';

/** A thing with its texts read. */
export interface ReadItem {
  readonly item: Item;
  readonly prose: Prose;
  readonly found: readonly Found[];
  /** Its title and body as they stand. */
  readonly texts: ReadonlyMap<string, string>;
}

export function readItem(item: Item, context: WordContext): ReadItem {
  const body = item.body ?? '';
  const prose = proseOf(item.title, body === '' ? [] : [{ field: 'body', text: body }]);
  const texts = new Map([
    ['title', item.title],
    ['body', body],
  ]);
  return { item, prose, found: findWords(prose, context), texts };
}

/** Every day that is written in a text: dates, and both ends of ranges. */
export const daysIn = (found: readonly Found[]): FoundDay[] =>
  found.flatMap((each) => (each.sort === 'date' ? [each] : each.sort === 'range' ? [each.from, each.to] : []));

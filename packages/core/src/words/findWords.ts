import { ENGLISH } from './english/english.js';
import type { Found, WordContext } from './found/found.js';
import type { Language } from './found/language.js';
import type { Prose } from './text/prose.js';
import { apart } from './refine/apart.js';
import { inTerm } from './refine/inTerm.js';
import { readNumbers } from './refine/readNumbers.js';

/**
 * Finds what in a text means the old term: days, ranges, terms, years, class days and hours, rooms, sections, people, meetings,
 * and words that mean the day they were written on. Finders find, refiners join, read and drop.
 *
 * @returns what was found, in the order of the text, none in another's place
 * @see docs/rules.md, "Stale words"
 */
export function findWords(prose: Prose, context: WordContext, language: Language = ENGLISH): Found[] {
  const refiners = [apart, ...language.joinsOfDays, readNumbers, ...language.joins, inTerm, apart];
  const found = language.finders.flatMap((finder) => finder(prose, context));
  return refiners.reduce((kept: Found[], refine) => refine(kept, prose, context), found);
}

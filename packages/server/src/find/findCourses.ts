import { VALUES } from '../database/lists.js';
import { wordsAsked, type FoundView, type RightsPerson, type When } from '@yarin/core';
import type { EntityManager } from 'typeorm';
import { allOf, EVERY, isAllowed, isTaughtBy, summariesWhere, type Condition } from '../courses/courseSummaries.js';
import type { Vocabulary } from './vocabulary.js';

export interface FindFilters {
  readonly when: When | undefined;
  /** Only courses in whose staff the person is. */
  readonly mine: boolean;
  /** Only courses that the person may use as a source. */
  readonly usable: boolean;
  readonly term: string | undefined;
  /** Only courses that hold more than stock. */
  readonly holds: boolean;
  readonly template: boolean;
  readonly campus: string | undefined;
}

type Found = Pick<FoundView, 'total' | 'courses' | 'instead'>;

export const MOST_WORDS = 12;

/** A word as the index asks for it: anything that begins with it. */
const begins = (word: string): string => `"${word}"*`;

/** What the index is asked for: every course that holds all words, each at least begun. */
export const beginsAll = (words: readonly string[]): string => words.map(begins).join(' AND ');

/**
 * The courses that hold every word that somebody typed, the latest term first, with how many there are in all.
 * A word that nothing begins with is looked for with one letter wrong.
 *
 * @see docs/rules.md, "Finding a course"
 */
export async function findCourses(
  manager: EntityManager,
  vocabulary: Vocabulary,
  person: RightsPerson,
  typed: string,
  filters: FindFilters,
  today: string,
  most: number,
): Promise<Found> {
  const words = wordsAsked(typed, today).slice(0, MOST_WORDS);
  const allowed = allOf(isAllowed(filters.usable ? 'use' : 'read', person), ...conditionsOf(person, filters, today));
  const exact = await lookUp(manager, person, beginsAll(words), allowed, most);
  if (exact.total > 0 || words.length === 0) return { ...exact, instead: [] };
  const parts = (await Promise.all(words.map((word) => partsOf(manager, word)))).flat();
  const near = await Promise.all(parts.map(async (typed) => ({ typed, words: await vocabulary.near(typed) })));
  const mistyped = near.filter(({ words: instead }) => instead.length > 0);
  if (mistyped.length === 0 && parts.length === words.length) return { ...exact, instead: [] };
  const loosened = near.map(({ typed, words: instead }) =>
    instead.length === 0 ? begins(typed) : `(${instead.map((word) => `"${word}"`).join(' OR ')})`,
  );
  const found = await lookUp(manager, person, loosened.join(' AND '), allowed, most);
  return { ...found, instead: found.total === 0 ? [] : mistyped };
}

/** A word that runs letters and digits together, in its parts when no course is found by it as it is: `ecp214`. */
async function partsOf(manager: EntityManager, word: string): Promise<string[]> {
  const parts = word.match(/\p{L}+|\p{N}+/gu) ?? [];
  if (parts.length < 2) return [word];
  const known = await manager.query<unknown[]>('SELECT 1 FROM course_find WHERE course_find MATCH ? LIMIT 1', [
    begins(word),
  ]);
  return known.length > 0 ? [word] : parts;
}

export function conditionsOf(
  person: RightsPerson,
  { when, mine, term, holds, template, campus }: FindFilters,
  today: string,
): Condition[] {
  const conditions: Condition[] = [];
  // A template stands in no term.
  if (when !== undefined || term !== undefined) conditions.push({ sql: `course.type <> 'template'`, values: [] });
  if (when === 'past') conditions.push({ sql: 'term.last_day < ?', values: [today] });
  if (when === 'coming') conditions.push({ sql: 'term.first_day > ?', values: [today] });
  if (when === 'current')
    conditions.push({ sql: 'term.first_day <= ? AND term.last_day >= ?', values: [today, today] });
  if (mine) conditions.push(isTaughtBy(person.id));
  if (template) conditions.push({ sql: `course.type = 'template'`, values: [] });
  if (campus !== undefined) conditions.push({ sql: 'course.campus = ?', values: [campus] });
  if (term !== undefined) conditions.push({ sql: 'term.name = ?', values: [term] });
  if (holds) conditions.push(HOLDS);
  return conditions;
}

/** It holds more than stock. */
export const HOLDS: Condition = {
  sql: 'EXISTS (SELECT 1 FROM item WHERE item.course_id = course.id AND item.edited_at IS NOT NULL)',
  values: [],
};

interface FoundId {
  readonly id: string;
  readonly total: number;
}

/** @param match  what the index is asked for; every course when empty */
async function lookUp(
  manager: EntityManager,
  person: RightsPerson,
  match: string,
  allowed: Condition,
  most: number,
): Promise<Pick<Found, 'total' | 'courses'>> {
  const ids = match !== '' && allowed === EVERY ? await byIndexAlone(manager, match, most) : await byAll();
  const courses = await summariesWhere(
    manager,
    person.id,
    { sql: `course.id IN ${VALUES}`, values: [JSON.stringify(ids.map(({ id }) => id))] },
    'term.first_day DESC, course.code, course.number, course.section',
  );
  return { total: ids[0]?.total ?? 0, courses };

  function byAll(): Promise<FoundId[]> {
    const isMatched: Condition =
      match === ''
        ? EVERY
        : { sql: 'course.find_id IN (SELECT rowid FROM course_find WHERE course_find MATCH ?)', values: [match] };
    const where = allOf(isMatched, allowed);
    return manager.query(
      `SELECT course.id, count(*) OVER () AS total FROM course JOIN term ON term.id = course.term_id
        WHERE ${where.sql} ORDER BY course.find_id DESC LIMIT ?`,
      [...where.values, most],
    );
  }
}

/** The index alone says how many there are and which are the latest; nothing else has to be looked at. */
async function byIndexAlone(manager: EntityManager, match: string, most: number): Promise<FoundId[]> {
  return manager.query(
    `SELECT course.id, (SELECT count(*) FROM course_find WHERE course_find MATCH ?) AS total
       FROM (SELECT rowid AS find_id FROM course_find WHERE course_find MATCH ? ORDER BY rowid DESC LIMIT ?) AS latest
            CROSS JOIN course ON course.find_id = latest.find_id`,
    [match, match, most],
  );
}

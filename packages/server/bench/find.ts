// Finding in 50,000 courses, against a plain LIKE over the same words in the same run.
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import type { RightsPerson } from '@yarin/core';
import { openForReading, openForWriting } from '../src/database/driver.js';
import { findCourses, type FindFilters } from '../src/find/findCourses.js';
import { indexCourses } from '../src/courses/findIndex.js';
import { Vocabulary } from '../src/find/vocabulary.js';

const COURSES = 50_000;
const ROUNDS = 15;
const LIMIT_MS = 20;
const SUBJECTS = [
  'ECO',
  'APC',
  'PRN',
  'GEO',
  'ARC',
  'MUS',
  'HIS',
  'MAT',
  'LIT',
  'CHM',
  'BOT',
  'AST',
  'TEX',
  'ENG',
  'PHY',
];
const TOPICS = [
  'Freshwater',
  'Relief',
  'Canal',
  'Estuary',
  'Meadow',
  'Harbour',
  'Timber',
  'Letter',
  'Copper',
  'Lantern',
  'Granite',
  'Willow',
];
const FORMS = [
  'Ecology',
  'Printmaking',
  'Survey',
  'Mathematics',
  'History',
  'Chemistry',
  'Prose',
  'Acoustics',
  'Archives',
  'Design',
];
const SEASONS = ['Spring', 'Summer', 'Fall'];
const QUERIES = [
  'eco214',
  'ECO 214',
  'ECO_214-02',
  'freshwater',
  'freshwater marant spring',
  'e',
  'marant',
  'freshwatr ecology',
  'spring 2026',
  'printmakng',
  'canal hist f2',
  'granite survey 2024',
];

const folder = mkdtempSync(join(tmpdir(), 'yarin-find-'));
const writing = await openForWriting(folder);
await writing.query('BEGIN');
const terms = Array.from({ length: 36 }, (_, index) => {
  const year = 2015 + Math.floor(index / 3);
  const firstDay = `${year}-${['01-12', '06-01', '08-24'][index % 3]}`;
  return { id: `t${index}`, name: `${SEASONS[index % 3]} ${year}`, firstDay };
});
await writing.query(
  `INSERT INTO term (id, name, first_day, last_day, calendar) SELECT value->>'id', value->>'name', value->>'firstDay', value->>'firstDay', '{}' FROM json_each(?)`,
  [JSON.stringify(terms)],
);
const people = Array.from({ length: 2000 }, (_, index) => ({
  id: `p${index}`,
  given: `Ines${index % 40}`,
  family: index % 50 === 0 ? 'Marant' : `Brandt${index}`,
}));
await writing.query(
  `INSERT INTO person (id, given_name, family_name, email, role) SELECT value->>'id', value->>'given', value->>'family', '', 'instructor' FROM json_each(?)`,
  [JSON.stringify(people)],
);
const courses = Array.from({ length: COURSES }, (_, index) => ({
  id: `c${index}`,
  code: SUBJECTS[index % 15],
  number: String(100 + ((index * 7) % 400)),
  section: String(1 + (index % 9)).padStart(2, '0'),
  title: `${TOPICS[(index * 5) % 12]} ${FORMS[(index * 3) % 10]}`,
  term: `t${index % 36}`,
  person: `p${(index * 11) % 2000}`,
}));
await writing.query(
  `INSERT INTO course (id, code, number, section, title, term_id, type, locale, open_to_learners, archived, meetings, version)
   SELECT value->>'id', value->>'code', value->>'number', value->>'section', value->>'title', value->>'term', 'course', 'en-US', 0, 0, '[]', 1 FROM json_each(?)`,
  [JSON.stringify(courses)],
);
await writing.query(
  `INSERT INTO course_staff (course_id, person_id, role) SELECT value->>'id', value->>'person', 'instructor' FROM json_each(?)`,
  [JSON.stringify(courses)],
);
const begun = performance.now();
await indexCourses(writing.manager);
await writing.query('COMMIT');
console.log(`${COURSES} courses indexed in ${Math.round(performance.now() - begun)} ms`);
await writing.query('CREATE TABLE plain (id TEXT, words TEXT)');
await writing.query(
  `INSERT INTO plain SELECT course.id, lower(code || number || section || ' ' || title || ' ' || term.name || ' ' || given_name || ' ' || family_name)
     FROM course JOIN term ON term.id = term_id JOIN course_staff ON course_id = course.id JOIN person ON person.id = person_id`,
);
await writing.destroy();

const reading = await openForReading(folder);
const vocabulary = new Vocabulary(reading.manager);
const administrator: RightsPerson = { id: 'admin', role: 'administrator', department: null, actorsDepartment: null };
const instructor: RightsPerson = { id: 'p0', role: 'instructor', department: null, actorsDepartment: null };
const EVERYTHING: FindFilters = {
  ...{ when: undefined, mine: false, usable: false, term: undefined, holds: false },
  ...{ template: false, campus: undefined },
};

async function timed(act: () => Promise<unknown>): Promise<number> {
  const start = performance.now();
  await act();
  return performance.now() - start;
}
const median = (times: readonly number[]): number => [...times].sort((a, b) => a - b)[Math.floor(times.length / 2)]!;

async function series(act: (query: string) => Promise<unknown>): Promise<number[]> {
  const times: number[] = [];
  for (let round = 0; round < ROUNDS; round++) for (const query of QUERIES) times.push(await timed(() => act(query)));
  return times;
}
const byIndex = (person: RightsPerson) =>
  series((query) => findCourses(reading.manager, vocabulary, person, query, EVERYTHING, '2026-11-24', 20));
const byLike = await series((query) => {
  const words = query.toLowerCase().split(/[^a-z0-9]+/);
  return reading.query(
    `SELECT id FROM plain WHERE ${words.map(() => 'words LIKE ?').join(' AND ')}`,
    words.map((word) => `%${word}%`),
  );
});
for (const [name, person] of [
  ['an administrator', administrator],
  ['an instructor', instructor],
] as const) {
  const times = await byIndex(person);
  console.log(
    `finding for ${name}: median ${median(times).toFixed(1)} ms, slowest ${Math.max(...times).toFixed(1)} ms; limit ${LIMIT_MS}; LIKE ${median(byLike).toFixed(1)} ms, ratio ${(median(times) / median(byLike)).toFixed(2)}`,
  );
}
for (const query of QUERIES) {
  const times: number[] = [];
  for (let round = 0; round < ROUNDS; round++)
    times.push(
      await timed(() => findCourses(reading.manager, vocabulary, administrator, query, EVERYTHING, '2026-11-24', 20)),
    );
  console.log(`  ${query}: ${median(times).toFixed(1)} ms`);
}
await reading.destroy();
rmSync(folder, { recursive: true, force: true });

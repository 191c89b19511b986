import { describe, expect, it } from '@jest/globals';
import { joinSources, snapshotOf, type Course, type CourseHead, type Item } from '@yarin/core';
import { filterRows } from '../src/plan/what/rows/filterRows.js';
import { placesFrom } from '../src/plan/what/rows/placesFrom.js';
import { layOldPage } from '../src/plan/what/rows/oldRows.js';
import { sourceNames } from '../src/plan/state/sourceNames.js';

const head = (id: string, rest: Partial<CourseHead> = {}): CourseHead => ({
  id,
  code: 'ECO',
  number: '214',
  section: '01',
  title: 'Freshwater Ecology',
  term: 'Spring 2026',
  ...rest,
});

describe('the names of the courses that a plan brings from', () => {
  const names = (...courses: CourseHead[]): string[] => [...sourceNames(courses).values()];
  it.each<[string, CourseHead[], string[]]>([
    ['their terms', [head('a'), head('b', { term: 'Fall 2025' })], ['Spring 2026', 'Fall 2025']],
    ['what they are', [head('a'), head('t', { type: 'template' })], ['Spring 2026', 'the shared template']],
    [
      'with the code where the terms are the same',
      [head('a'), head('b', { number: '310' })],
      ['ECO 214, Spring 2026', 'ECO 310, Spring 2026'],
    ],
    [
      'with the section where only that differs',
      [head('a'), head('b', { section: '02' }), head('d', { type: 'development' })],
      ['ECO 214-01, Spring 2026', 'ECO 214-02, Spring 2026', 'the development course'],
    ],
    ['the id, when nothing tells them apart', [head('a'), head('b')], ['a', 'b']],
  ])('are %s', (_, courses, expected) => {
    expect(names(...courses)).toEqual(expected);
  });
});

describe('the spread of two courses', () => {
  const item = (kind: Item['kind'], id: string, title: string, rest: Partial<Item> = {}): Item => ({
    id,
    kind,
    title,
    body: `<p>${id}</p>`,
    state: 'open',
    ...rest,
  });
  const course = (id: string, term: string, items: Item[]): Course => ({
    course: head(id, { term }),
    calendar: { firstDay: '2026-01-12', lastDay: '2026-05-08', timeZone: 'America/Chicago' },
    items,
  });
  const courses = [
    course('a', 'Spring 2026', [
      item('unit', 'u', 'Rivers', { position: 1 }),
      item('page', 'p', 'Rules', { parent: 'u' }),
    ]),
    course('b', 'Fall 2025', [
      item('unit', 'v', 'Lakes', { position: 1 }),
      item('page', 'q', 'Rules', { parent: 'v' }),
      item('page', 'r', 'Ice', { parent: 'v' }),
    ]),
  ];
  const ground = joinSources(
    courses.map((each) => ({ source: snapshotOf(each), findings: [], lineage: [] })),
    {},
    true,
  );
  const names = sourceNames(courses.map((each) => each.course));
  const fromOf = placesFrom(ground.joined!, (id) => names.get(id)!);
  const rows = (by: 'outline' | 'source') => layOldPage(ground.source, [], by, { fromOf }).rows;
  const told = (by: 'outline' | 'source'): string[] =>
    rows(by).map(
      ({ depth, title, from }) => `${'  '.repeat(depth)}${title}${from === undefined ? '' : ` (${from.words})`}`,
    );

  it('says of every row where it is from, and shows what stands in both once', () => {
    expect(told('outline')).toEqual([
      'Rivers (Spring 2026)',
      '  Rules (Spring 2026, also Fall 2025)',
      'Lakes (Fall 2025)',
      '  Ice (Fall 2025)',
    ]);
  });
  it('stands together by source, units with what they hold', () => {
    expect(told('source')).toEqual([
      'Spring 2026',
      '  Rivers (Spring 2026)',
      '    Rules (Spring 2026, also Fall 2025)',
      'Fall 2025',
      '  Lakes (Fall 2025)',
      '    Ice (Fall 2025)',
    ]);
  });
  it('finds rows by the name of their course', () => {
    const found = filterRows(rows('outline'), 'fall 2025').shown.map(({ title }) => title);
    expect(found).toEqual(['Rivers', 'Rules', 'Lakes', 'Ice']);
  });
  it('a unit covers what stands in it, of its own course or another', () => {
    expect(rows('source').find(({ key }) => key === 'v')!.covers).toEqual(['v', 'r']);
  });
});

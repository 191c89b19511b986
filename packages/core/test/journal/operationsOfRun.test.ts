import { describe, expect, it } from '@jest/globals';
import { findFindings } from '../../src/choose/findings/findFindings.js';
import { isSame } from '../../src/journal/fields.js';
import { countsOfRun, operationsOfRun } from '../../src/journal/operationsOfRun.js';
import { previewPlan } from '../../src/plan/preview.js';
import { joinSources } from '../../src/plan/sources/joinSources.js';
import type { Choices } from '../../src/schemas/choices.js';
import type { Course, Item } from '../../src/schemas/course.js';
import { asSnapshot, due, item, newShell, oldCourse, stock } from '../builders.js';

const course = (id: string, ...items: Item[]): Course => ({
  ...oldCourse(...items),
  course: { ...oldCourse().course, id },
});
const page = (id: string, title: string): Item => item('page', id, { title, body: `<p>${title}</p>` });
const SHELL = newShell(stock('page', 'there', { title: 'House rules', body: '<p>Rules</p>' }));

function run(courses: readonly Course[], choices: Choices = {}) {
  const grounds = courses.map((each) => ({
    source: asSnapshot(each),
    findings: findFindings(each, SHELL),
    lineage: [],
  }));
  const input = {
    ...joinSources(grounds, choices, true),
    shell: asSnapshot(SHELL),
    decisions: { choices, byHand: {}, settled: {} },
    policy: {},
  };
  const preview = previewPlan(input);
  if (!preview.ok) throw new Error(JSON.stringify(preview.problems));
  const operations = operationsOfRun(input, preview.value);
  return { operations, counts: countsOfRun(input, preview.value, operations) };
}

describe('a run', () => {
  const OLD = course(
    'old',
    page('a', 'Rivers'),
    item('quiz', 'q', { moments: due('q', '2026-02-09T23:59') }),
    page('rules', 'House rules'),
    item('announcement', 'snow', { body: '<p>Closed today.</p>' }),
  );
  it('is operations in the order of the plan: what is new, what takes the place of the shell’s, each with where it is from', () => {
    expect(run([OLD]).operations.map(({ op, key, origin }) => [op, key, origin?.item])).toEqual([
      ['added', 'a', 'a'],
      ['added', 'q', 'q'],
      ['changed', 'there', 'rules'],
    ]);
  });
  it('counts what it did, by kind and in all', () => {
    expect(run([OLD]).counts).toEqual({
      things: 3,
      added: 2,
      changed: 1,
      places: 0,
      updated: 0,
      takenOut: 0,
      dates: 1,
      datesKept: 0,
      left: 1,
      byKind: {
        page: { source: 2, brought: 2, stood: 0 },
        quiz: { source: 1, brought: 1, stood: 0 },
        announcement: { source: 1, brought: 0, stood: 0 },
      },
    });
  });
  it('counts the things of each of several sources', () => {
    const { counts } = run([OLD, course('dev', page('b', 'Lakes'), page('c', 'Bogs'))], { items: { c: 'leave' } });
    expect(counts.bySource?.map(({ course: id, things }) => [id, things])).toEqual([
      ['old', 3],
      ['dev', 1],
    ]);
    expect(counts.left).toBe(2);
  });
});

describe('two values of a field', () => {
  it.each<[unknown, unknown, boolean]>([
    [1, 1, true],
    [1, 2, false],
    [undefined, null, true],
    [null, undefined, true],
    [null, 0, false],
    [{ a: 1 }, { a: 1 }, true],
    [{ a: 1 }, { a: 2 }, false],
    [{ a: 1 }, null, false],
    [null, { a: 1 }, false],
    [[1], [1], true],
    ['x', { a: 1 }, false],
  ])('%j and %j are the same: %s', (one, other, same) => expect(isSame(one, other)).toBe(same));
});

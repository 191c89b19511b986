import { describe, expect, it } from '@jest/globals';
import { findFindings, previewPlan, snapshotOf, type Course, type Item } from '@yarin/core';
import { newRows } from '../src/plan/what/rows/newRows.js';
import { layOldPage, oldRows } from '../src/plan/what/rows/oldRows.js';

const item = (kind: Item['kind'], id: string, rest: Partial<Item> = {}): Item => ({
  id,
  kind,
  title: id,
  state: 'open',
  editedAt: '2026-01-05T09:00',
  ...rest,
});
const course = (id: string, term: string, firstDay: string, lastDay: string, items: Item[]): Course => ({
  course: { id, code: 'ECO', number: '214', section: '01', title: 'Freshwater Ecology', term },
  calendar: { firstDay, lastDay, timeZone: 'America/Chicago' },
  items,
});
const OLD = course('old', 'Spring 2026', '2026-01-12', '2026-05-08', [
  item('unit', 'u', { title: 'Unit 1', body: '<p>x</p>', position: 1 }),
  item('quiz', 'q', {
    title: 'Quiz 1',
    parent: 'u',
    position: 1,
    moments: [{ id: 'm', role: 'due', at: '2026-02-04T23:59' }],
    links: [{ type: 'draws', to: 'b' }],
  }),
  item('questionBank', 'b', { title: 'Bank' }),
  item('announcement', 'a', { title: 'Snow day', body: '<p>Closed today.</p>' }),
]);
const SHELL = course('new', 'Spring 2027', '2027-01-11', '2027-05-07', [
  { id: 's', kind: 'page', title: 'Library', state: 'open', position: 1 },
]);

function rowsWith(choices: object) {
  const findings = findFindings(OLD, SHELL);
  const source = snapshotOf(OLD);
  const result = previewPlan({
    source,
    shell: snapshotOf(SHELL),
    findings,
    decisions: { choices, byHand: {}, settled: {} },
    policy: {},
    lineage: [],
  });
  if (!result.ok) throw new Error('calendar');
  return {
    preview: result.value,
    old: (by: 'outline' | 'kind') => oldRows(layOldPage(source, findings, by), result.value),
    new: newRows({ preview: result.value, shell: snapshotOf(SHELL).items, causes: [] }, 'outline'),
  };
}

describe('the old page', () => {
  it('shows what stays with the finding that decided, under its area', () => {
    const rows = rowsWith({}).old('outline');
    expect(rows.map(({ title, box }) => `${title} ${box}`)).toEqual([
      'Unit 1 on',
      'Quiz 1 on',
      'Announcements off',
      'Snow day off',
      'Question banks on',
      'Bank on',
    ]);
    expect(rows[3]).toMatchObject({ note: 'announcements of last term', strand: 'stays', to: null });
    expect(rows[1]).toMatchObject({ date: 'due Wed 4 Feb', strand: 'comes', to: 'q' });
  });
  it('shows a unit in part, and what comes along', () => {
    const rows = rowsWith({ all: 'leave', items: { q: 'bring' } }).old('outline');
    expect(rows.find(({ title }) => title === 'Bank')).toMatchObject({ box: 'on', note: 'comes with Quiz 1' });
    expect(rowsWith({ items: { q: 'leave' } }).old('outline')[0]).toMatchObject({ title: 'Unit 1', box: 'part' });
  });
  it('groups by kind, only kinds that the course has', () => {
    expect(
      rowsWith({})
        .old('kind')
        .filter(({ isHeading }) => isHeading)
        .map(({ title, kind }) => `${title} ${kind}`),
    ).toEqual(['Units 1 of 1', 'Quizzes 1 of 1', 'Question banks 1 of 1', 'Announcements 0 of 1']);
  });
});

describe('what only an administrator decides', () => {
  it('says so beside the thing', () => {
    const findings = findFindings(OLD, SHELL);
    const { lines, broken } = rowsWith({}).preview;
    const layout = layOldPage(snapshotOf(OLD), findings, 'outline', { locked: new Set(['a']) });
    const rows = oldRows(layout, { lines, broken });
    expect(rows.find(({ title }) => title === 'Snow day')!.note).toBe('decided by the college');
    expect(rows.find(({ title }) => title === 'Quiz 1')!.note).toBe('');
  });
});

describe('by finding', () => {
  it('a row shows the words that were found', () => {
    const rows = oldRows(layOldPage(snapshotOf(OLD), findFindings(OLD, SHELL), 'finding'), rowsWith({}).preview);
    expect(rows.find(({ title }) => title === 'Snow day')!.note).toBe('“today”');
  });
});

describe('the new page', () => {
  it('shows the course as it will be, with what the shell holds and the new dates', () => {
    expect(rowsWith({}).new.map(({ title, date, tone }) => `${title} | ${date} | ${tone}`)).toEqual([
      'Library | here already | here',
      'Unit 1 |  | moved',
      'Quiz 1 | due Wed 3 Feb | moved',
      'Question banks |  | here',
      'Bank |  | moved',
    ]);
  });
});

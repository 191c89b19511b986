import { describe, expect, it } from '@jest/globals';
import { undatedWork } from '../../src/plan/dates/undated.js';
import { planCourses } from '../../src/plan/headless/planCourses.js';
import { planJobProblems } from '../../src/plan/headless/checkPlanJob.js';
import { previewPlan } from '../../src/plan/preview.js';
import { reviewPlan } from '../../src/plan/review.js';
import { asSnapshot, due, item, newShell, oldCourse } from '../builders.js';

const graded = { points: 10, links: [{ type: 'gradedIn' as const, to: 'l' }] };
const OLD = oldCourse(
  item('lineItem', 'l', { points: 10 }),
  item('assignment', 'e', { title: 'Essay', ...graded }),
  item('quiz', 'q', { title: 'Quiz', moments: due('q', '2026-02-11T23:59') }),
  item('discussion', 'd', { title: 'Talk' }),
  item('page', 'p', { title: 'Page' }),
);

function planned(byHand: Record<string, string>, items: Record<string, 'leave'> = {}) {
  const input = {
    source: asSnapshot(OLD),
    shell: asSnapshot(newShell()),
    findings: [],
    lineage: [],
    policy: {},
    decisions: { choices: { items }, byHand, settled: {} },
  };
  const preview = previewPlan(input);
  if (!preview.ok) throw new Error(preview.problems[0]!.message);
  return {
    rows: undatedWork(input, preview.value).map(({ id, title, from, to, graded: counts }) => [
      id,
      title,
      from,
      to,
      counts,
    ]),
    dates: preview.value.dates.map(({ id }) => id),
    dueOf: (id: string) => preview.value.items.find((each) => each.id === id)!.moments,
    codes: reviewPlan(input, preview.value).looseEnds.map(({ code }) => code),
  };
}

describe('work without a date', () => {
  it('is a row where it comes: work alone, and only what has no date at all', () => {
    const { rows, codes } = planned({});
    expect(rows).toEqual([
      ['due of e', 'Essay', '', null, true],
      ['due of d', 'Talk', '', null, false],
    ]);
    expect(codes).toContain('gradedWithoutDate');
    expect(planned({}, { e: 'leave' }).rows.map(([id]) => id)).toEqual(['due of d']);
  });
  it('lands with the due date that a person gave it; the dates that move stay those that they were', () => {
    const { rows, dates, dueOf, codes } = planned({ 'due of e': '2027-03-02T17:00' });
    expect(rows[0]).toEqual(['due of e', 'Essay', '', '2027-03-02T17:00', true]);
    expect(dates).toEqual(['q-due']);
    expect(dueOf('e')).toEqual([{ id: 'e:due', role: 'due', at: '2027-03-02T17:00' }]);
    expect(dueOf('d')).toEqual([]);
    expect(codes).not.toContain('gradedWithoutDate');
  });
  it('is given its date headless too; a name of work that has dates is refused', () => {
    const job = { sources: [OLD], destination: newShell(), byHand: { 'due of e': '2027-03-02T17:00' } };
    expect(planJobProblems(job)).toEqual([]);
    const result = planCourses(job);
    if (!result.ok) throw new Error('refused');
    expect(result.value.course.items.find(({ id }) => id === 'e')!.moments).toEqual([
      { id: 'e:due', role: 'due', at: '2027-03-02T17:00' },
    ]);
    expect(result.value.dates.map(({ moment }) => moment)).toEqual(['q-due']);
    expect(planJobProblems({ ...job, byHand: { 'due of q': '2027-03-02T17:00' } }).map(({ code }) => code)).toEqual([
      'noSuchMoment',
    ]);
  });
});

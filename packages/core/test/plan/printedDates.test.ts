import { describe, expect, it } from '@jest/globals';
import { planCourses } from '../../src/plan/headless/planCourses.js';
import type { Planned, PlanJob } from '../../src/schemas/planJob.js';
import { due, item, newShell, oldCourse } from '../builders.js';

const plan = (job: Partial<PlanJob>): Planned => {
  const result = planCourses({ sources: [], destination: newShell(), ...job });
  if (!result.ok) throw new Error(JSON.stringify(result.problems));
  return result.value;
};
const COURSE = oldCourse(
  item('quiz', 'tied', { points: 5, moments: due('tied', '2026-02-18T10:00') }),
  item('assignment', 'lab', {
    moments: [
      { id: 'lab-due', role: 'due', at: '2026-02-18T23:59' },
      { id: 'lab-late', role: 'late', at: '2026-02-20T23:59' },
    ],
  }),
  item('assignment', 'journal', { moments: due('journal', '2026-03-15T23:59') }),
  item('announcement', 'snow', {
    body: '<p>Closed today.</p>',
    moments: [{ id: 'snow-posts', role: 'posts', at: '2026-02-02T08:00' }],
  }),
  item('toolLink', 'tool', { details: { outsideCourseId: 'kx-2041' } }),
  item('assignment', 'drill', {
    points: 10,
    moments: due('drill', '2026-02-06T23:59'),
    links: [{ type: 'launches', to: 'tool' }],
  }),
);

describe('the dates that a plan prints', () => {
  const planned = plan({ sources: [COURSE] });
  it('go by the proposed policy, which is printed', () => {
    expect(planned.policies).toEqual({ old: { rule: 'week', weekdays: { '1': 2, '2': 3, '3': 4 } } });
  });
  it('are those of what comes or keeps a place, in the order of the things, with ids of the source', () => {
    expect(planned.dates.map(({ moment, item: id, to, flags }) => [moment, id, to, flags])).toEqual([
      ['tied-due', 'tied', '2027-02-23T14:00', ['closure']],
      ['lab-due', 'lab', '2027-02-19T23:59', ['closure']],
      // Two days behind it, a Sunday: Friday 20 February was none.
      ['lab-late', 'lab', '2027-02-21T23:59', ['weekend']],
      ['journal-due', 'journal', '2027-03-07T23:59', ['wasInBreak']],
      ['drill-due', 'drill', '2027-02-05T23:59', []],
    ]);
  });
  it('have every doubt once, under its cause, with what would settle it', () => {
    expect(planned.causes).toEqual([
      {
        cause: 'closure',
        moments: ['tied-due', 'lab-due'],
        settlements: [
          // The quiz is on the next class already, the lab on the next teaching day.
          { name: 'previous', to: { 'tied-due': '2027-02-16T14:00', 'lab-due': '2027-02-17T23:59' } },
          { name: 'nextClass', to: { 'lab-due': '2027-02-23T23:59' } },
          { name: 'stay', to: { 'tied-due': '2027-02-18T14:00', 'lab-due': '2027-02-18T23:59' } },
        ],
      },
      // The late day follows its due date: nothing is offered for it.
      { cause: 'weekend', moments: ['lab-late'], settlements: [] },
      {
        cause: 'wasInBreak',
        moments: ['journal-due'],
        settlements: [
          { name: 'newBreak', to: { 'journal-due': '2027-03-21T23:59' } },
          { name: 'previous', to: { 'journal-due': '2027-03-12T23:59' } },
          { name: 'next', to: { 'journal-due': '2027-03-22T23:59' } },
        ],
      },
    ]);
  });
  it('of several sources name the course, and have causes of their own', () => {
    const other = { ...COURSE, course: { ...COURSE.course, id: 'older' } };
    const items = other.items
      .filter(({ id }) => id === 'tied')
      .map((each) => ({ ...each, id: 'quiz', title: 'Quiz', moments: due('tied', '2026-02-18T10:15') }));
    const { dates, causes, policies } = plan({ sources: [COURSE, { ...other, items }] });
    expect(Object.keys(policies)).toEqual(['old', 'older']);
    expect(dates.map(({ course, moment }) => `${course} ${moment}`)).toContain('older tied-due');
    expect(causes.filter(({ cause }) => cause === 'closure').map(({ course, moments }) => [course, moments])).toEqual([
      ['old', ['tied-due', 'lab-due']],
      ['older', ['tied-due']],
    ]);
  });
  it('in a shell that sections share are named with the section in doubts, as what settles them is set', () => {
    const shared = newShell();
    const meetings = [
      { weekday: 4, start: '09:00', end: '10:15', for: 'A' },
      { weekday: 3, start: '09:00', end: '10:15', for: 'B' },
    ];
    const old = { ...oldCourse(item('quiz', 'q', { moments: due('q', '2026-02-18T09:00') })) };
    const { dates, causes } = plan({
      sources: [{ ...old, meetings: [{ weekday: 3, start: '09:00', end: '10:15' }] }],
      destination: { ...shared, meetings },
    });
    // Thursday 18 February is Charter Day, for A alone.
    expect(dates.map(({ moment, for: section, to }) => [moment, section, to])).toEqual([
      ['q-due', 'A', '2027-02-25T09:00'],
      ['q-due', 'B', '2027-02-17T09:00'],
    ]);
    expect(causes.map(({ moments }) => moments)).toEqual([['q-due@A']]);
    for (const { to } of causes[0]!.settlements) expect(Object.keys(to)).toEqual(['q-due@A']);
  });
  it('of nothing are empty lists', () => {
    const { dates, causes } = plan({ sources: [oldCourse()] });
    expect([dates, causes]).toEqual([[], []]);
  });
});

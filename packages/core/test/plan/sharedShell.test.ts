import { describe, expect, it } from '@jest/globals';
import { indexPlan, previewOn } from '../../src/plan/preview.js';
import { meetingsFor, retimeForSections, sectionsIn } from '../../src/plan/sharedShell.js';
import type { Meeting } from '../../src/schemas/calendar.js';
import type { RetimeMoment } from '../../src/schemas/retimeJob.js';
import { asSnapshot, item, newShell, oldCourse } from '../builders.js';
import { aJob, SPRING_2026, SPRING_2027 } from '../terms.js';

const class_ = (weekday: number, section?: string): Meeting => ({
  weekday,
  start: '14:00',
  end: '15:15',
  ...(section === undefined ? {} : { for: section }),
});
/** Section A meets Tue Thu, section B Mon Wed; the old course met Mon Wed at 10. */
const SHARED = [class_(2, 'A'), class_(4, 'A'), class_(1, 'B'), class_(3, 'B')];
const destination = { calendar: SPRING_2027.calendar, meetings: SHARED };
const due = (id: string, at: string, people?: string): RetimeMoment => ({
  id,
  role: 'due',
  at,
  ...(people === undefined ? {} : { for: people }),
});
function moved(moments: RetimeMoment[], job: Parameters<typeof aJob>[1] = {}): string[] {
  const result = retimeForSections(aJob(moments, { destination, ...job }), []);
  if (!result.ok) throw new Error(JSON.stringify(result.problems));
  return result.value.map(({ id, to, section }) => `${id} ${to}${section === undefined ? '' : ` ${section}`}`);
}

describe('two sections that share a shell', () => {
  it('a date of everybody becomes one for each section on its own class days', () => {
    // Mon 2 Feb 2026 is week 4: Tuesday for A, Monday for B.
    expect(moved([due('q', '2026-02-02T23:59')])).toEqual(['q@A 2027-02-02T23:59 A', 'q@B 2027-02-01T23:59 B']);
  });
  it('the hour of class goes with the class of each', () => {
    expect(moved([due('q', '2026-02-04T10:00')])).toEqual(['q@A 2027-02-04T14:00 A', 'q@B 2027-02-03T14:00 B']);
  });
  it('where both come to the same date it stays one for everybody', () => {
    expect(moved([due('q', '2026-02-06T17:00')])).toEqual(['q 2027-02-05T17:00']);
  });
  it('a date of one section goes by that section; one of another group by no section’s', () => {
    expect(moved([due('a', '2026-02-02T23:59', 'A'), due('g', '2026-02-02T23:59', 'team 1')])).toEqual([
      'a 2027-02-02T23:59',
      'g 2027-02-02T23:59',
    ]);
  });
  it('set by hand for everybody it is everybody’s; set for one section it is that one’s', () => {
    const byHand = { q: '2027-02-08T12:00' };
    expect(moved([due('q', '2026-02-02T23:59')], { byHand })).toEqual(['q 2027-02-08T12:00']);
    expect(moved([due('q', '2026-02-02T23:59')], { byHand: { 'q@B': '2027-02-08T12:00' } })).toEqual([
      'q@A 2027-02-02T23:59 A',
      'q@B 2027-02-08T12:00 B',
    ]);
  });
  it('without a class-day map all keep their weekday', () => {
    expect(moved([due('q', '2026-02-02T23:59')], { policy: { rule: 'week' } })).toEqual(['q 2027-02-01T23:59']);
  });
  it('a shell of one section is dated as ever, and a date by hand of a section that is gone does no harm', () => {
    const job = { destination: SPRING_2027, byHand: { 'q@B': '2027-02-08T12:00' } };
    expect(moved([due('q', '2026-02-02T23:59')], job)).toEqual(['q 2027-02-02T23:59']);
  });
  it('an old course that two sections shared keeps them apart', () => {
    const source = {
      calendar: SPRING_2026.calendar,
      meetings: [class_(1, 'A'), class_(3, 'A'), class_(2, 'B'), class_(4, 'B')],
    };
    expect(moved([due('b', '2026-02-03T23:59', 'B')], { source })).toEqual(['b 2027-02-01T23:59']);
  });
  it('knows its sections, and the meetings of each with those of all', () => {
    const lecture = class_(5);
    expect(sectionsIn([...SHARED, lecture])).toEqual(['A', 'B']);
    expect(meetingsFor([...SHARED, lecture], 'A')).toEqual([SHARED[0], SHARED[1], lecture]);
    expect(meetingsFor([...SHARED, lecture], undefined)).toEqual([lecture]);
  });
});

it('in a plan they land as dates of their sections, with ids of their own', () => {
  const source = asSnapshot(
    oldCourse(
      item('quiz', 'q', {
        moments: [
          { id: 'q-opens', role: 'opens', at: '2026-02-06T08:00' },
          { id: 'q-due', role: 'due', at: '2026-02-09T23:59' },
        ],
      }),
    ),
  );
  const shell = { ...asSnapshot(newShell()), meetings: SHARED };
  const index = indexPlan({ source: { ...source, meetings: SPRING_2026.meetings! }, shell, findings: [], lineage: [] });
  const preview = previewOn(index, {
    decisions: { choices: {}, byHand: {}, settled: {} },
    policy: { rule: 'week', weekdays: { '1': 2, '3': 4 } },
  });
  if (!preview.ok) throw new Error(JSON.stringify(preview.problems));
  expect(preview.value.items.find(({ from }) => from === 'q')!.moments).toEqual([
    { id: 'q-opens', role: 'opens', at: '2027-02-05T08:00' },
    { id: 'q-due@A', role: 'due', at: '2027-02-09T23:59', for: 'A' },
    { id: 'q-due@B', role: 'due', at: '2027-02-08T23:59', for: 'B' },
  ]);
  expect(preview.value.dates.map(({ id, moment, for: section }) => [id, moment, section])).toEqual([
    ['q-opens', undefined, undefined],
    ['q-due@A', 'q-due', 'A'],
    ['q-due@B', 'q-due', 'B'],
  ]);
});

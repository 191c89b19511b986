import { describe, expect, it } from '@jest/globals';
import { retimeFromAnyTerm } from '../../src/plan/dates/olderTerms.js';
import { explain } from '../../src/retime/explain.js';
import { retime } from '../../src/retime/retime.js';
import type { Calendar } from '../../src/schemas/calendar.js';
import type { RetimeMoment } from '../../src/schemas/retimeJob.js';
import { aJob, SPRING_2026 } from '../terms.js';

/** Spring 2025: 13 Jan – 9 May, break 10–16 Mar. */
const SPRING_2025: Calendar = {
  name: 'Spring 2025',
  firstDay: '2025-01-13',
  lastDay: '2025-05-09',
  timeZone: 'America/Chicago',
  closures: [{ from: '2025-03-10', to: '2025-03-16', kind: 'break' }],
};
const FALL_2025: Calendar = {
  name: 'Fall 2025',
  firstDay: '2025-08-25',
  lastDay: '2025-12-12',
  timeZone: 'America/Chicago',
};
const due = (id: string, at: string): RetimeMoment => ({ id, role: 'due', at });
const MOMENTS = [due('now', '2026-01-21T10:00'), due('old', '2025-03-05T23:59'), due('between', '2025-07-10T23:59')];
const known = [SPRING_2025, FALL_2025, SPRING_2026.calendar];
const moved = (moments: RetimeMoment[], terms: readonly Calendar[] = known, byHand = {}) => {
  const result = retimeFromAnyTerm(aJob(moments, { byHand }), terms);
  if (!result.ok) throw new Error(JSON.stringify(result.problems));
  return result.value;
};

describe('a date that is left over from an older term', () => {
  it('goes from the week of the term that it is from, on its own weekday, and says so', () => {
    // Wed 5 Mar 2025 is in teaching week 8 of Spring 2025; week 8 of Spring 2027 begins on Mon 1 Mar.
    const [, old] = moved(MOMENTS);
    expect(old).toMatchObject({ id: 'old', from: '2025-03-05T23:59', to: '2027-03-03T23:59', flags: [] });
    expect(explain(old!)).toBe('dated in Spring 2025, week 8, same weekday');
  });
  it('of no known term is flagged, and goes as everything else', () => {
    const [, , between] = moved(MOMENTS);
    expect(between!.flags).toContain('otherTerm');
    expect(moved(MOMENTS, []).map(({ flags }) => flags.includes('otherTerm'))).toEqual([false, true, true]);
  });
  it('leaves the dates of last term alone, hour of class and map and all', () => {
    const [now] = moved(MOMENTS);
    const alone = retime(aJob([MOMENTS[0]!]));
    expect(now).toEqual(alone.ok && alone.value[0]);
    expect(now!.to).toBe('2027-01-21T14:00');
  });
  it('shortly outside a term belongs to it; two months from last term it is still last term’s', () => {
    const [late, early] = moved([due('late', '2025-05-20T12:00'), due('early', '2025-12-01T12:00')]);
    expect(explain(late!)).toContain('dated in Spring 2025');
    expect(explain(early!)).not.toContain('dated in');
  });
  it('set by hand stands where it was set', () => {
    const [, old] = moved(MOMENTS, known, { old: '2027-04-01T12:00' });
    expect(old).toMatchObject({ to: '2027-04-01T12:00', rule: 'byHand', steps: [{ step: 'byHand' }] });
  });
  it('problems of the job are told as ever', () => {
    const result = retimeFromAnyTerm(aJob([...MOMENTS, due('old', '2025-03-06T10:00')]), known);
    expect(result.ok).toBe(false);
  });
});

import { describe, expect, it } from '@jest/globals';
import { formatDay, parseDay } from '../../src/calendar/day.js';
import { indexPlan, previewOn } from '../../src/plan/preview.js';
import { reviewPlan } from '../../src/plan/review.js';
import type { Meeting } from '../../src/schemas/calendar.js';
import { asSnapshot, item, newShell, oldCourse } from '../builders.js';

/** Six weeks from Mon 12 Jan 2026; the new term has as many from Mon 11 Jan 2027, and one more if it is longer. */
const term = (firstDay: string, weeks: number) => ({
  firstDay,
  lastDay: formatDay(parseDay(firstDay) + weeks * 7 - 3),
  timeZone: 'UTC',
});
const MONDAYS: Meeting[] = [{ weekday: 1, start: '10:00', end: '11:00' }];

function endsWith(newWeeks: number, meetings: Meeting[], events: number): string[] {
  const classes = Array.from({ length: events }, (_, week) => {
    const date = formatDay(parseDay('2026-01-12') + week * 7);
    return item('event', `class${week}`, {
      moments: [
        { id: `s${week}`, role: 'starts', at: `${date}T10:00` },
        { id: `e${week}`, role: 'ends', at: `${date}T11:00` },
      ],
    });
  });
  const source = { ...asSnapshot(oldCourse(...classes)), calendar: term('2026-01-12', 6), meetings: MONDAYS };
  const shell = { ...asSnapshot(newShell()), calendar: term('2027-01-11', newWeeks), meetings };
  const ground = { source, shell, findings: [], lineage: [] };
  const decided = { decisions: { choices: {}, byHand: {}, settled: {} }, policy: {} };
  const preview = previewOn(indexPlan(ground), decided);
  if (!preview.ok) throw new Error(JSON.stringify(preview.problems));
  return reviewPlan({ ...ground, ...decided }, preview.value)
    .looseEnds.filter(({ code }) => code === 'classWithoutEvent')
    .map(({ sentence, detail }) => `${sentence}: ${detail}`);
}

describe('an event for every class', () => {
  it('with as many classes in the new term nothing is said', () => {
    expect(endsWith(6, MONDAYS, 6)).toEqual([]);
  });
  it('with one class more it is said, with its day', () => {
    expect(endsWith(7, MONDAYS, 6)).toEqual(['The new term has one class more, without an event: Mon 22 Feb']);
  });
  it('with several more the first three are named', () => {
    expect(endsWith(10, MONDAYS, 6)).toEqual([
      'The new term has 4 classes more, without an event: Mon 22 Feb · Mon 1 Mar · Mon 8 Mar · 1 more',
    ]);
  });
  it('a course with an event for some of its classes has no such series', () => {
    expect(endsWith(7, MONDAYS, 4)).toEqual([]);
  });
  it('without class days on one side there is nothing to say', () => {
    expect(endsWith(7, [], 6)).toEqual([]);
  });
});

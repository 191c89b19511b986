import { describe, expect, it } from '@jest/globals';
import { indexTerms, retime, type Calendar, type PreviewDate, type RetimeMoment } from '@yarin/core';
import { pileUps } from '../src/plan/glance/pileUps.js';
import { changeWords, dayLines, examplesOf } from '../src/plan/when/classDays.js';

const calendar = (firstDay: string, lastDay: string): Calendar => ({ firstDay, lastDay, timeZone: 'UTC' });
const source = {
  calendar: calendar('2026-01-12', '2026-05-01'),
  meetings: [
    { weekday: 1, start: '10:00', end: '11:00' },
    { weekday: 5, start: '13:00', end: '16:00', series: 'lab' },
  ],
};
const destination = {
  calendar: calendar('2027-01-11', '2027-04-30'),
  meetings: [
    { weekday: 2, start: '14:00', end: '15:00' },
    { weekday: 4, start: '09:00', end: '12:00', series: 'lab' },
  ],
};
const MOMENTS: RetimeMoment[] = [
  { id: 'Quiz 2', role: 'due', at: '2026-01-19T10:00' },
  { id: 'Lab 1', role: 'due', at: '2026-01-16T16:00' },
  { id: 'Post', role: 'due', at: '2026-01-18T23:59' },
  { id: 'Prep', role: 'due', at: '2026-01-12T23:59' },
  { id: 'Before', role: 'posts', at: '2026-01-05T09:00' },
];
const dates = (weekdays: Record<string, number>): PreviewDate[] => {
  const result = retime({ source, destination, policy: { rule: 'week', weekdays }, moments: MOMENTS });
  if (!result.ok) throw new Error(JSON.stringify(result.problems));
  return result.value.map((each) => ({ ...each, item: each.id, title: each.id, kind: 'quiz', graded: true }));
};
const terms = indexTerms(source, destination);

describe('class days, series by series', () => {
  const said = (weekdays: Record<string, number>) =>
    dayLines(terms, dates(weekdays), weekdays).map(
      ({ name, lines }) =>
        `${name}: ${lines.map(({ weekday, hour, count, to, newHour }) => `${weekday} ${hour} (${count}) to ${to} ${newHour}`).join(', ')}`,
    );
  it('each with its hours, how many dates go with it, and what it becomes; then everything else', () => {
    expect(said({ '1': 2 })).toEqual([
      'class: 1 10:00 (1) to 2 14:00',
      'lab: 5 13:00 (1) to 4 09:00',
      'everything else: 1  (1) to 2 , 7  (1) to 7 ',
    ]);
  });
  it('go where classes meet, whatever else is mapped', () => {
    expect(said({ '1': 3 })[0]).toBe('class: 1 10:00 (1) to 2 14:00');
  });
});

it('three dates show what a rule does', () => {
  expect(
    examplesOf(dates({ '1': 2 })).map(({ what, title, from, to }) => `${title}: ${from} → ${to}, ${what}`),
  ).toEqual([
    'Quiz 2: Mon 10:00 → Tue 14:00, class start to class start',
    'Lab 1: Fri 16:00 → Thu 12:00, class end to class end',
    'Prep: Mon 23:59 → Tue 23:59, with its weekday',
  ]);
  expect(examplesOf([])).toEqual([]);
});

it('another rule says what it makes better and what worse', () => {
  const effect = { differs: 3, doubts: 1, dates: [], changes: { closure: -2, weekend: 1, sameDay: 4 } };
  expect(changeWords(effect)).toEqual({
    better: '2 fewer on closed days',
    worse: '1 more on a weekend, 4 more sharing a day',
  });
});

it('weeks with more graded work than four are told, the fullest first', () => {
  const on = (days: string[]) => days.map((day): PreviewDate => ({ ...dates({})[0]!, to: `${day}T12:00` }));
  const six = Array.from({ length: 6 }, () => '2027-01-20');
  const five = Array.from({ length: 5 }, () => '2027-01-13');
  expect(pileUps(on([...five, ...six]), terms.new)).toBe(
    'Week 2 holds 6, week 1 holds 5 graded deadlines; the limit is 4.',
  );
  expect(pileUps(on(five.slice(1)), terms.new)).toBe('');
});

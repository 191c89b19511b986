import { describe, expect, it } from '@jest/globals';
import { calendarDifferences, courseTimeDifferences } from '../../src/calendar/calendarDifferences.js';
import { spanWords } from '../../src/calendar/closureWords.js';
import { checkPart, partCalendar, withAdditions } from '../../src/calendar/effectiveCalendar.js';
import type { Calendar } from '../../src/schemas/calendar.js';
import { SPRING_2027 } from '../terms.js';

const spring: Calendar = {
  ...SPRING_2027.calendar,
  swaps: [
    { date: '2027-02-16', runsAs: 1 },
    { date: '2027-04-20', runsAs: 4 },
  ],
  periods: [
    { name: 'First half', from: '2027-01-11', to: '2027-03-05' },
    { name: 'Second half', from: '2027-03-08', to: '2027-05-07' },
  ],
};
const firstEight: Calendar = {
  name: 'First eight weeks',
  firstDay: '2027-01-11',
  lastDay: '2027-03-05',
  timeZone: 'UTC',
  closures: [{ from: '2027-03-04', to: '2027-03-05', label: 'Exams', kind: 'exams' }],
};

describe('a part of a term', () => {
  const part = partCalendar(spring, firstEight);

  it('has its own days, and the zone of its term', () => {
    expect(part).toMatchObject({
      name: 'First eight weeks',
      firstDay: '2027-01-11',
      lastDay: '2027-03-05',
      timeZone: 'America/Chicago',
    });
  });
  it('inherits the closed days that fall into it, and adds its own', () => {
    expect(part.closures!.map(({ label, from }) => `${label} ${from}`)).toEqual([
      'Founders Day 2027-01-18',
      'Charter Day 2027-02-18',
      'Exams 2027-03-04',
    ]);
  });
  it('inherits swaps and marking periods as far as they lie in it', () => {
    expect(part.swaps).toEqual([{ date: '2027-02-16', runsAs: 1 }]);
    expect(part.periods).toEqual([{ name: 'First half', from: '2027-01-11', to: '2027-03-05' }]);
  });
  it('a closure that reaches out of it is cut at its last day', () => {
    const long = partCalendar(
      { ...spring, closures: [{ from: '2027-03-01', to: '2027-03-14', kind: 'break' }] },
      { ...firstEight, closures: [] },
    );
    expect(long.closures).toEqual([{ from: '2027-03-01', to: '2027-03-05', kind: 'break' }]);
  });
  it('its own swap of a day goes before the one of its term', () => {
    const own = partCalendar(spring, { ...firstEight, swaps: [{ date: '2027-02-16', runsAs: 3 }] });
    expect(own.swaps).toEqual([{ date: '2027-02-16', runsAs: 3 }]);
  });
  it('lies inside its term, or that is said at the day that does not', () => {
    expect(checkPart(spring, firstEight)).toEqual([]);
    expect(checkPart(spring, { ...firstEight, firstDay: '2027-01-04' })).toMatchObject([
      { code: 'partOutsideTerm', where: '/firstDay' },
    ]);
    expect(checkPart(spring, { ...firstEight, lastDay: '2027-05-10' })).toMatchObject([{ where: '/lastDay' }]);
  });
});

describe('what one course adds', () => {
  it('closes days beside those of the term and lets a day run otherwise', () => {
    const course = withAdditions(spring, {
      closures: [{ from: '2027-04-09', to: '2027-04-09', label: 'Field day', kind: 'reading' }],
      swaps: [{ date: '2027-04-20', runsAs: 2 }],
    });
    expect(course.closures).toHaveLength(spring.closures!.length + 1);
    expect(course.swaps).toEqual([
      { date: '2027-02-16', runsAs: 1 },
      { date: '2027-04-20', runsAs: 2 },
    ]);
    expect(withAdditions(spring, null)).toBe(spring);
  });
});

describe('what a calendar says otherwise', () => {
  const change = (part: Partial<Calendar>): string[] => calendarDifferences(spring, { ...spring, ...part });
  const [founders, charter, springBreak, exams] = spring.closures as NonNullable<Calendar['closures']>;

  it.each<[string, Partial<Calendar>, string[]]>([
    ['nothing', {}, []],
    ['the same closures in another order', { closures: [exams!, springBreak!, charter!, founders!] }, []],
    [
      'a break a week earlier',
      { closures: [founders!, charter!, { ...springBreak!, from: '2027-03-08', to: '2027-03-14' }, exams!] },
      ['Spring break is 8–14 Mar, it was 15–21 Mar'],
    ],
    ['a holiday less', { closures: [founders!, springBreak!, exams!] }, ['Charter Day, Thu 18 Feb, is taken out']],
    [
      'a day more',
      { closures: [...spring.closures!, { from: '2027-04-02', to: '2027-04-02', kind: 'holiday' }] },
      ['holiday, Fri 2 Apr, is new'],
    ],
    ['a later end', { lastDay: '2027-05-14' }, ['The term ends Fri 14 May, it was Fri 7 May']],
    [
      'other swaps',
      { swaps: [{ date: '2027-02-16', runsAs: 3 }] },
      ['Tue 16 Feb runs as Wed', 'Tue 20 Apr runs as itself again'],
    ],
    ['another zone', { timeZone: 'America/Denver' }, ['Its time zone is America/Denver, it was America/Chicago']],
    ['other weeks', { weekStartsOn: 7 }, ['Its weeks start on Sun']],
    ['no marking periods', { periods: [] }, ['Its marking periods changed']],
  ])('%s', (_, part, sentences) => expect(change(part)).toEqual(sentences));

  it('says other class days, and other hours of the same', () => {
    const { meetings = [] } = SPRING_2027;
    const before = { calendar: spring, meetings };
    expect(courseTimeDifferences(before, { calendar: spring, meetings: [meetings[1]!, meetings[0]!] })).toEqual([]);
    expect(courseTimeDifferences(before, { calendar: spring, meetings: [{ ...meetings[0]!, weekday: 1 }] })).toEqual([
      'Class meets Mon 14:00, it was Tue Thu 14:00',
    ]);
    expect(
      courseTimeDifferences(before, { calendar: spring, meetings: [{ ...meetings[0]!, room: 'Pit 2' }, meetings[1]!] }),
    ).toEqual(['The hours or rooms of its classes changed']);
  });
});

it('spans are said as people write them', () => {
  expect(spanWords({ from: '2027-02-18', to: '2027-02-18' })).toBe('Thu 18 Feb');
  expect(spanWords({ from: '2027-03-15', to: '2027-03-21' })).toBe('15–21 Mar');
  expect(spanWords({ from: '2027-03-29', to: '2027-04-04' })).toBe('29 Mar – 4 Apr');
});

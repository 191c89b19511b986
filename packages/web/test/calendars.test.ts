import { describe, expect, it } from '@jest/globals';
import { classDaysIn, indexCalendar, type Calendar, type Meeting, type TermCalendar } from '@yarin/core';
import { gridOf, rowNames } from '../src/calendars/dayGrid.js';
import {
  addClosures,
  changeClosure,
  closuresFrom,
  closureWords,
  notThereYet,
  removeClosure,
  runAs,
} from '../src/calendars/draft.js';
import { doubtsWords } from '../src/calendars/effectWords.js';
import { yearStrips } from '../src/calendars/yearStrips.js';
import { timeFrom, weeksFrom, weeksWords } from '../src/course/time/meetings.js';

const BREAK = { from: '2027-03-15', to: '2027-03-21', label: 'Spring break', kind: 'break' } as const;
const CHARTER = { from: '2027-02-18', to: '2027-02-18', label: 'Charter Day', kind: 'holiday' } as const;
const EXAMS = { from: '2027-05-03', to: '2027-05-07', kind: 'exams' } as const;
const SPRING: Calendar = {
  name: 'Spring 2027',
  firstDay: '2027-01-11',
  lastDay: '2027-05-07',
  timeZone: 'America/Chicago',
  closures: [CHARTER, BREAK, EXAMS],
};
const dates = ({ closures = [] }: Calendar): string[] => closures.map(({ from }) => from);

describe('drawing on a calendar', () => {
  it('added days stand in order, and adding them twice doubles nothing', () => {
    const holiday = { from: '2027-01-18', to: '2027-01-18', label: 'Founders Day', kind: 'holiday' } as const;
    const once = addClosures(SPRING, [holiday, { ...holiday }]);
    expect(dates(once)).toEqual(['2027-01-18', '2027-02-18', '2027-03-15', '2027-05-03']);
    expect(dates(addClosures(once, [{ ...holiday }]))).toEqual(dates(once));
    expect(notThereYet(SPRING, [{ ...BREAK }, holiday])).toEqual([holiday]);
  });
  it('the same days under another name are another closure', () => {
    expect(notThereYet(SPRING, [{ ...BREAK, label: 'Recess' }])).toHaveLength(1);
  });
  it('taking out and changing touch the one closure', () => {
    expect(dates(removeClosure(SPRING, BREAK))).toEqual(['2027-02-18', '2027-05-03']);
    expect(dates(changeClosure(SPRING, BREAK, { from: '2027-02-01', to: '2027-02-07' }))).toEqual([
      '2027-02-01',
      '2027-02-18',
      '2027-05-03',
    ]);
    expect(dates(SPRING)).toEqual(['2027-02-18', '2027-03-15', '2027-05-03']);
  });
  it('a day runs as another weekday, as a third, and as itself again', () => {
    const tuesday = runAs(SPRING, '2027-02-16', 1);
    expect(tuesday.swaps).toEqual([{ date: '2027-02-16', runsAs: 1 }]);
    expect(runAs(tuesday, '2027-02-16', 3).swaps).toEqual([{ date: '2027-02-16', runsAs: 3 }]);
    expect(runAs(tuesday, '2027-02-16', null).swaps).toEqual([]);
  });
  it('copied from last year they stand as many weeks into the term, on the same weekdays', () => {
    const last: Calendar = {
      ...SPRING,
      firstDay: '2026-01-12',
      lastDay: '2026-05-08',
      closures: [
        { from: '2026-01-19', to: '2026-01-19', label: 'Founders Day', kind: 'holiday' },
        { from: '2026-03-09', to: '2026-03-15', label: 'Spring break', kind: 'break' },
        { from: '2026-05-04', to: '2026-05-08', label: 'Exams', kind: 'exams' },
      ],
    };
    expect(closuresFrom(last, SPRING).map(closureWords)).toEqual([
      'Founders Day, Mon 18 Jan',
      'Spring break, 8–14 Mar',
      'Exams, 3–7 May',
    ]);
  });
  it('exams that would reach out of a shorter term are cut, what lies beyond it stays away', () => {
    const short = { ...SPRING, lastDay: '2027-05-05' };
    expect(closuresFrom(SPRING, short).at(-1)).toMatchObject({ from: '2027-05-03', to: '2027-05-05' });
    expect(closuresFrom(SPRING, { ...SPRING, lastDay: '2027-03-05' }).map(closureWords)).toEqual([
      'Charter Day, Thu 18 Feb',
    ]);
  });
});

describe('the strip of a term', () => {
  const swapped: Calendar = { ...SPRING, swaps: [{ date: '2027-02-16', runsAs: 1 }] };
  const meetings: Meeting[] = [
    { weekday: 2, start: '14:00', end: '15:15' },
    { weekday: 4, start: '14:00', end: '15:15' },
    { weekday: 5, start: '09:00', end: '12:00', weeks: [1, 3] },
  ];
  const weeks = gridOf(swapped, classDaysIn(indexCalendar(swapped, 1), meetings));
  const day = (date: string) => weeks.flatMap(({ days }) => days).find((each) => each.date === date)!;

  it('has a column a week, numbered as they are taught', () => {
    expect(weeks.map(({ label }) => label)).toEqual([
      ...['1', '2', '3', '4', '5', '6', '7', '8', '9', 'break', '10', '11', '12', '13', '14', '15', 'exams'],
    ]);
    expect(weeks.map(({ month }) => month).filter((month) => month !== '')).toEqual([
      'Jan',
      'Feb',
      'Mar',
      'Apr',
      'May',
    ]);
  });
  it.each([
    ['2027-01-12', 'teaching', true, '12 Jan, class'],
    ['2027-01-16', 'weekend', false, '16 Jan'],
    ['2027-02-18', 'closed', false, '18 Feb, Charter Day'],
    ['2027-05-04', 'exam', false, '4 May, exams'],
    ['2027-05-08', 'outside', false, '8 May, outside the term'],
    ['2027-02-16', 'teaching', false, '16 Feb, runs as Mon'],
    ['2027-01-15', 'teaching', true, '15 Jan, class'],
    ['2027-01-22', 'teaching', false, '22 Jan'],
  ])('%s is %s', (date, is, isClassDay, words) => expect(day(date)).toMatchObject({ is, isClassDay, words }));
  it('a break is named once, on top of its week', () => {
    expect(day('2027-03-15').label).toBe('Spring break');
    expect(day('2027-03-16').label).toBe('');
  });
  it('rows begin with the day on which weeks do', () => {
    expect(rowNames(SPRING)[0]).toBe('Mon');
    expect(rowNames({ ...SPRING, weekStartsOn: 7 })).toEqual(['Sun', 'Mon', 'Tue', 'Wed', 'Thu', 'Fri', 'Sat']);
    expect(gridOf({ ...SPRING, weekStartsOn: 7 })[0]!.days[0]!.date).toBe('2027-01-10');
  });
});

describe('the strips of the years', () => {
  const term = (id: string, calendar: Calendar, parentId: string | null = null): TermCalendar => ({
    id,
    name: calendar.name!,
    parentId,
    version: 1,
    own: calendar,
    calendar,
    courses: 0,
  });
  const winter: Calendar = { name: 'Winter', firstDay: '2026-11-30', lastDay: '2027-02-05', timeZone: 'UTC' };
  const years = yearStrips([term('s', SPRING), term('w', winter)], '2026-11-24T09:00');

  it('a term stands in the year in which it begins, the latest year first', () => {
    expect(years.map(({ year, terms }) => `${year} ${terms.map(({ term: { id } }) => id).join()}`)).toEqual([
      '2027 s',
      '2026 w',
    ]);
  });
  it('are as long as their latest term, and know today', () => {
    expect(years[0]!.days).toBe(365);
    expect(years[1]!.days).toBe(365 + 36);
    expect(years[0]!.today).toBeNull();
    expect(years[1]!.today).toBe(327);
  });
  it('say teaching weeks, closed days and where they lie', () => {
    const [strip] = years[0]!.terms;
    expect(strip).toMatchObject({ teachingWeeks: 15, from: 10, until: 127 });
    expect(strip!.closed).toEqual([
      { at: 48, days: 1, label: 'Charter Day' },
      { at: 73, days: 7, label: 'Spring break' },
    ]);
  });
});

describe('class meetings', () => {
  const met = (weeks?: number[]): Meeting => ({ weekday: 5, start: '13:00', end: '16:00', ...(weeks && { weeks }) });

  it.each([
    ['14:00', '14:00'],
    ['1400', '14:00'],
    ['9', '09:00'],
    ['2 pm', '14:00'],
    ['2:30PM', '14:30'],
    ['12 am', '00:00'],
    ['12:15 pm', '12:15'],
    ['25:00', undefined],
    ['10:75', undefined],
    ['14 pm', undefined],
    ['noon', undefined],
  ])('“%s” is %s', (words, time) => expect(timeFrom(words)).toBe(time));

  it('every second week is said in a word', () => {
    expect(weeksWords(met(), 15)).toBe('every');
    expect(weeksWords(met([1, 3, 5, 7, 9, 11, 13, 15]), 15)).toBe('odd');
    expect(weeksWords(met([2, 4, 6]), 7)).toBe('even');
    expect(weeksWords(met([1, 2, 9]), 15)).toBe('1, 2, 9');
    expect(weeksFrom('even', 5)).toEqual([2, 4]);
    expect(weeksFrom('every', 5)).toBe('every');
    expect(weeksFrom('1, 2, 9', 15)).toEqual([1, 2, 9]);
    expect(weeksFrom('9 2-4,3', 15)).toEqual([2, 3, 4, 9]);
    for (const none of ['some', '0', '4-2', '1, x', '1-900']) expect(weeksFrom(none, 15)).toBeUndefined();
  });
});

it('doubts before and after are said with what changed', () => {
  expect(doubtsWords({ doubtsBefore: 2, doubtsAfter: 2 })).toBe('2 dates in doubt, as before');
  expect(doubtsWords({ doubtsBefore: 3, doubtsAfter: 1 })).toBe('1 date in doubt, 3 before');
});

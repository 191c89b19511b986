import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';
import { checkCalendar, checkMeetings } from '../../src/calendar/checkCalendar.js';
import { indexCalendar } from '../../src/calendar/calendarIndex.js';
import { dayWords, momentWords, patternWords } from '../../src/calendar/dateWords.js';
import { formatDay, formatMoment, parseDay, parseMinute, weekdayOf } from '../../src/calendar/day.js';
import { indexMeetings, meetingsOn } from '../../src/calendar/meetingIndex.js';
import { zoneClock } from '../../src/calendar/skippedHour.js';
import { SPRING_2026, SPRING_2027 } from '../terms.js';

describe('days', () => {
  it('count from 1 January 1970, a Thursday', () => {
    expect(parseDay('1970-01-01')).toBe(0);
    expect(weekdayOf(0)).toBe(4);
    expect(weekdayOf(parseDay('2027-03-16'))).toBe(2);
  });
  it('read back as they were written', () => {
    fc.assert(fc.property(fc.integer({ min: -719_528, max: 2_932_896 }), (day) => parseDay(formatDay(day)) === day));
  });
  it.each(['2027-02-29', '2026-13-01', '2026-00-10', '2026-04-31', '26-04-01', 'nonsense'])('%s is no date', (text) => {
    expect(parseDay(text)).toBeNaN();
  });
  it('29 February is a date in 2028 and 2000, not in 1900', () => {
    expect(formatDay(parseDay('2028-02-29'))).toBe('2028-02-29');
    expect(formatDay(parseDay('2000-02-29'))).toBe('2000-02-29');
    expect(parseDay('1900-02-29')).toBeNaN();
  });
  it('are said as a person says them', () => {
    expect(dayWords(parseDay('2027-03-16'))).toBe('Tue 16 Mar');
    expect(momentWords('2026-05-06T09:00')).toBe('Wed 6 May 09:00');
    expect(patternWords(SPRING_2027.meetings!)).toBe('Tue Thu 14:00');
    expect(patternWords([...SPRING_2027.meetings!, { weekday: 5, start: '09:00' }])).toBe('Tue Thu 14:00, Fri 09:00');
    expect(patternWords([])).toBe('no class days');
    expect(parseMinute('23:59')).toBe(1439);
    expect(parseMinute('24:00')).toBeNaN();
    expect(formatMoment(parseDay('2027-01-11'), 545)).toBe('2027-01-11T09:05');
  });
});

describe('the weeks of Spring 2026', () => {
  const index = indexCalendar(SPRING_2026.calendar, 1);
  const kind = (date: string) => index.weekKind(parseDay(date));

  it('has fifteen teaching weeks, the ninth after the break', () => {
    expect(index.teachingWeeks.map(formatDay).slice(7, 9)).toEqual(['2026-03-02', '2026-03-16']);
    expect(index.teachingWeeks).toHaveLength(15);
  });
  it('calls 9 to 15 March a break week and 4 to 8 May the exam week', () => {
    expect(kind('2026-03-15')).toEqual({ is: 'break' });
    expect(kind('2026-05-06')).toEqual({ is: 'exam', period: 0 });
  });
  it('counts the week of Founders Day, which has four teaching days', () => {
    expect(kind('2026-01-19')).toEqual({ is: 'teaching', number: 2 });
    expect(index.isOpen(parseDay('2026-01-19'))).toBe(false);
  });
  it('does not count a week with only Monday and Tuesday taught', () => {
    const short = indexCalendar(
      { ...SPRING_2026.calendar, closures: [{ from: '2026-02-04', to: '2026-02-06', kind: 'reading' }] },
      1,
    );
    expect(short.weekKind(parseDay('2026-02-03'))).toEqual({ is: 'break' });
    expect(short.weekKind(parseDay('2026-02-10'))).toEqual({ is: 'teaching', number: 4 });
  });
  it('cuts weeks on the day it is told to', () => {
    const sundays = indexCalendar(SPRING_2026.calendar, 7);
    expect(formatDay(sundays.teachingWeeks[0]!)).toBe('2026-01-11');
  });
  it('keeps two exam periods apart when teaching lies between them', () => {
    const two = indexCalendar(
      {
        ...SPRING_2026.calendar,
        closures: [
          { from: '2026-03-02', to: '2026-03-03', kind: 'exams' },
          { from: '2026-05-04', to: '2026-05-08', kind: 'exams' },
        ],
      },
      1,
    );
    expect(two.examPeriods.map(({ days }) => days.length)).toEqual([2, 5]);
  });
});

describe('class meetings', () => {
  const index = indexCalendar(SPRING_2026.calendar, 1);
  it('are twenty-nine: none on Founders Day, in the break or on exam days', () => {
    expect(indexMeetings(index, SPRING_2026.meetings!).all.meetings).toHaveLength(29);
  });
  it('a swapped day meets as the day it runs as', () => {
    const swapped = indexCalendar({ ...SPRING_2026.calendar, swaps: [{ date: '2026-01-20', runsAs: 1 }] }, 1);
    expect(meetingsOn(indexMeetings(swapped, SPRING_2026.meetings!).all, parseDay('2026-01-20'))).toHaveLength(1);
  });
  it('with weeks meet in the teaching weeks of those numbers only', () => {
    const lab = [{ weekday: 5, start: '13:00', end: '16:00', series: 'lab', weeks: [1, 9] }];
    const { meetings } = indexMeetings(index, lab).counting('lab');
    expect(meetings.map(({ day }) => formatDay(day))).toEqual(['2026-01-16', '2026-03-20']);
  });
});

describe('the skipped hour', () => {
  const chicago = zoneClock('America/Chicago');
  it('02:30 on 14 March 2027 becomes 03:00 in Chicago', () => {
    expect(chicago.missingFor(parseDay('2027-03-14'), 150)).toBe(30);
  });
  it('01:59 and 03:00 of that night stay', () => {
    for (const minute of [119, 180]) expect(chicago.missingFor(parseDay('2027-03-14'), minute)).toBe(0);
  });
  it('nothing is skipped on an ordinary day, nor when the clocks go back', () => {
    expect(chicago.missingFor(parseDay('2027-03-15'), 150)).toBe(0);
    expect(chicago.missingFor(parseDay('2026-11-01'), 90)).toBe(0);
  });
  it('a zone that skips a whole day goes to the next', () => {
    const apia = zoneClock('Pacific/Apia');
    expect(apia.missingFor(parseDay('2011-12-30'), 600)).toBe(14 * 60);
  });
  it.each([
    ['2027-01-15T12:00', '2027-01-15T18:00'],
    ['2027-03-14T01:59', '2027-03-14T07:59'],
    ['2027-03-14T03:00', '2027-03-14T08:00'],
    ['2027-03-15T00:00', '2027-03-15T05:00'],
    ['2027-11-07T00:30', '2027-11-07T05:30'],
    ['2027-11-07T01:30', '2027-11-07T06:30'],
    ['2027-11-07T02:00', '2027-11-07T08:00'],
    ['2027-11-08T00:00', '2027-11-08T06:00'],
  ])('%s in Chicago is %s in UTC, the first of two', (wall, utc) => {
    const minutes = (at: string): number => parseDay(at) * 1440 + parseMinute(at, 11);
    expect(chicago.utcMinutes(parseDay(wall), parseMinute(wall, 11))).toBe(minutes(utc));
  });
  it('every hour of a year comes back from its instant, but where the clock is put back', () => {
    for (const zone of ['America/Santiago', 'Australia/Lord_Howe', 'Europe/Berlin', 'Africa/Casablanca']) {
      const clock = zoneClock(zone);
      const format = new Intl.DateTimeFormat('sv-SE', { timeZone: zone, dateStyle: 'short', timeStyle: 'short' });
      const first = parseDay('2027-01-01');
      const strayed: string[] = [];
      for (let hour = 0; hour < 365 * 24; hour++) {
        const [day, minute] = [first + Math.floor(hour / 24), (hour % 24) * 60];
        if (clock.missingFor(day, minute) > 0) continue;
        const instant = clock.utcMinutes(day, minute);
        const wall = formatMoment(day, minute);
        if (format.format(instant * 60_000).replace(' ', 'T') !== wall) strayed.push(wall);
      }
      expect(strayed).toEqual([]);
    }
  });
});

describe('a calendar that can’t be used says why and where', () => {
  const { calendar } = SPRING_2027;
  const rows: [string, Partial<typeof calendar>, string, string][] = [
    ['a date that does not exist', { lastDay: '2027-02-30' }, 'noSuchDate', '/c/lastDay'],
    ['a term that ends before it starts', { lastDay: '2027-01-01' }, 'reversedTerm', '/c/lastDay'],
    ['a term longer than two years', { lastDay: '2029-06-01' }, 'termTooLong', '/c/lastDay'],
    ['an unknown zone', { timeZone: 'Mars/Olympus' }, 'unknownZone', '/c/timeZone'],
    [
      'a closure the wrong way round',
      { closures: [{ from: '2027-03-21', to: '2027-03-15', kind: 'break' }] },
      'reversedClosure',
      '/c/closures/0',
    ],
    [
      'exams after the last day',
      { closures: [{ from: '2027-05-03', to: '2027-05-12', kind: 'exams' }] },
      'examsOutsideTerm',
      '/c/closures/0',
    ],
    ['a swap outside the term', { swaps: [{ date: '2027-06-01', runsAs: 1 }] }, 'swapOutsideTerm', '/c/swaps/0/date'],
    ['no teaching week', { lastDay: '2027-01-12', closures: [] }, 'noTeachingWeek', '/c'],
    [
      'overlapping marking periods',
      {
        periods: [
          { name: 'A', from: '2027-01-11', to: '2027-03-10' },
          { name: 'B', from: '2027-03-10', to: '2027-05-07' },
        ],
      },
      'overlappingPeriods',
      '/c/periods/1',
    ],
  ];
  it.each(rows)('%s', (_name, change, code, where) => {
    expect(checkCalendar({ ...calendar, ...change }, '/c', 1)).toMatchObject([{ code, where }]);
  });
  it('names the last day that would mend exams outside the term', () => {
    const [problem] = checkCalendar(
      { ...calendar, closures: [{ from: '2027-05-03', to: '2027-05-12', kind: 'exams' }] },
      '',
      1,
    );
    expect(problem!.message).toContain('let the term end on 2027-05-12');
  });
  it('other closures outside the term do not matter', () => {
    expect(
      checkCalendar({ ...calendar, closures: [{ from: '2027-06-01', to: '2027-06-02', kind: 'holiday' }] }, '', 1),
    ).toEqual([]);
  });
  it('a meeting that ends before it starts', () => {
    expect(checkMeetings([{ weekday: 1, start: '10:00', end: '09:00' }], '/m')).toMatchObject([
      { code: 'reversedMeeting', where: '/m/0/end' },
    ]);
  });
});

import { describe, expect, it } from '@jest/globals';
import type { Closure, ReadClosures, Result } from '@yarin/core';
import { closureKind } from '../src/closureKind.js';
import { holidayRegions, publicHolidays } from '../src/publicHolidays.js';
import { readCalendarFile } from '../src/readCalendarFile.js';
import { readClosureList } from '../src/readClosureList.js';

const said = (closures: readonly Closure[]): string[] =>
  closures.map(({ from, to, label, kind }) => `${from} ${to} ${label ?? '–'} ${kind}`);

describe('a pasted list of closed days', () => {
  it.each([
    ['15–21 March 2027 Spring break', '2027-03-15 2027-03-21 Spring break break'],
    ['Spring break: March 15-21, 2027', '2027-03-15 2027-03-21 Spring break break'],
    ['Mon 15 Mar – Sun 21 Mar\tSpring recess', '2027-03-15 2027-03-21 Spring recess break'],
    ['Founders Day\t1/18/2027', '2027-01-18 2027-01-18 Founders Day holiday'],
    ['Thursday, February 18: Charter Day', '2027-02-18 2027-02-18 Charter Day holiday'],
    ['2027-05-03 to 2027-05-07 Final exams', '2027-05-03 2027-05-07 Final exams exams'],
    ['Reading days, 29 April - 30 April', '2027-04-29 2027-04-30 Reading days reading'],
    ['18 Jan', '2027-01-18 2027-01-18 – holiday'],
    ['From 3/15/27 to 3/21/27', '2027-03-15 2027-03-21 – holiday'],
  ])('“%s”', (line, closure) =>
    expect(said(readClosureList(line, '2027-01-11', 'monthFirst').closures)).toEqual([closure]),
  );

  it('a date without a year belongs to the term, or shortly before it', () => {
    expect(
      said(readClosureList('Snow closing 20 December\nCharter Day 18 Feb', '2027-01-11', 'monthFirst').closures),
    ).toEqual(['2026-12-20 2026-12-20 Snow closing holiday', '2027-02-18 2027-02-18 Charter Day holiday']);
  });
  it('a line of a page’s length is no line of a list', () => {
    const [line] = readClosureList(`18 Jan 2027 ${'very '.repeat(200)}`, '2027-01-11', 'monthFirst').unread;
    expect(line).toMatch(/^18 Jan 2027 very .* …$/);
  });
  it('lines without a date are told, empty ones passed over', () => {
    expect(
      readClosureList('Holidays\n\n18 Jan 2027 Founders Day\nto be announced', '2027-01-11', 'monthFirst').unread,
    ).toEqual(['Holidays', 'to be announced']);
  });
});

describe('public holidays', () => {
  it('are those of the region within the span, on the day on which they are kept', () => {
    const found = said(publicHolidays('US', '', '2027-01-11', '2027-07-06'));
    expect(found).toContain('2027-01-18 2027-01-18 Martin Luther King Jr. Day holiday');
    expect(found).toContain('2027-05-31 2027-05-31 Memorial Day holiday');
    expect(found).toContain('2027-07-05 2027-07-05 Independence Day, observed holiday');
    expect(found.join()).not.toContain('Valentine');
    expect(found.every((day) => day >= '2027-01-11')).toBe(true);
  });
  it('a term over the turn of the year has those of both years', () => {
    const found = said(publicHolidays('DE', 'BY', '2026-12-01', '2027-01-10')).join();
    expect(found).toContain('2026-12-25');
    expect(found).toContain('2027-01-06');
  });
  it('regions have names, in order', () => {
    expect(holidayRegions('DE').map(({ name }) => name)).toContain('Bayern');
    expect(holidayRegions('VA')).toEqual([]);
  });
});

const file = (...lines: string[]): string =>
  ['BEGIN:VCALENDAR', 'VERSION:2.0', 'PRODID:-//Marrowbrook//EN', ...lines, 'END:VCALENDAR'].join('\r\n');
const event = (uid: string, ...lines: string[]): string[] => [
  'BEGIN:VEVENT',
  `UID:${uid}`,
  'DTSTAMP:20261101T000000Z',
  ...lines,
  'END:VEVENT',
];
const span = { from: '2027-01-11', to: '2027-05-07', timeZone: 'America/Chicago' };
const read = (text: string): Result<ReadClosures> => readCalendarFile(text, span);
const closures = (text: string): string[] => {
  const result = read(text);
  return result.ok ? said(result.value.closures) : [];
};

describe('an iCalendar file', () => {
  it('all-day entries close their days; the end that is written is the day after', () => {
    expect(
      closures(
        file(
          ...event('a', 'DTSTART;VALUE=DATE:20270315', 'DTEND;VALUE=DATE:20270322', 'SUMMARY:Spring break'),
          ...event('b', 'DTSTART;VALUE=DATE:20270118', 'SUMMARY:Founders Day'),
        ),
      ),
    ).toEqual(['2027-01-18 2027-01-18 Founders Day holiday', '2027-03-15 2027-03-21 Spring break break']);
  });
  it('recurring entries stand at each of their times within the term, without those that were taken out', () => {
    expect(
      closures(
        file(
          ...event(
            'c',
            'DTSTART;VALUE=DATE:20270401',
            'RRULE:FREQ=WEEKLY;COUNT=10',
            'EXDATE;VALUE=DATE:20270415',
            'SUMMARY:Reading day',
          ),
        ),
      ),
    ).toEqual([
      '2027-04-01 2027-04-01 Reading day reading',
      '2027-04-08 2027-04-08 Reading day reading',
      '2027-04-22 2027-04-22 Reading day reading',
      '2027-04-29 2027-04-29 Reading day reading',
      '2027-05-06 2027-05-06 Reading day reading',
    ]);
  });
  it('a recurring entry that was moved once stands where it was moved', () => {
    expect(
      closures(
        file(
          ...event('d', 'DTSTART;VALUE=DATE:20270201', 'RRULE:FREQ=WEEKLY;COUNT=2', 'SUMMARY:Closed'),
          ...event(
            'd',
            'RECURRENCE-ID;VALUE=DATE:20270208',
            'DTSTART;VALUE=DATE:20270210',
            'SUMMARY:Closed on Wednesday',
          ),
        ),
      ),
    ).toEqual(['2027-02-01 2027-02-01 Closed holiday', '2027-02-10 2027-02-10 Closed on Wednesday holiday']);
  });
  it('an entry with hours falls on the day that it is in the zone of the term', () => {
    expect(
      closures(file(...event('e', 'DTSTART:20270219T030000Z', 'DTEND:20270219T040000Z', 'SUMMARY:Charter evening'))),
    ).toEqual(['2027-02-18 2027-02-18 Charter evening holiday']);
  });
  it('what lies outside the term is passed over', () => {
    expect(closures(file(...event('f', 'DTSTART;VALUE=DATE:20260704', 'SUMMARY:Summer')))).toEqual([]);
  });
  it('an endless entry ends with the term', () => {
    const daily = file(...event('g', 'DTSTART;VALUE=DATE:20270101', 'RRULE:FREQ=DAILY', 'SUMMARY:Closed'));
    expect(closures(daily)).toHaveLength(117);
  });
  it('a daily entry of many years is found in the term, and a file full of endless ones comes to an end', () => {
    const old = file(...event('h', 'DTSTART;VALUE=DATE:20150101', 'RRULE:FREQ=DAILY', 'SUMMARY:Closed'));
    expect(closures(old)).toHaveLength(117);
    const endless = Array.from({ length: 200 }, (_, at) =>
      event(`i${at}`, 'DTSTART:19000101T000000Z', 'RRULE:FREQ=SECONDLY', 'SUMMARY:Never'),
    );
    expect(closures(file(...endless.flat()))).toEqual([]);
  });
  it.each(['', 'hello', 'BEGIN:VCALENDAR\r\nBEGIN:VEVENT'])('“%s” is no calendar, and that is said', (text) => {
    expect(read(text)).toMatchObject({ ok: false, problems: [{ code: 'noCalendar' }] });
  });
});

it('names say what kind of closure they are', () => {
  expect(['Thanksgiving recess', 'Study days', 'Final examinations', 'Labor Day'].map(closureKind)).toEqual([
    'break',
    'reading',
    'exams',
    'holiday',
  ]);
});

describe('numbers that could be two dates, and days that no calendar has', () => {
  it('are read in the order of whoever pastes them', () => {
    const from = (order: 'dayFirst' | 'monthFirst'): string[] =>
      readClosureList('4/6/2027 Founders Day', '2027-01-11', order).closures.map((closure) => closure.from);
    expect([from('dayFirst'), from('monthFirst')]).toEqual([['2027-06-04'], ['2027-04-06']]);
  });
  it.each(['31 Feb 2027 Charter Day', 'Charter Day, April 31', 'Charter Day 45 Mar', '2027-02-30 Charter Day'])(
    '“%s” is not read',
    (line) => expect(readClosureList(line, '2027-01-11', 'dayFirst')).toEqual({ closures: [], unread: [line] }),
  );
});

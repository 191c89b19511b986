import { describe, expect, it } from '@jest/globals';
import type { Closure, ReadClosures, Result } from '@yarin/core';
import { holidayRegions, publicHolidays } from '../src/publicHolidays.js';
import { readCalendarFile } from '../src/readCalendarFile.js';

const said = (closures: readonly Closure[]): string[] =>
  closures.map(({ from, to, label, kind }) => `${from} ${to} ${label ?? '–'} ${kind}`);

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
  it.each([
    ['FREQ=SECONDLY;BYMONTH=2;BYMONTHDAY=30', 'repeats more often than daily'],
    ['FREQ=HOURLY', 'repeats more often than daily'],
    ['FREQ=DAILY;BYMINUTE=0,10,20', 'repeats more often than daily'],
    ['FREQ=YEARLY;BYMONTH=2;BYMONTHDAY=30', 'repeats on days that no calendar has'],
    ['FREQ=MONTHLY;BYMONTHDAY=31;BYMONTH=4,6,9,11', 'repeats on days that no calendar has'],
    ['FREQ=MONTHLY;BYDAY=6MO', 'repeats on days that no calendar has'],
  ])('the rule %s is not followed, and the rest of the file is read', (rule, why) => {
    const result = read(
      file(
        ...event('r', 'DTSTART:20270118T090000Z', `RRULE:${rule}`, 'SUMMARY:Odd'),
        ...event('s', 'DTSTART;VALUE=DATE:20270218', 'SUMMARY:Charter Day'),
      ),
    );
    expect(result).toMatchObject({
      ok: true,
      value: { closures: [{ from: '2027-02-18' }], unread: [`“Odd” ${why}.`] },
    });
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
      event(`i${at}`, 'DTSTART:19000101T000000Z', 'RRULE:FREQ=DAILY', 'SUMMARY:Never'),
    );
    const result = read(file(...endless.flat()));
    if (!result.ok) throw new Error('it is a calendar');
    expect(new Set(said(result.value.closures)).size).toBe(117);
    expect(result.value.unread).toEqual([
      '“Never” was passed over: the file has more entries that repeat than can be read.',
    ]);
  });
  it.each(['', 'hello', 'BEGIN:VCALENDAR\r\nBEGIN:VEVENT'])('“%s” is no calendar, and that is said', (text) => {
    expect(read(text)).toMatchObject({ ok: false, problems: [{ code: 'noCalendar' }] });
  });
});

import { describe, expect, it } from '@jest/globals';
import type { Calendar, Meeting } from '@yarin/core';
import { readCalendarFile } from '../src/readCalendarFile.js';
import { readMeetingFile } from '../src/readMeetingFile.js';
import { writeTermFile } from '../src/writeTermFile.js';

const SPRING: Calendar = {
  name: 'Spring 2027',
  firstDay: '2027-01-11',
  lastDay: '2027-05-07',
  timeZone: 'America/Chicago',
  closures: [
    { from: '2027-01-18', to: '2027-01-18', label: 'Founders Day', kind: 'holiday' },
    { from: '2027-02-18', to: '2027-02-18', label: 'Charter Day', kind: 'holiday' },
    { from: '2027-03-15', to: '2027-03-21', label: 'Spring break', kind: 'break' },
    { from: '2027-05-03', to: '2027-05-07', kind: 'exams' },
  ],
  swaps: [{ date: '2027-04-06', runsAs: 5 }],
  periods: [{ name: 'First half', from: '2027-01-11', to: '2027-03-05' }],
};

const timetable = (...entries: string[][]): string =>
  [
    'BEGIN:VCALENDAR',
    'VERSION:2.0',
    'PRODID:-//Marrowbrook//EN',
    ...entries.flatMap((lines, at) => [
      'BEGIN:VEVENT',
      `UID:${at}`,
      'DTSTAMP:20261101T000000Z',
      ...lines,
      'END:VEVENT',
    ]),
    'END:VCALENDAR',
  ].join('\r\n');
const weekly = (name: string, day: string, hours: [string, string], ...more: string[]): string[] => [
  `SUMMARY:${name}`,
  `DTSTART:2027${day}T${hours[0]}00`,
  `DTEND:2027${day}T${hours[1]}00`,
  ...more,
];
const UNTIL = 'UNTIL=20270430T235959';

function read(text: string, calendar = SPRING) {
  const result = readMeetingFile(text, calendar);
  if (!result.ok) throw new Error(JSON.stringify(result.problems));
  return result.value;
}
const meetings = (text: string, calendar?: Calendar): Meeting[] =>
  read(text, calendar).found.map(({ meeting }) => meeting);

describe('class meetings of a timetable file', () => {
  it('a class on two days of the week is two meetings, with its room', () => {
    const text = timetable(
      weekly('ECO 214', '0112', ['1400', '1515'], `RRULE:FREQ=WEEKLY;BYDAY=TU,TH;${UNTIL}`, 'LOCATION:Pond House 2'),
    );
    expect(meetings(text)).toEqual([
      { weekday: 2, start: '14:00', end: '15:15', room: 'Pond House 2' },
      { weekday: 4, start: '14:00', end: '15:15', room: 'Pond House 2' },
    ]);
    expect(read(text).found.map(({ name }) => name)).toEqual(['ECO 214', 'ECO 214']);
  });
  it('times left out on closed days change nothing; a class that begins in week 2 has its weeks', () => {
    const skips = 'EXDATE:20270118T100000,20270315T100000';
    expect(meetings(timetable(weekly('A', '0111', ['1000', '1115'], `RRULE:FREQ=WEEKLY;${UNTIL}`, skips)))).toEqual([
      { weekday: 1, start: '10:00', end: '11:15' },
    ]);
    // Mon 25 Jan is week 3, the first that it meets in.
    expect(
      meetings(timetable(weekly('A', '0125', ['1000', '1115'], `RRULE:FREQ=WEEKLY;${UNTIL}`))).map(
        ({ weeks }) => weeks,
      ),
    ).toEqual([[3, 4, 5, 6, 7, 8, 9, 10, 11, 12, 13, 14, 15]]);
  });
  it('every second week is the weeks in which it meets', () => {
    const [lab] = meetings(timetable(weekly('Lab', '0115', ['0900', '1200'], `RRULE:FREQ=WEEKLY;INTERVAL=2;COUNT=5`)));
    // Fri 15 Jan is in week 1, Fri 12 Mar in week 9.
    expect(lab).toEqual({ weekday: 5, start: '09:00', end: '12:00', weeks: [1, 3, 5, 7, 9] });
  });
  it('a lab beside a lecture is a series of its own; alone it is the course', () => {
    const lecture = weekly('ECO 214 Lecture', '0111', ['1000', '1115'], `RRULE:FREQ=WEEKLY;${UNTIL}`);
    const lab = weekly('ECO 214 Lab', '0115', ['0900', '1200'], `RRULE:FREQ=WEEKLY;${UNTIL}`);
    expect(meetings(timetable(lecture, lab)).map(({ series }) => series)).toEqual([undefined, 'lab']);
    expect(meetings(timetable(lab)).map(({ series }) => series)).toEqual([undefined]);
  });
  it('hours are those of the term’s zone, also when the clocks change in between', () => {
    const zone = (day: string, offset: number) => `DTSTART:2027${day}T${String(10 + offset).padStart(2, '0')}0000Z`;
    const once = (day: string, offset: number) => [
      'SUMMARY:A',
      zone(day, offset),
      `DTEND:2027${day}T${String(11 + offset).padStart(2, '0')}0000Z`,
    ];
    // Ten in Chicago is 16:00 UTC in winter and 15:00 UTC from 14 March on.
    expect(meetings(timetable(once('0308', 6), once('0322', 5)))).toMatchObject([{ start: '10:00', end: '11:00' }]);
  });
  it('what is no class is told: all-day entries, what comes once, what lasts over midnight', () => {
    const text = timetable(
      ['SUMMARY:Open day', 'DTSTART;VALUE=DATE:20270201'],
      weekly('Guest talk', '0203', ['1800', '1900']),
      ['SUMMARY:Star night', 'DTSTART:20270301T220000', 'DTEND:20270302T020000', 'RRULE:FREQ=WEEKLY;COUNT=3'],
      weekly('A', '0111', ['1000', '1115'], `RRULE:FREQ=WEEKLY;${UNTIL}`),
    );
    expect(read(text).unread.toSorted()).toEqual(['Guest talk', 'Open day', 'Star night']);
    expect(meetings(text)).toHaveLength(1);
  });
  it('a class of another term, and a file that is none', () => {
    expect(meetings(timetable(weekly('A', '0906', ['1000', '1115'], 'RRULE:FREQ=WEEKLY;COUNT=5')))).toEqual([]);
    expect(readMeetingFile('hello', SPRING)).toMatchObject({ ok: false, problems: [{ code: 'noCalendar' }] });
  });
});

describe('the calendar of a term as a file', () => {
  const text = writeTermFile(SPRING, '2026-11-24T09:00');

  it('has an all-day entry for each thing, with the end that other programs expect', () => {
    expect(text).toContain('X-WR-CALNAME:Spring 2027');
    expect(text).toMatch(/DTSTART;VALUE=DATE:20270315\r\nDTEND;VALUE=DATE:20270322\r\nSUMMARY:Spring break/);
    expect(text).toContain('SUMMARY:Runs as Fri');
    expect(text).toContain('SUMMARY:First half');
    expect(text).toContain('DTSTAMP:20261124T150000Z');
    expect(text.match(/BEGIN:VEVENT/g)).toHaveLength(8);
  });
  it('is read back closure by closure, and nothing else of it closes a day', () => {
    const result = readCalendarFile(text, { from: SPRING.firstDay, to: SPRING.lastDay, timeZone: SPRING.timeZone });
    const named = SPRING.closures!.map((closure) => ({ label: 'Exams', ...closure }));
    expect(result).toEqual({ ok: true, value: { closures: named, unread: [] } });
  });
});

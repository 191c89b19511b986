import { describe, expect, it } from '@jest/globals';
import { formatDay, parseDay, type Calendar } from '@yarin/core';
import { dayByKey, termSheet, weekdaysFrom, type Load } from '../src/shared/dates/termSheet.js';

const calendar: Calendar = {
  firstDay: '2027-01-11',
  lastDay: '2027-05-07',
  timeZone: 'America/Chicago',
  closures: [
    { from: '2027-02-18', to: '2027-02-18', label: 'Charter Day', kind: 'holiday' },
    { from: '2027-03-15', to: '2027-03-21', label: 'Spring break', kind: 'break' },
    { from: '2027-05-03', to: '2027-05-07', label: 'Exams', kind: 'exams' },
  ],
};
const meetings = [{ weekday: 2, start: '14:00', end: '15:15' }];
const due = (id: string, to: string | null, graded = true): Load => ({ id, role: 'due', graded, to });
const LOADS = [
  due('a', '2027-02-16T23:59'),
  due('b', '2027-02-16T14:00'),
  due('c', '2027-02-19T23:59'),
  due('d', null),
  due('e', '2027-02-16T23:59', false),
  { ...due('f', '2027-02-16T23:59'), role: 'opens' as const },
];
const sheet = termSheet({ calendar, meetings }, LOADS);
const weekOf = (date: string) =>
  sheet.weeks.find(({ start }) => start <= parseDay(date) && parseDay(date) < start + 7)!;
const dayOn = (date: string) => weekOf(date).days.find(({ day }) => day === parseDay(date))!;

describe('the term as a sheet', () => {
  it('has its weeks numbered as in the strips, with one before and one after', () => {
    expect(sheet.weeks.map(({ label }) => label)).toEqual([
      '',
      '1',
      '2',
      '3',
      '4',
      '5',
      '6',
      '7',
      '8',
      '9',
      '·',
      '10',
      '11',
      '12',
      '13',
      '14',
      '15',
      'ex',
      '',
    ]);
    expect(formatDay(sheet.weeks[0]!.start)).toBe('2027-01-04');
  });
  it('ticks class days, hatches closed days, and knows exams and what is outside', () => {
    expect(dayOn('2027-02-16')).toMatchObject({ date: 16, isClass: true, isClosed: false, isOutside: false });
    expect(dayOn('2027-02-18')).toMatchObject({ isClass: false, isClosed: true });
    expect(dayOn('2027-05-04')).toMatchObject({ isClass: false, isExam: true });
    expect(dayOn('2027-01-05')).toMatchObject({ isOutside: true, isClass: false });
  });
  it('counts graded work that is due, by day and week', () => {
    expect([dayOn('2027-02-16').load, dayOn('2027-02-19').load, weekOf('2027-02-16').load]).toEqual([2, 1, 3]);
    expect(
      termSheet({ calendar, meetings }, LOADS, { without: ['a'] }).weeks.find(({ label }) => label === '6')!.load,
    ).toBe(2);
  });
  it.each([
    ['2027-02-16', 'class · the third deadline that day · 3 more graded that week'],
    ['2027-02-17', '3 more graded that week'],
    ['2027-02-18', 'Charter Day · 3 more graded that week'],
    ['2027-02-20', 'a Saturday · 3 more graded that week'],
    ['2027-03-17', 'Spring break'],
    ['2027-01-12', 'class'],
    ['2027-01-13', ''],
    ['2027-05-08', 'after the term ends'],
  ])('says what is on %s', (date, words) => expect(sheet.wordsFor(parseDay(date))).toBe(words));
  it('names a month where it begins', () => {
    expect(sheet.weeks.filter(({ month }) => month !== '').map(({ month, label }) => `${month} ${label}`)).toEqual([
      'Feb 4',
      'Mar 8',
      'Apr 11',
      'May 15',
    ]);
  });
});

describe('hands in the sheet', () => {
  it('go a week aside and a day up and down', () => {
    const day = parseDay('2027-02-16');
    const to = (key: string) => formatDay(dayByKey(key, day)!);
    expect(['ArrowLeft', 'ArrowRight', 'ArrowUp', 'ArrowDown'].map(to)).toEqual([
      '2027-02-09',
      '2027-02-23',
      '2027-02-15',
      '2027-02-17',
    ]);
    expect(dayByKey('Enter', day)).toBeUndefined();
  });
  it('find weekdays in the order of the week', () => {
    expect(weekdaysFrom(7)).toEqual([7, 1, 2, 3, 4, 5, 6]);
  });
});

describe('the sheet that the ends of a term are picked from', () => {
  const ends = { weeksBeyond: 4, isOfEnds: true };
  it('shows the weeks around it, and calls no day before or after unusual', () => {
    const around = termSheet({ calendar, meetings: [] }, [], ends);
    expect(formatDay(around.weeks[0]!.start)).toBe('2026-12-14');
    expect(around.isUnusual(parseDay('2027-01-06'))).toBe(false);
    expect(around.wordsFor(parseDay('2027-01-06'))).toBe('');
    expect(around.isUnusual(parseDay('2027-02-18'))).toBe(true);
    expect(sheet.isUnusual(parseDay('2027-01-06'))).toBe(true);
  });
  it('numbers no week before it is said when the term begins', () => {
    const unsaid = termSheet({ calendar, meetings: [] }, [], { ...ends, isUnsaid: true });
    expect(new Set(unsaid.weeks.map(({ label }) => label))).toEqual(new Set(['']));
    expect(unsaid.weeks.flatMap(({ days }) => days).some(({ isOutside }) => isOutside)).toBe(false);
  });
});

describe('what a day holds', () => {
  it('is counted by day and week without what is being moved', () => {
    expect(sheet.loadOn(parseDay('2027-02-16'))).toEqual({ day: 2, week: 3 });
    expect(termSheet({ calendar, meetings }, LOADS, { without: ['a', 'c'] }).loadOn(parseDay('2027-02-16'))).toEqual({
      day: 1,
      week: 1,
    });
  });
});

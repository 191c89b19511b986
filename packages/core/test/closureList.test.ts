import { describe, expect, it } from '@jest/globals';
import { closureKind } from '../src/calendar/closureKind.js';
import type { Closure } from '../src/schemas/calendar.js';
import { readClosureList } from '../src/typed/readClosureList.js';

const SPRING_2027 = { firstDay: '2027-01-11', lastDay: '2027-05-07', timeZone: 'America/Chicago' };
const read = (text: string, order: 'dayFirst' | 'monthFirst' = 'monthFirst') =>
  readClosureList(text, SPRING_2027, order);
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
    ['Spring break 3/15-3/21/2027', '2027-03-15 2027-03-21 Spring break break'],
    ['15.3.–21.3.2027 Spring break', '2027-03-15 2027-03-21 Spring break break'],
    ['15.–21.3.2027 Spring break', '2027-03-15 2027-03-21 Spring break break'],
    ['Mon 15 to Sun 21 March Spring break', '2027-03-15 2027-03-21 Spring break break'],
    ['Winter recess: Dec 20 to Jan 3, 2027', '2026-12-20 2027-01-03 Winter recess break'],
    ['Spring break\t15 Mar 2027\t21 Mar 2027', '2027-03-15 2027-03-21 Spring break break'],
    ['2027-03-15, 2027-03-21, Spring break', '2027-03-15 2027-03-21 Spring break break'],
    ['Founders Day (Monday), January 18th', '2027-01-18 2027-01-18 Founders Day holiday'],
    ['1 May May Day', '2027-05-01 2027-05-01 May Day holiday'],
    ['29 and 30 April Reading days', '2027-04-29 2027-04-30 Reading days reading'],
  ])('“%s”', (line, closure) => expect(said(read(line).closures)).toEqual([closure]));

  it('a date without a year belongs to the term, or shortly before it', () => {
    expect(said(read('Snow closing 20 December\nCharter Day 18 Feb').closures)).toEqual([
      '2026-12-20 2026-12-20 Snow closing holiday',
      '2027-02-18 2027-02-18 Charter Day holiday',
    ]);
  });
  it('days that are named side by side are closed by themselves', () => {
    expect(said(read('Campus closed 18 Jan, 15 Feb and 18 Feb').closures)).toEqual([
      '2027-01-18 2027-01-18 Campus closed holiday',
      '2027-02-15 2027-02-15 Campus closed holiday',
      '2027-02-18 2027-02-18 Campus closed holiday',
    ]);
    expect(said(read('April 2 and 30: no classes').closures)).toEqual([
      '2027-04-02 2027-04-02 no classes holiday',
      '2027-04-30 2027-04-30 no classes holiday',
    ]);
  });
  it('a line of a page’s length is no line of a list', () => {
    const [line] = read(`18 Jan 2027 ${'very '.repeat(200)}`).unread;
    expect(line).toMatch(/^“18 Jan 2027 very .* …” is too long for a line of a list\.$/);
  });
  it('lines without a date are told, empty ones passed over', () => {
    expect(read('Holidays\n\n18 Jan 2027 Founders Day\nto be announced').unread).toEqual([
      '“Holidays”: There is no date in it; write it as “15–21 Mar Spring break”.',
      '“to be announced”: There is no date in it; write it as “15–21 Mar Spring break”.',
    ]);
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
      read('4/6/2027 Founders Day', order).closures.map((closure) => closure.from);
    expect([from('dayFirst'), from('monthFirst')]).toEqual([['2027-06-04'], ['2027-04-06']]);
  });
  it.each([
    ['31 Feb 2027 Charter Day', 'There is no 31 Feb; that month has 28 days in 2027.'],
    ['Charter Day, April 31', 'There is no 31 Apr; that month has 30 days in 2027.'],
    ['Charter Day 45 Mar', 'There is no 45 Mar; that month has 31 days in 2027.'],
    ['2027-02-30 Charter Day', 'There is no 30 Feb; that month has 28 days in 2027.'],
    ['4/18/2027 Charter Day', 'There is no month 18; dates are read day first here, so write “18 Apr”.'],
    ['Wed 18 Feb Charter Day', 'Thu 18 Feb 2027 is no Wed; one of the two is wrong.'],
    ['21 Mar 2027 to 15 Mar 2027 Spring break', 'It ends before it starts.'],
    [
      '15 Mar starts Spring break, back on 22 Mar',
      'Its dates stand apart; write “15–21 Mar Spring break”, a line for each.',
    ],
  ])('“%s” is not read, and why is said', (line, why) =>
    expect(read(line, 'dayFirst')).toEqual({ closures: [], unread: [`“${line}”: ${why}`] }),
  );
});

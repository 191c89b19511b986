import { describe, expect, it } from '@jest/globals';
import { readTypedDate } from '../src/typed/readTypedDate.js';
import type { TypedReading } from '../src/typed/typedContext.js';
import { SPRING_2027 } from './terms.js';

/** Thu 4 Mar 2027 23:59, in Spring 2027: class Tue Thu 14:00, break 15–21 Mar. */
const READING: TypedReading = { order: 'dayFirst', ...SPRING_2027, at: '2027-03-04T23:59' };
const read = (text: string, rest: Partial<TypedReading> = {}): string => {
  const result = readTypedDate(text, { ...READING, ...rest });
  return result.ok ? result.value.replace('T', ' ') : result.problems[0]!.message;
};

describe('a date that is typed', () => {
  it.each([
    ['10 Mar', '2027-03-10 23:59'],
    ['10 march', '2027-03-10 23:59'],
    ['Mar 10', '2027-03-10 23:59'],
    ['March 10th, 2027', '2027-03-10 23:59'],
    ['the 10th of March', '2027-03-10 23:59'],
    ['Wed 10 Mar', '2027-03-10 23:59'],
    ['Wed, Mar 10, 5 pm', '2027-03-10 17:00'],
    ['10 Mar 14:00', '2027-03-10 14:00'],
    ['10 Mar at 2:30 p.m.', '2027-03-10 14:30'],
    ['10.3.', '2027-03-10 23:59'],
    ['10.03.2027 8:00', '2027-03-10 08:00'],
    ['2027-03-10', '2027-03-10 23:59'],
    ['2027-03-10T08:15', '2027-03-10 08:15'],
    ['10/3', '2027-03-10 23:59'],
    ['10/3/27', '2027-03-10 23:59'],
    ['29 Dec', '2026-12-29 23:59'],
    ['20 May', '2027-05-20 23:59'],
    ['14:00', '2027-03-04 14:00'],
    ['noon', '2027-03-04 12:00'],
    ['Fri', '2027-03-05 23:59'],
    ['Mon', '2027-03-01 23:59'],
    ['next Mon', '2027-03-08 23:59'],
    ['next Thu', '2027-03-11 23:59'],
    ['Tue of week 6', '2027-02-16 23:59'],
    ['week 10 Tue 9:00', '2027-03-23 09:00'],
    ['w6', '2027-02-18 23:59'],
    ['+1 week', '2027-03-11 23:59'],
    ['-3 days', '2027-03-01 23:59'],
    ['2 days later', '2027-03-06 23:59'],
    ['a week earlier', '2027-02-25 23:59'],
    ['next class', '2027-03-09 14:00'],
    ['previous class', '2027-03-04 14:00'],
    ['first class', '2027-01-12 14:00'],
    ['last class', '2027-04-29 14:00'],
    ['next class 13:00', '2027-03-09 13:00'],
    ['day after the break', '2027-03-22 23:59'],
    ['Tue after the break', '2027-03-23 23:59'],
    ['day before spring break', '2027-03-12 23:59'],
    ['day before exams', '2027-04-30 23:59'],
    ['last day', '2027-05-07 23:59'],
    ['last day of classes', '2027-04-30 23:59'],
    ['next teaching day', '2027-03-05 23:59'],
  ])('“%s”', (text, at) => expect(read(text)).toBe(at));

  it('is read in the order of whoever types, and what fits only the other one is refused with what would be right', () => {
    // October of the year before is nearer to the term than that of the same year.
    expect(read('10/3', { order: 'monthFirst' })).toBe('2026-10-03 23:59');
    expect(read('3/10', { order: 'monthFirst' })).toBe('2027-03-10 23:59');
    expect(read('3/18')).toBe('There is no month 18; dates are read day first here, so write “18 Mar”.');
    expect(read('18/3', { order: 'monthFirst' })).toBe(
      'There is no month 18; dates are read month first here, so write “18 Mar”.',
    );
  });
  it.each([
    ['31 Feb', 'There is no 31 Feb; that month has 28 days in 2027.'],
    ['29 Feb 2027', 'There is no 29 Feb; that month has 28 days in 2027.'],
    ['0 Mar', 'There is no 0 Mar; that month has 31 days.'],
    ['10.13.2027', 'There is no month 13; write the month in letters, as “10 Jan”.'],
    ['Mon 10 Mar', 'Wed 10 Mar 2027 is no Mon; one of the two is wrong.'],
    ['10 Mar 25:00', '“10 Mar 25:00” names a time of day that does not exist; write it as 23:59.'],
    ['10 Mar 13 pm', '“10 Mar 13 pm” names a time of day that does not exist; write it as 23:59.'],
    ['Tue of week 16', 'The term has 15 weeks; there is no week 16.'],
    ['day after the storm', 'The term has no “storm”; it has Founders Day, Charter Day, Spring break, Exams.'],
  ])('“%s” is refused', (text, message) => expect(read(text)).toBe(message));
  it.each(['now', 'soon', '44980', '10', '', 'Mar', '10 Mar 11 Mar', '1 week', 'x'.repeat(5000)])(
    '“%s” is no date',
    (text) => expect(read(text)).toMatch(/ is no date that can be read; write “10 Mar”, “Tue of week 6”/),
  );
  it('takes the year of the date where no term is known, and asks for it where there is neither', () => {
    expect(read('10 Mar', { calendar: undefined })).toBe('2027-03-10 23:59');
    expect(read('10 Mar', { calendar: undefined, at: null })).toBe('Give the year too, as “10 Mar 2027”.');
    expect(read('+1 week', { at: null })).toBe('There is no date yet to count from; write one as “10 Mar”.');
    expect(read('14:00', { at: null })).toBe('There is no date yet; write the day too, as “10 Mar 14:00”.');
    expect(read('next class', { meetings: [] })).toBe('The course has no class days; write the date as “10 Mar”.');
  });
  it('takes 23:59, or the hour that is given, where it has no date yet', () => {
    expect(read('10 Mar', { at: null })).toBe('2027-03-10 23:59');
    expect(read('10 Mar', { at: null, time: '08:00' })).toBe('2027-03-10 08:00');
  });
  it('29 Feb is a date only where the year of the term has one', () => {
    const calendar = { firstDay: '2028-01-10', lastDay: '2028-05-05', timeZone: 'UTC' };
    expect(read('29 Feb', { calendar })).toBe('2028-02-29 23:59');
    expect(read('29 Feb')).toBe('There is no 29 Feb; that month has 28 days in 2027.');
  });
});

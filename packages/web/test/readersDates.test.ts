import { afterEach, describe, expect, it } from '@jest/globals';
import { parseDay, USUAL_DATES } from '@yarin/core';
import {
  asRead,
  dateWords,
  dayWords,
  fieldFormats,
  momentWords,
  patternWords,
  problemWords,
  setDateStyle,
  timeWords,
} from '../src/shared/readersDates.js';

describe('dates as they are read here', () => {
  afterEach(() => setDateStyle(USUAL_DATES));

  it('are written the usual way unless somebody prefers another', () => {
    expect(momentWords('2027-03-16T23:59')).toBe('Tue 16 Mar 23:59');
    expect(dateWords(parseDay('2027-04-02'))).toBe('2 Apr');
    expect(fieldFormats.value).toEqual({
      day: 'D MMM YYYY',
      moment: 'D MMM YYYY HH:mm',
      typed: 'YYYY-MM-DD HH:mm',
    });
  });
  it('name the days of a calendar that a sentence has as files write them; what is on no calendar stays', () => {
    const sentence = '“Exams” (2027-05-03 to 2027-05-07) reaches outside the term; let the term end on 2027-05-07.';
    expect(problemWords(sentence)).toBe(
      '“Exams” (Mon 3 May 2027 to Fri 7 May 2027) reaches outside the term; let the term end on Fri 7 May 2027.',
    );
    expect(problemWords('2027-02-30 is not on any calendar.')).toBe('2027-02-30 is not on any calendar.');
  });
  it('put the month first, on a clock of twelve hours, wherever they stand', () => {
    setDateStyle({ order: 'monthFirst', clock: 12 });
    expect(momentWords('2027-03-16T23:59')).toBe('Tue, Mar 16, 11:59 pm');
    expect(dayWords(parseDay('2027-03-16'))).toBe('Tue, Mar 16');
    expect(dateWords(parseDay('2027-04-02'))).toBe('Apr 2');
    expect(timeWords('2026-11-24T09:05')).toBe('9:05 am');
    expect(patternWords([{ weekday: 2, start: '14:00' }])).toBe('Tue 2:00 pm');
    expect(asRead('Thu 18 Feb is Charter Day now, 4 times')).toBe('Thu, Feb 18 is Charter Day now, 4 times');
    expect(fieldFormats.value).toEqual({
      day: 'MMM D, YYYY',
      moment: 'MMM D, YYYY h:mm a',
      typed: 'MM/DD/YYYY h:mm a',
    });
  });
});

import { describe, expect, test } from '@jest/globals';
import { inStyle, USUAL_DATES, type DateStyle } from '../../src/calendar/dateStyle.js';
import { dayWords, dayWordsWithYear, momentWords } from '../../src/calendar/dateWords.js';
import { civilDate, parseDay } from '../../src/calendar/day.js';
import { spanWords } from '../../src/calendar/closureWords.js';

const AMERICAN: DateStyle = { order: 'monthFirst', clock: 12 };

describe('a sentence with dates', () => {
  test.each([
    ['Tue 16 Mar', 'Tue, Mar 16'],
    ['Tue 16 Mar 2027', 'Tue, Mar 16, 2027'],
    ['Wed 6 May 09:00', 'Wed, May 6, 9:00 am'],
    ['Sun 28 Feb 2027 23:59', 'Sun, Feb 28, 2027, 11:59 pm'],
    ['Sun 15 Mar → Sun 7 Mar', 'Sun, Mar 15 → Sun, Mar 7'],
    ['Spring break is 15–21 Mar, it was 8–14 Mar', 'Spring break is Mar 15–21, it was Mar 8–14'],
    ['Easter, 29 Mar – 4 Apr, is new', 'Easter, Mar 29 – Apr 4, is new'],
    [
      'Class meets Tue Thu 14:00, Fri 09:00, it was Mon 10:00',
      'Class meets Tue Thu 2:00 pm, Fri 9:00 am, it was Mon 10:00 am',
    ],
    [
      'week 6, Wed → Thu; Thu 18 Feb is Charter Day, next teaching day',
      'week 6, Wed → Thu; Thu, Feb 18 is Charter Day, next teaching day',
    ],
    ['00:00, 00:30, 11:59, 12:00, 12:30, 13:05', '12:00 am, 12:30 am, 11:59 am, 12:00 pm, 12:30 pm, 1:05 pm'],
    ['10:00 → 14:00 with the class', '10:00 am → 2:00 pm with the class'],
  ])('“%s” is read as “%s” by who puts the month first and has twelve hours', (sentence, read) => {
    expect(inStyle(sentence, AMERICAN)).toBe(read);
    expect(inStyle(read, AMERICAN)).toBe(read);
  });

  test.each([
    'Chapter 3 May come later',
    'Marching 16 Marmots',
    'a ratio of 3:2, 25:00 and 9:5',
    '212 of 236 things come, 86 dates move',
    'March 2026',
  ])('“%s” holds none', (sentence) => {
    expect(inStyle(sentence, AMERICAN)).toBe(sentence);
  });

  test('order and clock are two choices', () => {
    expect(inStyle('Wed 6 May 15:00', { order: 'monthFirst', clock: 24 })).toBe('Wed, May 6, 15:00');
    expect(inStyle('Wed 6 May 15:00', { order: 'dayFirst', clock: 12 })).toBe('Wed 6 May 3:00 pm');
    expect(inStyle('Wed 6 May 15:00', USUAL_DATES)).toBe('Wed 6 May 15:00');
  });

  test('every day that is written is found again', () => {
    const months = ['Jan', 'Feb', 'Mar', 'Apr', 'May', 'Jun', 'Jul', 'Aug', 'Sep', 'Oct', 'Nov', 'Dec'];
    const first = parseDay('2027-01-01');
    for (let day = first; day < first + 365; day++) {
      const { month, date } = civilDate(day);
      const weekday = dayWords(day).slice(0, 3);
      const read = `${weekday}, ${months[month - 1]} ${date}`;
      expect(inStyle(dayWords(day), AMERICAN)).toBe(read);
      expect(inStyle(dayWordsWithYear(day), AMERICAN)).toBe(`${read}, 2027`);
    }
    expect(inStyle(momentWords('2027-12-31T00:05'), AMERICAN)).toBe('Fri, Dec 31, 12:05 am');
    expect(inStyle(spanWords({ from: '2027-03-15', to: '2027-03-21' }), AMERICAN)).toBe('Mar 15–21');
  });
});

import { describe, expect, it } from '@jest/globals';
import { itemAddressed } from '../../src/words/addresses.js';
import { findDates } from '../../src/words/findDates.js';
import { findMeetings, MEETING_HOSTS } from '../../src/words/findMeetings.js';
import { findRelative, findSingleWeekdays } from '../../src/words/findRelative.js';
import { findTerms, findYears } from '../../src/words/findTerms.js';
import type { Finder, WordContext } from '../../src/words/found.js';
import { textOf } from '../../src/words/textOf.js';
import { SPRING_2026 } from '../terms.js';

const CONTEXT: WordContext = {
  calendar: SPRING_2026.calendar,
  termName: 'Spring 2026',
  courseTitle: 'Freshwater Ecology',
  monthFirst: true,
  meetingHosts: MEETING_HOSTS,
};
const words = (finder: Finder, text: string): string[] => finder(text, CONTEXT).map((each) => each.text.trim());

describe('dates in prose', () => {
  it.each([
    'Tuesday, March 3',
    'Mar 3rd',
    '3 March 2026',
    'due 3/3',
    '2026-03-03',
    '03.03.2026',
    'March 9–15',
    'between 9 and 13 March',
    'Jan. 12, 2026',
  ])('%s is one', (text) => expect(words(findDates, text)).not.toEqual([]));
  it.each([
    'Dewey, 1938',
    'the flood of 12 March 1928',
    'since 2019',
    'version 2.3.1',
    '3/4 of the class',
    'October 3',
    'March alone',
    'pages 3-17',
    'May I ask?',
  ])('%s is none', (text) => expect(words(findDates, text)).toEqual([]));
});

describe('terms and years', () => {
  it.each(['Spring 2026', 'spring of 2026', "Spring '26", 'Sp26', 'S26', 'Spring semester 2026'])(
    '%s is the old term',
    (text) => expect(words(findTerms, `In ${text} we met.`)).toHaveLength(1),
  );
  it.each(['Spring 2025', 'Fall 2026', 'spring tide', 'S260'])('%s is not', (text) =>
    expect(words(findTerms, text)).toEqual([]),
  );
  it('a year counts beside course or term, not alone', () => {
    expect(words(findYears, 'The 2026 course closes.')).toEqual(['2026']);
    expect(words(findYears, 'The school year 2025–26 calendar.')).toEqual(['2025–26']);
    expect(words(findYears, 'Rain gauges of 2026 showed little.')).toEqual([]);
  });
});

describe('words that mean the day they were written on', () => {
  it.each(['closed today', 'tomorrow at 7:30', 'until the 14th', 'later this week'])('%s', (text) =>
    expect(words(findRelative, text)).toHaveLength(1),
  );
  it.each(['this term', 'in the 19th century', 'the 2nd edition'])('%s is fine', (text) =>
    expect(words(findRelative, text)).toEqual([]),
  );
  it('a single weekday counts, a plural or every one does not', () => {
    expect(words(findSingleWeekdays, 'Hand it in on Wednesday.')).toEqual(['Wednesday']);
    expect(words(findSingleWeekdays, 'We meet on Mondays and every Wednesday.')).toEqual([]);
  });
});

describe('video meetings', () => {
  it.each(['https://meet.example/eco', 'meeting ID 881 2204 1175', 'passcode river26'])('%s', (text) =>
    expect(words(findMeetings, text)).toEqual([text]),
  );
  it.each(['https://atlas.example/meet', 'We meet at the gate.', 'the meeting of waters'])('%s is none', (text) =>
    expect(words(findMeetings, text)).toEqual([]),
  );
});

describe('what a reader sees of a body', () => {
  it('leaves out quotations, code and markup', () => {
    expect(textOf('<p>See <b>this</b></p><blockquote>On March 3</blockquote><pre>x = 1</pre><p>End</p>')).toBe(
      'See this\nEnd',
    );
  });
  it('knows the item that an address leads to', () => {
    const isItem = (id: string): boolean => id === 'q3';
    expect(itemAddressed('item:q3', 'eco', isItem)).toBe('q3');
    expect(itemAddressed('https://here.example/courses/eco/items/q3?x=1', 'eco', isItem)).toBe('q3');
    expect(itemAddressed('https://else.example/q3', 'eco', isItem)).toBeUndefined();
  });
});

import { describe, expect, it } from '@jest/globals';
import { formatDay, formatMinute, parseDay } from '../../src/calendar/day.js';
import { itemAddressed } from '../../src/words/text/addresses.js';
import { MEETING_HOSTS } from '../../src/words/english/findMeetings.js';
import { findWords } from '../../src/words/findWords.js';
import type { Found, FoundDay, WordContext, WordSort } from '../../src/words/found/found.js';
import { proseOf } from '../../src/words/text/prose.js';
import { seenMarkup } from '../../src/words/text/seenMarkup.js';
import { SPRING_2026 } from '../terms.js';

const CONTEXT: WordContext = {
  calendar: SPRING_2026.calendar,
  termName: 'Spring 2026',
  courseTitle: 'Freshwater Ecology',
  monthFirst: true,
  meetingHosts: MEETING_HOSTS,
  meetings: SPRING_2026.meetings!,
  room: 'Haskell 114',
  code: { id: 'eco214-s26-01', code: 'ECO', number: '214', section: '01' },
  instructors: [
    { id: 'p1', name: 'Ines Marant' },
    { id: 'p2', name: 'Tomas van der Berg' },
  ],
};
const found = (text: string, context: WordContext = CONTEXT): Found[] =>
  findWords(proseOf('', [{ field: 'body', text }]), context);
const words = (text: string, ...sorts: readonly WordSort[]): string[] =>
  found(text).flatMap((each) => (sorts.includes(each.sort) ? [each.text] : []));

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
  ])('%s is one', (text) => expect(words(text, 'date', 'range')).not.toEqual([]));
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
  ])('%s is none', (text) => expect(words(text, 'date', 'range')).toEqual([]));
});

describe('terms and years', () => {
  it.each(['Spring 2026', 'spring of 2026', "Spring '26", 'Sp26', 'S26', 'Spring semester 2026'])(
    '%s is the old term',
    (text) => expect(words(`In ${text} we met.`, 'term')).toHaveLength(1),
  );
  it.each(['Spring 2025', 'Fall 2026', 'spring tide', 'S260'])('%s is not', (text) =>
    expect(words(text, 'term')).toEqual([]),
  );
  it('a year counts beside course or term, not alone', () => {
    expect(words('The 2026 course closes.', 'year')).toEqual(['2026']);
    expect(words('The school year 2025–26 calendar.', 'year')).toEqual(['2025–26']);
    expect(words('Rain gauges of 2026 showed little.', 'year')).toEqual([]);
  });
});

describe('words that mean the day they were written on', () => {
  it.each(['closed today', 'tomorrow at 7:30', 'until the 14th', 'later this week'])('%s', (text) =>
    expect(words(text, 'relative')).toHaveLength(1),
  );
  it.each(['this term', 'in the 19th century', 'the 2nd edition', 'notes of this spring of 2026'])(
    '%s is fine',
    (text) => expect(words(text, 'relative')).toEqual([]),
  );
  it('a single weekday counts, a plural or every one does not', () => {
    const single = (text: string): string[] =>
      found(text).flatMap((each) => (each.sort === 'weekday' && !each.recurs ? [each.text] : []));
    expect(single('Hand it in on Wednesday.')).toEqual(['Wednesday']);
    expect(single('We are there on Mondays and every Wednesday.')).toEqual([]);
  });
});

describe('video meetings', () => {
  it.each([
    ['https://meet.example/eco', 'https://meet.example/eco'],
    ['meeting ID 881 2204 1175', '881 2204 1175'],
    ['passcode river26', 'river26'],
    ['Passcode: “river26”', 'river26'],
    ['the passcode is river-26', 'river-26'],
  ])('%s', (text, code) => expect(words(text, 'meeting')).toEqual([code]));
  it.each(['https://atlas.example/meet', 'We meet at the gate.', 'the meeting of waters', 'Call 555 0142 99.'])(
    '%s is none',
    (text) => expect(words(text, 'meeting')).toEqual([]),
  );
  it('a number to dial counts beside one, and so does an address that no reader sees', () => {
    expect(words('Join at https://meet.example/eco or dial +1 312 555 0142.', 'meeting')).toEqual([
      'https://meet.example/eco',
      '+1 312 555 0142',
    ]);
    expect(words('<p>Join <a href="https://meet.example/eco">here</a>.</p>', 'meeting')).toEqual([
      'https://meet.example/eco',
    ]);
  });
});

describe('what a reader sees of a body', () => {
  it('leaves out quotations, code and markup', () => {
    expect(seenMarkup('<p>See <b>this</b></p><blockquote>On March 3</blockquote><pre>x = 1</pre><p>End</p>').text).toBe(
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

describe('what the words of a date name', () => {
  const dates = (text: string, context?: WordContext): string[] =>
    found(text, context).flatMap((each) => {
      if (each.sort === 'date') return [`${each.text} = ${each.days.map(formatDay).join(' or ')}${said(each)}`];
      return each.sort === 'range'
        ? [`${each.text} = ${formatDay(each.from.days[0]!)} to ${formatDay(each.to.days[0]!)}`]
        : [];
    });
  const said = ({ doubt, hours }: FoundDay): string =>
    [
      hours && ` ${formatMinute(hours.from.value)}`,
      hours?.to && `–${formatMinute(hours.to.value)}`,
      doubt && ` ${doubt}`,
    ]
      .filter((each) => each !== undefined)
      .join('');

  it.each([
    ['due Tuesday, March 3', ['Tuesday, March 3 = 2026-03-03']],
    ['Tues., Mar. 3 at 5 pm', ['Tues., Mar. 3 at 5 pm = 2026-03-03 17:00']],
    ['<b>Tuesday</b>, March 3<sup>rd</sup>, 2026', ['Tuesday, March 3rd, 2026 = 2026-03-03']],
    ['the 3rd of March (Tuesday)', ['3rd of March (Tuesday = 2026-03-03']],
    ['class on March 3, 10:00–11:15', ['March 3, 10:00–11:15 = 2026-03-03 10:00–11:15']],
    ['labs on March 3, 11–12:15 pm', ['March 3, 11–12:15 pm = 2026-03-03 11:00–12:15']],
    ['labs on March 3, 2–3:15 pm', ['March 3, 2–3:15 pm = 2026-03-03 14:00–15:15']],
    ['labs on March 3, 10 am–12:15 pm', ['March 3, 10 am–12:15 pm = 2026-03-03 10:00–12:15']],
    ['labs on March 3, 9 to noon', ['March 3, 9 to noon = 2026-03-03 09:00–12:00']],
    ['at 11:59 PM on March 3', ['11:59 PM on March 3 = 2026-03-03 23:59']],
    ['March 9–15', ['March 9–15 = 2026-03-09 to 2026-03-15']],
    ['between 9 and 13 March', ['between 9 and 13 March = 2026-03-09 to 2026-03-13']],
    ['March 30 – April 3, 2026', ['March 30 – April 3, 2026 = 2026-03-30 to 2026-04-03']],
    ['Monday, March 9 to Friday, March 13', ['Monday, March 9 to Friday, March 13 = 2026-03-09 to 2026-03-13']],
    ['on February 2, 9 and 16', ['February 2 = 2026-02-02', '9 = 2026-02-09', '16 = 2026-02-16']],
    ['on 2, 9 and 16 February', ['2 = 2026-02-02', '9 = 2026-02-09', '16 February = 2026-02-16']],
    ['due 3/4', ['3/4 = 2026-03-04']],
    ['due 3/4, and 25/3', ['3/4 = 2026-04-03', '25/3 = 2026-03-25']],
    ['due 3/4, 25/3 and 3/26', ['3/4 = 2026-03-04 or 2026-04-03 ambiguous', '25/3 = 2026-03-25', '3/26 = 2026-03-26']],
    ['due Friday 3/4 and 2/6', ['Friday 3/4 = 2026-04-03', '2/6 = 2026-06-02']],
    ['due Friday, March 3', ['Friday, March 3 = 2026-03-03 weekday']],
    ['03.03. and 2026-03-05', ['03.03 = 2026-03-03', '2026-03-05 = 2026-03-05']],
    ['March 30, 2026 – April 3, 2026', ['March 30, 2026 – April 3, 2026 = 2026-03-30 to 2026-04-03']],
    ['December 28 – January 3, 2026', ['December 28 – January 3, 2026 = 2025-12-28 to 2026-01-03']],
    ['March 30, 2025 – April 3, 2026', ['April 3, 2026 = 2026-04-03']],
    ['from 3/9–13', ['3/9–13 = 2026-03-09 to 2026-03-13']],
    ['due on October 3', []],
    ['On March 3, 5 students of 14 came', ['March 3 = 2026-03-03']],
  ])('%s', (text, expected) => expect(dates(text)).toEqual(expected));
  it('the title and the texts of a thing prove the order of numbers for each other', () => {
    const [first] = findWords(proseOf('Due 3/4', [{ field: 'body', text: '<p>Not 25/3.</p>' }]), CONTEXT);
    expect(first).toMatchObject({ days: [parseDay('2026-04-03')] });
  });
  it('stands where it is written, markup and character references between', () => {
    const body = '<p>Due&nbsp;<b>Tues&#100;ay</b>,\n  March&nbsp;3 &amp; later</p>';
    const prose = proseOf('Quiz', [{ field: 'body', text: body }]);
    const [first] = findWords(prose, CONTEXT);
    const place = prose.placeOf(first!)!;
    expect(first!.text).toBe('Tuesday, March 3');
    expect(body.slice(place.start, place.end)).toBe('Tues&#100;ay</b>,\n  March&nbsp;3');
  });
});

describe('the class in words', () => {
  it.each([
    ['We meet Mondays and Wednesdays at 10.', ['Mondays and Wednesdays at 10']],
    ['See you Mondays at 10', ['Mondays at 10']],
    ['MW 10:00–11:15, Haskell 114', ['MW 10:00–11:15', 'Haskell 114']],
    ['Bring it to our Monday class.', ['our Monday class']],
    ['Class starts at 10:00 in Room 114.', ['10:00', 'Room 114']],
    ['Mon & Wed 10–11:15 am', ['Mon & Wed 10–11:15 am']],
    ['Office hours on Mondays and Wednesdays', []],
    ['My door is open on Mondays from 2 to 4.', []],
    ['Tuesdays at 10 the pool is open.', []],
    ['A line of 20 MW was cut.', []],
    ['Rooms 114 and 1145', []],
  ])('%s', (text, expected) => expect(words(text, 'pattern', 'room')).toEqual(expected));
  it.each([
    ['ECO 214-01 meets', ['01']],
    ['Section 01, sec. 01', ['01', '01']],
    ['see eco214-s26-01', ['eco214-s26-01']],
    ['Chapter 01 of 214', []],
  ])('%s', (text, expected) => expect(words(text, 'section')).toEqual(expected));
  it.each([
    ['Ask Ines Marant or Dr. van der Berg.', ['Ines Marant', 'van der Berg']],
    ['Marant’s notes', ['Marant']],
    ['Marants and Bergs', []],
  ])('%s', (text, expected) => expect(words(text, 'person')).toEqual(expected));
});

import { describe, expect, it } from '@jest/globals';
import { refresh } from '../../src/refresh/refresh.js';
import type { Proposal } from '../../src/refresh/proposal.js';
import type { Item } from '../../src/schemas/course.js';
import type { RefreshJob } from '../../src/schemas/refreshJob.js';
import { LABELLED_TEXTS } from '../labelled/staleTexts.js';
import { SPRING_2027 } from '../terms.js';

/** Mon Wed 10:00–11:15 in Spring 2026, Tue Thu 14:00–15:15 in Spring 2027. */
const jobOf = (items: readonly Item[], more: Partial<RefreshJob> = {}): RefreshJob => {
  const [{ job }] = LABELLED_TEXTS as [(typeof LABELLED_TEXTS)[number]];
  return { ...job, course: { ...job.course, items: [...items] }, ...more };
};

const proposals = (job: RefreshJob): Proposal[] => {
  const result = refresh(job);
  if (!result.ok) throw new Error(JSON.stringify(result.problems));
  return result.value;
};

/** A text as it would be with everything taken that has a replacement. */
function taken(text: string, of: readonly Proposal[], field: string): string {
  let [written, from] = ['', 0];
  for (const each of of.filter((one) => one.field === field)) {
    expect(text.slice(each.start, each.end)).toBe(each.text);
    written += text.slice(from, each.start) + (each.replacement ?? each.text);
    from = each.end;
  }
  return written + text.slice(from);
}

const page = (body: string, more: Partial<Item> = {}): Item => ({
  id: 'i1',
  kind: 'page',
  title: 'Page',
  body,
  ...more,
});
const anew = (body: string, more: Partial<Item> = {}, job: Partial<RefreshJob> = {}): string =>
  taken(body, proposals(jobOf([page(body, more)], job)), 'body');
const problemsIn = (body: string, more: Partial<Item> = {}, job: Partial<RefreshJob> = {}): (string | undefined)[] =>
  proposals(jobOf([page(body, more)], job)).map(({ replacement, problem }) =>
    replacement === null ? (problem ?? 'none') : problem,
  );

describe('dates in texts', () => {
  // Week 8 is 2 to 8 March 2026 and 1 to 7 March 2027; the map goes Mon to Tue, Wed to Thu.
  it.each([
    ['due Wednesday, March 4', 'due Thursday, March 4'],
    ['due Tues., Mar. 3 at 5 pm', 'due Wed., Mar. 3 at 5 pm'],
    ['on the 4th of March 2026', 'on the 4th of March 2027'],
    ['by Mon 2 Mar', 'by Tue 2 Mar'],
    ['Monday, February 2nd', 'Tuesday, February 2nd'],
    ['Wednesday, January 21st', 'Thursday, January 21st'],
    ['Mon, April 13', 'Tue, April 13'],
    ['March 16, 2026', 'March 9, 2027'],
    ['MONDAY, MARCH 16', 'TUESDAY, MARCH 9'],
    ['due 3/16', 'due 3/9'],
    ['due 03/16/2026', 'due 03/09/2027'],
    ['due 3/16/26', 'due 3/9/27'],
    ['2026-03-16', '2027-03-09'],
    ['closed on 16.03.2026', 'closed on 09.03.2027'],
    ['<b>Monday</b>, March&nbsp;16<sup>th</sup>', '<b>Tuesday</b>, March&nbsp;9<sup>th</sup>'],
    ['March 16<sup>th</sup> and March 23<sup>rd</sup>', 'March 9<sup>th</sup> and March 23<sup>rd</sup>'],
    ['on May 4', 'on May 3'],
    ['by May 1, then Apr 30', 'by Apr 30, then Apr 29'],
    ['class on March 16, 10:00–11:15', 'class on March 9, 14:00–15:15'],
    ['class on March 16 at 10 am', 'class on March 9 at 2 pm'],
    ['class on March 16, 10–11:15 am', 'class on March 9, 2–3:15 pm'],
    ['on 2, 9 and 16 February', 'on 2, 9 and 16 February'],
  ])('%s → %s', (before, after) => expect(anew(`<p>${before}</p>`)).toBe(`<p>${after}</p>`));
  it('ranges move as one, and write the month that they come to', () => {
    expect(anew('Posters March 25–27.')).toBe('Posters March 25–26.');
    expect(anew('Posters between 30 March and 3 April 2026.')).toBe('Posters between 30 March and 2 April 2027.');
    expect(anew('Labs March 31–April 2', {}, { policy: { rule: 'offset', landing: 'stay' } })).toBe(
      'Labs March 30–April 1',
    );
    expect(anew('Labs April 1–2', {}, { policy: { rule: 'offset', landing: 'stay' } })).toBe('Labs March 31–April 1');
    expect(anew('Labs 1–2 April', {}, { policy: { rule: 'offset', landing: 'stay' } })).toBe('Labs 31 March–1 April');
    expect(anew('on April 1, 2 and 3', {}, { policy: { rule: 'offset', landing: 'stay' } })).toBe(
      'on March 31, April 1 and April 2',
    );
  });
  it('a day that a moment of the thing stands on goes where that goes', () => {
    const moments: Item['moments'] = [{ id: 'd', role: 'due', at: '2026-03-06T17:00' }];
    const job = { policy: { byItem: { i1: { rule: 'offset' as const } }, rule: 'week' as const } };
    // 53 days from Monday 12 January 2026, and from Monday 11 January 2027: Friday 5 March.
    expect(anew('due Friday, March 6, at 5 pm', { moments }, job)).toBe('due Friday, March 5, at 5 pm');
  });
  it('of several moments on a day the text means when work is due, unless it writes the hour of another', () => {
    // Wednesday 18 February 2026 is week 6; Thursday 18 February 2027 is Charter Day: class is next on Tuesday the 23rd.
    const moments: Item['moments'] = [
      { id: 'o', role: 'opens', at: '2026-02-18T10:00', for: 'crew 1' },
      { id: 'd', role: 'due', at: '2026-02-18T23:00' },
    ];
    expect(anew('on February 18', { moments })).toBe('on February 19');
    expect(anew('on February 18 at 10 am', { moments })).toBe('on February 23 at 2 pm');
  });
  it('closed days go to the same closed days', () => {
    expect(anew('No class on January 19, Founders Day.')).toBe('No class on January 18, Founders Day.');
    expect(anew('Spring break is March 9–15.')).toBe('Spring break is March 15–21.');
    expect(anew('Back from March 9 to March 15')).toBe('Back from March 15 to March 21');
    const without = { ...jobOf([]).destination, calendar: { ...SPRING_2027.calendar, closures: [] } };
    expect(problemsIn('No class on January 19.', {}, { destination: without })).toEqual(['closure']);
  });
  it('what nobody can be sure of is said', () => {
    expect(problemsIn('due Friday, March 3')).toEqual(['weekday']);
    expect(problemsIn('on 3/4, 25/3 and 3/26')).toEqual(['ambiguous', undefined, undefined]);
    expect(problemsIn('Earth Day, April 22')).toEqual(['fixed']);
    expect(problemsIn('The regional water conference is on April 22.')).toEqual(['fixed']);
    expect(problemsIn('due March 4', {}, { policy: { rule: 'clear' } })).toEqual(['cleared']);
    expect(problemsIn('due March 4', {}, { policy: { rule: 'keep' } })).toEqual([]);
    // Wednesday 18 February is week 6; Thursday 18 February 2027 is Charter Day, so Friday.
    expect(problemsIn('due February 18')).toEqual(['closure']);
    expect(anew('due February 18')).toBe('due February 19');
  });
  it('what stands in a quotation, in code, in a file name or a list of references stays', () => {
    for (const body of [
      '<blockquote>On March 3, 2026</blockquote>',
      '<code>2026-03-03</code> and plot_2026-03-03.csv',
      'As he wrote: “we met on March 3, 2026, by the dam”.',
      '<h3>References</h3><p>Marant (2026), March 3, 2026.</p>',
      'https://gauge.example/2026-03-03',
    ])
      expect(proposals(jobOf([page(body)]))).toEqual([]);
  });
});

describe('names of the old course in texts', () => {
  it.each([
    ['Spring 2026', 'Spring 2027'],
    ['Sp26 and S26', 'Sp27 and S27'],
    ['spring semester of 2026', 'spring semester of 2027'],
    ['Spring ’26', 'Spring ’27'],
    ['the 2026 course', 'the 2027 course'],
    ['the school year 2025–26 calendar', 'the school year 2026–27 calendar'],
    ['in March 2026', 'in March 2027'],
    ['We meet in Haskell 114.', 'We meet in Haskell 220.'],
    ['We meet in Room 114.', 'We meet in Room 220.'],
    ['ECO 214-01, section 01', 'ECO 214-02, section 02'],
    ['see eco214-s26-01', 'see eco214-s27-02'],
    ['Ask Ines Marant or Dr. Marant.', 'Ask Jonas Okoro or Dr. Okoro.'],
    ['Class meets Mondays and Wednesdays at 10.', 'Class meets Tuesdays and Thursdays at 2.'],
    ['MW 10:00–11:15', 'TTh 14:00–15:15'],
    ['Bring it to our Monday class.', 'Bring it to our Tuesday class.'],
    ['See you Mon. at 10 am', 'See you Tue. at 2 pm'],
    ['Class starts at 10:00.', 'Class starts at 14:00.'],
  ])('%s → %s', (before, after) => expect(anew(before)).toBe(after));
  it('an hour gets its minutes where it needs them, and keeps them where it had them', () => {
    const { destination } = jobOf([]);
    const at = (start: string, end: string) => ({
      destination: { ...destination, meetings: [2, 4].map((weekday) => ({ weekday, start, end })) },
    });
    expect(anew('Class starts at 10 am.', {}, at('14:30', '15:45'))).toBe('Class starts at 2:30 pm.');
    expect(anew('Class starts at 10:00 am.', {}, at('14:00', '15:15'))).toBe('Class starts at 2:00 pm.');
    expect(anew('Class starts at 10 A.M.', {}, at('09:00', '10:15'))).toBe('Class starts at 9 A.M.');
    expect(anew('Class is 10:00–11:15 am.', {}, at('11:30', '12:45'))).toBe('Class is 11:30 am–12:45 pm.');
    expect(anew('Class is 10:00–11:15.', {}, at('09:30', '10:45'))).toBe('Class is 9:30–10:45.');
  });
  it('what is proposed stands in the order of the text', () => {
    const body =
      '<a href="/courses/eco214-s26-01">Home</a> of Spring 2026, <a href="/courses/eco214-s26-01/x">here</a>';
    expect(proposals(jobOf([page(body)])).map(({ sort }) => sort)).toEqual(['address', 'term', 'address']);
  });
  it('another season is written as short as the old one was', () => {
    const { destination } = jobOf([]);
    const fall = { ...destination, course: { ...destination.course, term: 'Fall 2027' } };
    for (const [before, after] of [
      ['Spring 2026', 'Fall 2027'],
      ['SPRING 2026', 'FALL 2027'],
      ['spring 2026', 'fall 2027'],
      ['Sp26', 'Fa27'],
      ['S26', 'F27'],
      ['2026 Spring', '2027 Fall'],
    ])
      expect(anew(before!, {}, { destination: fall })).toBe(after);
  });
  it('titles too', () => {
    const [first] = proposals(jobOf([page('', { title: 'Schedule Spring 2026' })]));
    expect(first).toMatchObject({ field: 'title', start: 9, end: 20, replacement: 'Spring 2027' });
  });
  it('a person is sure only where one left and one came', () => {
    const { destination } = jobOf([]);
    const two = [...destination.course.instructors!, { id: 'p3', name: 'Li Wen' }];
    const many = { ...destination, course: { ...destination.course, instructors: two } };
    expect(problemsIn('Ask Marant.', {}, { destination: many })).toEqual(['none']);
    const stays = {
      ...destination,
      course: { ...destination.course, instructors: [{ id: 'p1', name: 'Ines Marant' }] },
    };
    expect(problemsIn('Ask Marant.', {}, { destination: stays })).toEqual([]);
  });
  it('a class of another number of days is written as a list of those', () => {
    const { destination } = jobOf([]);
    const three = {
      ...destination,
      meetings: [1, 3, 5].map((weekday) => ({ weekday, start: '09:00', end: '09:50' })),
    };
    expect(anew('We meet Mondays and Wednesdays at 10:00.', {}, { destination: three })).toBe(
      'We meet Mondays, Wednesdays and Fridays at 9:00.',
    );
    const once = { ...destination, meetings: [{ weekday: 2, start: '18:00', end: '20:30' }] };
    expect(anew('MW 10:00–11:15', {}, { destination: once })).toBe('T 18:00–20:30');
    expect(problemsIn('MW 10:00–11:15', {}, { destination: { ...destination, meetings: [] } })).toEqual(['none']);
  });
});

describe('addresses in texts', () => {
  it('of video meetings have to be filled in', () => {
    const body = '<p>Join <a href="https://meet.example/a?x=1&amp;y=2">here</a>, passcode river26.</p>';
    const found = proposals(jobOf([page(body)]));
    expect(found.map(({ text, sort, replacement }) => [text, sort, replacement])).toEqual([
      ['https://meet.example/a?x=1&amp;y=2', 'meeting', null],
      ['river26', 'meeting', null],
    ]);
    for (const { start, end, text } of found) expect(body.slice(start, end)).toBe(text);
  });
  it('of the old course lead to the same thing in the new one, where it came', () => {
    const body =
      '<a href="https://here.example/courses/eco214-s26-01/items/i1?a=1&amp;b=2">one</a> <a href="/courses/eco214-s26-01/items/i2">two</a> <a href="/courses/eco214-s26-01">home</a> <a href="item:i2">in it</a>';
    const found = proposals(jobOf([page(body), { id: 'i2', kind: 'page', title: 'Two' }], { brought: { i1: 'n 1' } }));
    expect(found.map(({ text, replacement }) => [text, replacement])).toEqual([
      [
        'https://here.example/courses/eco214-s26-01/items/i1?a=1&amp;b=2',
        'https://here.example/courses/eco214-s27-02/items/n%201?a=1&amp;b=2',
      ],
      ['/courses/eco214-s26-01/items/i2', null],
      ['/courses/eco214-s26-01', '/courses/eco214-s27-02'],
    ]);
  });
});

import type { Item } from '../../src/schemas/course.js';
import type { RefreshJob } from '../../src/schemas/refreshJob.js';
import { SPRING_2026, SPRING_2027 } from '../terms.js';

/** Words that a person marked, and what they would write there; `null` where they would have to ask. */
type Mark = readonly [words: string, sort: string, instead: string | null, problem?: string];
type Row = readonly [body: string, ...marks: readonly Mark[]];

export interface LabelledTexts {
  readonly name: string;
  readonly job: RefreshJob;
  readonly expected: ReadonlyMap<string, readonly Mark[]>;
}

// Spring 2026 → Spring 2027, Mon Wed 10:00–11:15 → Tue Thu 14:00–15:15. Monday, Tuesday and Wednesday move on by a day, so
// that from week 1 to 8 and from week 10 on their dates stay and all others are a day earlier; week 9 begins on 16 and 8 March.
const SPRING: readonly Row[] = [
  // Days in letters
  ['<p>The proposal is due Friday, March 20.</p>', ['Friday, March 20', 'date', 'Friday, March 12']],
  ['<p>Proposal: Fri., Mar. 20, 5 pm</p>', ['Fri., Mar. 20, 5 pm', 'date', 'Fri., Mar. 12, 5 pm']],
  [
    '<p>Hand it in by <strong>Thursday</strong>, <em>April 2nd</em>.</p>',
    ['Thursday</strong>, <em>April 2nd', 'date', 'Thursday</strong>, <em>April 1st'],
  ],
  ['<p>Posters go up on 24 April 2026.</p>', ['24 April 2026', 'date', '23 April 2027']],
  ['<p>Posters go up on the 24th of April.</p>', ['24th of April', 'date', '23rd of April']],
  [
    '<p>The quiz closes Sunday, Feb 8 at 11:59 PM.</p>',
    ['Sunday, Feb 8 at 11:59 PM', 'date', 'Sunday, Feb 7 at 11:59 PM'],
  ],
  [
    '<p>We start on Monday, January 12, at 10:00.</p>',
    ['Monday, January 12, at 10:00', 'date', 'Tuesday, January 12, at 14:00'],
  ],
  [
    '<p>On Wednesday, March 4, from 10:00 to 11:15 we are at the dam.</p>',
    ['Wednesday, March 4, from 10:00 to 11:15', 'date', 'Thursday, March 4, from 14:00 to 15:15'],
  ],
  ['<p>DUE FRIDAY, MAY 1</p>', ['FRIDAY, MAY 1', 'date', 'FRIDAY, APRIL 30']],
  ['<p>quiz on friday, april 17, bring a pencil</p>', ['friday, april 17', 'date', 'friday, april 16']],
  ['<table><tr><td>Draft</td><td>Fri</td><td>Mar 27</td></tr></table>', ['Mar 27', 'date', 'Mar 26']],
  ['<p>The exam is on May 7 at noon.</p>', ['May 7 at noon', 'date', 'May 6 at noon']],
  [
    '<p>Labs fall on February 5, 12 and 26.</p>',
    ['February 5', 'date', 'February 4'],
    ['12', 'date', '11'],
    ['26', 'date', '25'],
  ],
  [
    '<p>Office closed Friday, April 3, and Friday, April 10.</p>',
    ['Friday, April 3', 'date', 'Friday, April 2'],
    ['Friday, April 10', 'date', 'Friday, April 9'],
  ],
  // Days in figures
  ['<p>Draft due 4/17, final 4/24.</p>', ['4/17', 'date', '4/16'], ['4/24', 'date', '4/23']],
  ['<p>Draft due 04/03/26.</p>', ['04/03/26', 'date', '04/02/27']],
  ['<p>Levels from 2026-02-06 on.</p>', ['2026-02-06', 'date', '2027-02-05']],
  ['<p>Closed on 30.01.2026.</p>', ['30.01.2026', 'date', '29.01.2027']],
  ['<p>Fri 2/6: reading. Fri 2/13: quiz.</p>', ['Fri 2/6', 'date', 'Fri 2/5'], ['Fri 2/13', 'date', 'Fri 2/12']],
  ['<p>Due (Fri) 4/3 by 5pm.</p>', ['Fri) 4/3 by 5pm', 'date', 'Fri) 4/2 by 5pm']],
  ['<p>Due (Mon) 3/16 5pm.</p>', ['Mon) 3/16 5pm', 'date', 'Tue) 3/9 5pm']],
  [
    '<p>Readings for 2026/03/06 and 6-Feb-2026</p>',
    ['2026/03/06', 'date', '2027/03/05'],
    ['6-Feb-2026', 'date', '5-Feb-2027'],
  ],
  ['<p>Quizzes: 2/6, 2/13 and 2/27.</p>', ['2/6', 'date', '2/5'], ['2/13', 'date', '2/12'], ['2/27', 'date', '2/26']],
  ['<p>The week of April 6 is for posters.</p>'],
  [
    '<p>Draft: April 10th, 2026 (Friday) by 5 p.m.</p>',
    ['April 10th, 2026 (Friday) by 5 p.m.', 'date', 'April 9th, 2027 (Friday) by 5 p.m.'],
  ],
  [
    '<p>By midnight on Friday the 17th of April.</p>',
    ['midnight on Friday the 17th of April', 'date', 'midnight on Friday the 16th of April'],
  ],
  ['<p>Due Fri. 24 Apr. @ 11:59pm</p>', ['Fri. 24 Apr. @ 11:59pm', 'date', 'Fri. 23 Apr. @ 11:59pm']],
  ['<p>On Ap<b>ril</b> 10 we dig.</p>', ['Ap<b>ril</b> 10', 'date', 'Ap<b>ril</b> 9']],
  [
    '<p>On the 6<sup>th</sup>, 13<sup>th</sup> and 20<sup>th</sup> of February</p>',
    ['6<sup>th', 'date', '5<sup>th'],
    ['13<sup>th', 'date', '12<sup>th'],
    ['20<sup>th</sup> of February', 'date', '19<sup>th</sup> of February'],
  ],
  [
    '<p>Final draft due 11:59 p.m. Friday, April 24.</p>',
    ['11:59 p.m. Friday, April 24', 'date', '11:59 p.m. Friday, April 23'],
  ],
  ['<p>On Monday night, March 16, the gauge is off.</p>', ['Monday night, March 16', 'date', 'Tuesday night, March 9']],
  [
    '<p>Open from 9 a.m. on March 20 until 5 p.m. on March 27.</p>',
    ['9 a.m. on March 20 until 5 p.m. on March 27', 'range', '9 a.m. on March 12 until 5 p.m. on March 26'],
  ],
  ['<p>Deadline extended to Mar 20 (was Mar 18).</p>', ['Mar 20', 'date', 'Mar 12'], ['Mar 18', 'date', 'Mar 11']],
  ['<p>Week 3 (Jan 26–30): riffles</p>', ['Jan 26–30', 'range', 'Jan 26–29']],
  // Ranges
  ['<p>Spring break: March 9–15.</p>', ['March 9–15', 'range', 'March 15–21']],
  ['<p>There is no class from March 9 to March 15.</p>', ['March 9 to March 15', 'range', 'March 15 to March 21']],
  ['<p>Exam week, May 4 – 8</p>', ['May 4 – 8', 'range', 'May 3 – 7']],
  ['<p>Posters hang between 23 and 27 March.</p>', ['between 23 and 27 March', 'range', 'between 23 and 26 March']],
  [
    '<p>Sign up Thursday, April 2 – Friday, April 3.</p>',
    ['Thursday, April 2 – Friday, April 3', 'range', 'Thursday, April 1 – Friday, April 2'],
  ],
  ['<p>Trip: 4/9–4/10.</p>', ['4/9–4/10', 'range', '4/8–4/9']],
  ['<p>Interviews April 30–May 1.</p>', ['April 30–May 1', 'range', 'April 29–April 30']],
  ['<p>Trips April 9th&ndash;10th, 2026</p>', ['April 9th&ndash;10th, 2026', 'range', 'April 8th&ndash;9th, 2027']],
  ['<p>Sign up 30 Apr–1 May.</p>', ['30 Apr–1 May', 'range', '29 Apr–30 Apr']],
  // Closed days and what stands still
  ['<p>No class on January 19, Founders Day.</p>', ['January 19', 'date', 'January 18']],
  ['<p>Break begins March 9 and ends March 15.</p>', ['March 9', 'date', 'March 15'], ['March 15', 'date', 'March 21']],
  ['<p>Earth Day, April 22, is a good day to be outside.</p>', ['April 22', 'date', null, 'fixed']],
  ['<p>The state primary election is on March 17.</p>', ['March 17', 'date', null, 'fixed']],
  ['<p>It is due on Friday, March 3.</p>', ['Friday, March 3', 'date', null, 'weekday']],
  ['<p>Due Wednesday, February 18.</p>', ['Wednesday, February 18', 'date', 'Friday, February 19', 'closure']],
  // Terms and years
  ['<p>Welcome to Spring 2026!</p>', ['Spring 2026', 'term', 'Spring 2027']],
  ['<p>Materials for the spring semester of 2026</p>', ['spring semester of 2026', 'term', 'spring semester of 2027']],
  ['<p>Folder ECO_S26 and Sp26</p>', ['Sp26', 'term', 'Sp27']],
  ['<p>The 2026 class will remember the ice.</p>', ['2026', 'year', '2027']],
  ['<p>Schedule for 2026</p>', ['2026', 'year', '2027']],
  ['<p>The catalog of 2025–26 is the calendar that counts.</p>', ['2025–26', 'year', '2026–27']],
  ['<p>The station reopens in April 2026.</p>', ['2026', 'year', '2027']],
  // The class
  [
    '<p>We meet Mondays and Wednesdays, 10:00–11:15, in Haskell 114.</p>',
    ['Mondays and Wednesdays, 10:00–11:15', 'pattern', 'Tuesdays and Thursdays, 14:00–15:15'],
    ['Haskell 114', 'room', 'Haskell 220'],
  ],
  ['<p>MW 10-11:15, Room 114</p>', ['MW 10-11:15', 'pattern', 'TTh 2-3:15'], ['Room 114', 'room', 'Room 220']],
  ['<p>Read it before our Wednesday class.</p>', ['our Wednesday class', 'pattern', 'our Thursday class']],
  ['<p>See you Mondays at 10!</p>', ['Mondays at 10', 'pattern', 'Tuesdays at 2']],
  ['<p>Lecture is M/W at 10 am.</p>', ['M/W at 10 am', 'pattern', 'T/Th at 2 pm']],
  ['<p>Bring boots to every Monday lab.</p>', ['Monday', 'pattern', 'Tuesday']],
  ['<p>In ECO 214-01 we go out.</p>', ['01', 'section', '02']],
  ['<p>This is section 01 of the course.</p>', ['01', 'section', '02']],
  ['<p>Questions go to Ines Marant.</p>', ['Ines Marant', 'person', 'Jonas Okoro']],
  ['<p>Dr. Marant’s door is open.</p>', ['Marant', 'person', 'Okoro']],
  [
    '<p>Join at https://meet.example/eco214, ID 881 2204 1175.</p>',
    ['https://meet.example/eco214', 'meeting', null],
    ['881 2204 1175', 'meeting', null],
  ],
  [
    '<p>Those away join <a href="https://meet.example/e?b=1&amp;c=2">here</a>; passcode: river26.</p>',
    ['https://meet.example/e?b=1&amp;c=2', 'meeting', null],
    ['river26', 'meeting', null],
  ],
  [
    '<p>As in <a href="https://here.example/courses/eco214-s26-01/items/gone">the old page</a>.</p>',
    ['https://here.example/courses/eco214-s26-01/items/gone', 'address', null],
  ],
  ['<p>M, W 10:00–11:15</p>', ['M, W 10:00–11:15', 'pattern', 'T, Th 14:00–15:15']],
  ['<p>Mon. &amp; Wed. 10-11:15am</p>', ['Mon. &amp; Wed. 10-11:15am', 'pattern', 'Tue. &amp; Thu. 2-3:15pm']],
  [
    '<p>Class is on Mondays, and a lab on Wednesdays.</p>',
    ['Mondays', 'pattern', 'Tuesdays'],
    ['Wednesdays', 'pattern', 'Thursdays'],
  ],
  [
    '<p>ECO214-01, ECO 214 (01), Section: 01</p>',
    ['01', 'section', '02'],
    ['01', 'section', '02'],
    ['01', 'section', '02'],
  ],
  [
    '<p>10:00–11:15 on Mondays in Haskell 114</p>',
    ['10:00–11:15 on Mondays', 'pattern', '14:00–15:15 on Tuesdays'],
    ['Haskell 114', 'room', 'Haskell 220'],
  ],
  [
    '<p>Our Monday and Wednesday classes start at 10 a.m. sharp.</p>',
    ['Our Monday and Wednesday classes', 'pattern', 'Our Tuesday and Thursday classes'],
    ['10 a.m.', 'pattern', '2 p.m.'],
  ],
  [
    '<p>Lecture: Mon/Wed 10:00 a.m.-11:15 a.m.</p>',
    ['Mon/Wed 10:00 a.m.-11:15 a.m.', 'pattern', 'Tue/Thu 2:00-3:15 p.m.'],
  ],
  // What stays
  ['<p>See you April 31, 2026, or on 2/30.</p>'],
  ['<p>You got 3/3 points, or 4/5 of them.</p>'],
  ['<p>The survey of 2026-13-45 is no date, nor is 1928-03-12.</p>'],
  ['<p>Sections 3/4 and exercises 3/5 of the book</p>'],
  ['<p>The flood of 12 March 1928 took the weir; Dewey, 1938, saw it.</p>'],
  ['<p>Use version 2.4.1, from 2019 on.</p>'],
  ['<p>About 3/4 of the class find 1/2 too strong; a score of 9/10 is an A.</p>'],
  ['<p>Read pages 3–17 and chapters 3 and 4.</p>'],
  ['<p>Watch from 12:30 to 14:05 of the film.</p>'],
  ['<p>Old posters of Spring 2025 and Fall 2024 hang in the hall.</p>'],
  ['<p>In March the river is high. You may come in May.</p>'],
  ['<p>Name it plot_2026-03-04.csv.</p>'],
  ['<p>As the keeper wrote, “we closed the gate on March 3, 2026 at noon”.</p>'],
  ['<p>Try <code>GET /levels?from=2026-03-04</code>.</p>'],
  ['<p>Start.</p><h3>References</h3><p>Marant, I. (2026). Reader. March 3, 2026.</p>'],
  ['<p>My office is open Mondays and Wednesdays from 1 to 3.</p>'],
  ['<p>Tuesdays at 10 the pool is open to all.</p>'],
  ['<p>Two of the 114 samples are lost; 214 are left; see map 01.</p>'],
  ['<p>The course reader is © 2026 Marrowbrook College Press.</p>'],
  ['<p>Rain gauges of 2026 showed little.</p>'],
  ['<p>See you on October 3 at the reunion.</p>'],
  ['<p>We meet at the gate, not in a meeting of waters.</p>'],
  ['<p>The ratio is 3:4, the dilution 1/4, the room temperature 20.5.</p>'],
  ['<p>Ask somebody who has seen Monday’s child, or a Wednesday’s.</p>'],
  ['<p>The line carries 20 MW; the tank 10-11 liters.</p>'],
];

// Fall 2025 → Fall 2026, Tue 14:00–16:00 → Wed 13:00–15:00; the day stands first. Tuesday moves on by a day and keeps its
// date; every other weekday comes a day earlier.
const FALL: readonly Row[] = [
  ['<p>The shed is closed on 13/10, open again on 14/10.</p>', ['13/10', 'date', '12/10']],
  ['<p>The lift comes on 3 November.</p>', ['3 November', 'date', '2 November']],
  [
    '<p>We sail on Tuesday 7 October 2025 at 14:00.</p>',
    ['Tuesday 7 October 2025 at 14:00', 'date', 'Wednesday 7 October 2026 at 13:00'],
  ],
  ['<p>Essay: Friday 10th October, 17:00</p>', ['Friday 10th October, 17:00', 'date', 'Friday 9th October, 17:00']],
  ['<p>Half term is 24–28 November.</p>', ['24–28 November', 'range', '23–27 November']],
  [
    '<p>The dig rests from Thursday 2 to Friday 3 October.</p>',
    ['Thursday 2 to Friday 3 October', 'range', 'Thursday 1 to Friday 2 October'],
  ],
  ['<p>Due 3/12 at noon, not 2/12.</p>', ['3/12 at noon', 'date', '2/12 at noon']],
  ['<p>Autumn 2025 rota, F25</p>', ['Autumn 2025', 'term', 'Fall 2026'], ['F25', 'term', 'F26']],
  [
    '<p>Seminar: Tuesdays 14:00–16:00, Shed 3.</p>',
    ['Tuesdays 14:00–16:00', 'pattern', 'Wednesdays 13:00–15:00'],
    ['Shed 3', 'room', 'Hall 5'],
  ],
  ['<p>The seminar starts at 14:00.</p>', ['14:00', 'pattern', '13:00']],
  ['<p>The 2025/26 calendar of the course is on the door.</p>', ['2025/26', 'year', '2026/27']],
  ['<p>High water is at noon.</p>'],
  ['<p>The hull was found on 4 May 1962 and lifted in 1967.</p>'],
  ['<p>Plank 4.12. lies under plank 4.13 in figure 3.4.</p>'],
  ['<p>Two thirds of the adzes (2/3 of them) are sharp.</p>'],
  ['<p>Reports of Fall 2023 are on the shelf.</p>'],
];

const itemsOf = (rows: readonly Row[]): Item[] =>
  rows.map(([body], at) => ({ id: `t${at + 1}`, kind: 'page', title: 'Notes', body }));
const expectedOf = (rows: readonly Row[]): LabelledTexts['expected'] =>
  new Map(rows.map(([, ...marks], at) => [`t${at + 1}`, marks]));

const SPRING_JOB: RefreshJob = {
  course: {
    course: {
      id: 'eco214-s26-01',
      code: 'ECO',
      number: '214',
      section: '01',
      title: 'Freshwater Ecology',
      term: 'Spring 2026',
      room: 'Haskell 114',
      instructors: [{ id: 'p1', name: 'Ines Marant' }],
    },
    calendar: SPRING_2026.calendar,
    meetings: SPRING_2026.meetings,
    items: [...itemsOf(SPRING), { id: 'gone', kind: 'page', title: 'Gone' }],
  },
  destination: {
    course: {
      id: 'eco214-s27-02',
      code: 'ECO',
      number: '214',
      section: '02',
      title: 'Freshwater Ecology',
      term: 'Spring 2027',
      room: 'Haskell 220',
      instructors: [{ id: 'p2', name: 'Jonas Okoro' }],
    },
    calendar: SPRING_2027.calendar,
    meetings: SPRING_2027.meetings,
  },
};

const fall = (year: number, first: string, last: string, from: string, to: string) => ({
  name: `Fall ${year}`,
  firstDay: first,
  lastDay: last,
  timeZone: 'America/Chicago',
  closures: [{ from, to, label: 'Fall break', kind: 'break' as const }],
});

const FALL_JOB: RefreshJob = {
  course: {
    course: {
      id: 'arc230-f25-01',
      code: 'ARC',
      number: '230',
      section: '01',
      title: 'Boat Archaeology',
      term: 'Fall 2025',
      locale: 'en-GB',
      room: 'Shed 3',
    },
    calendar: fall(2025, '2025-08-25', '2025-12-12', '2025-11-24', '2025-11-28'),
    meetings: [{ weekday: 2, start: '14:00', end: '16:00' }],
    items: itemsOf(FALL),
  },
  destination: {
    course: {
      id: 'arc230-f26-01',
      code: 'ARC',
      number: '230',
      section: '01',
      title: 'Boat Archaeology',
      term: 'Fall 2026',
      locale: 'en-GB',
      room: 'Hall 5',
    },
    calendar: fall(2026, '2026-08-24', '2026-12-11', '2026-11-23', '2026-11-27'),
    meetings: [{ weekday: 3, start: '13:00', end: '15:00' }],
  },
};

export const LABELLED_TEXTS: readonly LabelledTexts[] = [
  { name: 'a spring, month first', job: SPRING_JOB, expected: expectedOf(SPRING) },
  { name: 'a fall, day first', job: FALL_JOB, expected: expectedOf(FALL) },
];

import { at, date, mondays, weekly, type CarefulPair, type Weeks } from './carefulPair.js';

const ZONE = 'America/New_York';
const FALL_2025 = {
  firstDay: '2025-08-25',
  lastDay: '2025-12-12',
  timeZone: ZONE,
  closures: [
    { from: '2025-09-01', to: '2025-09-01', label: 'Labor Day', kind: 'holiday' as const },
    { from: '2025-10-13', to: '2025-10-14', label: 'Fall break', kind: 'break' as const },
    { from: '2025-11-26', to: '2025-11-30', label: 'Thanksgiving', kind: 'break' as const },
    { from: '2025-12-08', to: '2025-12-12', label: 'Exams', kind: 'exams' as const },
  ],
};
const FALL_2026 = {
  firstDay: '2026-08-24',
  lastDay: '2026-12-11',
  timeZone: ZONE,
  closures: [
    { from: '2026-09-07', to: '2026-09-07', label: 'Labor Day', kind: 'holiday' as const },
    { from: '2026-10-12', to: '2026-10-13', label: 'Fall break', kind: 'break' as const },
    { from: '2026-11-25', to: '2026-11-29', label: 'Thanksgiving', kind: 'break' as const },
    { from: '2026-12-07', to: '2026-12-11', label: 'Exams', kind: 'exams' as const },
  ],
};
const FALLS: Weeks = {
  old: mondays(
    2025,
    '25 Aug, 1 Sep, 8 Sep, 15 Sep, 22 Sep, 29 Sep, 6 Oct, 13 Oct, 20 Oct, 27 Oct, 3 Nov, 10 Nov, 17 Nov, 24 Nov, 1 Dec, 8 Dec',
  ),
  new: mondays(
    2026,
    '24 Aug, 31 Aug, 7 Sep, 14 Sep, 21 Sep, 28 Sep, 5 Oct, 12 Oct, 19 Oct, 26 Oct, 2 Nov, 9 Nov, 16 Nov, 23 Nov, 30 Nov, 7 Dec',
  ),
};
/** Organic chemistry: three mornings a week become two. */
const threeToTwo: CarefulPair = {
  name: 'Mon Wed Fri to Tue Thu',
  source: { calendar: FALL_2025, meetings: at([1, 3, 5], '10:00', '10:50') },
  destination: { calendar: FALL_2026, meetings: at([2, 4], '09:30', '10:45') },
  // Fall break takes the Tuesday of week 8, on which nothing of Monday stood; nothing else is in the way.
  causes: 0,
  dates: [
    ...weekly(FALLS, 'Reading quiz #', 'quiz', 'due', '3-7, 9-14', 'Mon 10:00', 'Tue 09:30'),
    ...weekly(FALLS, 'Problem set #', 'assignment', 'due', '2-13', 'Fri 10:00', 'Thu 09:30'),
    ...weekly(FALLS, 'Mechanism sketch #', 'assignment', 'due', '2, 4, 6, 10, 12', 'Wed 10:50', 'Thu 10:45'),
    ...weekly(FALLS, 'Lab summary #', 'assignment', 'due', '3, 5, 7, 9, 11, 13', 'Wed 23:59', 'Wed 23:59'),
    ...weekly(FALLS, 'Weekly reflection #', 'discussion', 'due', '1-6', 'Sun 23:59', 'Sun 23:59'),
    date(FALLS, 'Exam 1', 'event', 'starts', 'w6 Fri 10:00', 'w6 Thu 09:30'),
    date(FALLS, 'Exam 1', 'event', 'ends', 'w6 Fri 10:50', 'w6 Thu 10:45'),
    date(FALLS, 'Exam 2', 'event', 'starts', 'w11 Mon 10:00', 'w11 Tue 09:30'),
    date(FALLS, 'Exam 2', 'event', 'ends', 'w11 Mon 10:50', 'w11 Tue 10:45'),
    date(FALLS, 'Final exam', 'event', 'starts', 'w16 Wed 13:00', 'w16 Wed 13:00'),
    date(FALLS, 'Final exam', 'event', 'ends', 'w16 Wed 15:00', 'w16 Wed 15:00'),
    date(FALLS, 'Research report', 'assignment', 'due', 'w13 Fri 17:00', 'w13 Fri 17:00'),
    date(FALLS, 'Welcome to organic chemistry', 'announcement', 'posts', '2025-08-21 09:00', '2026-08-20 09:00'),
  ],
};

/** A film seminar: one long evening becomes two afternoons. */
const SPRINGS: Weeks = {
  old: mondays(
    2025,
    '13 Jan, 20 Jan, 27 Jan, 3 Feb, 10 Feb, 17 Feb, 24 Feb, 3 Mar, 10 Mar, 24 Mar, 31 Mar, 7 Apr, 14 Apr, 21 Apr, 28 Apr, 5 May',
  ),
  new: mondays(
    2026,
    '19 Jan, 26 Jan, 2 Feb, 9 Feb, 16 Feb, 23 Feb, 2 Mar, 9 Mar, 16 Mar, 30 Mar, 6 Apr, 13 Apr, 20 Apr, 27 Apr, 4 May, 11 May',
  ),
};
const SPRING_2025 = {
  firstDay: '2025-01-13',
  lastDay: '2025-05-09',
  timeZone: ZONE,
  closures: [
    { from: '2025-01-20', to: '2025-01-20', label: 'King Day', kind: 'holiday' as const },
    { from: '2025-03-17', to: '2025-03-23', label: 'Spring break', kind: 'break' as const },
    { from: '2025-05-05', to: '2025-05-09', label: 'Exams', kind: 'exams' as const },
  ],
};
const SPRING_2026 = {
  firstDay: '2026-01-20',
  lastDay: '2026-05-15',
  timeZone: ZONE,
  closures: [
    { from: '2026-03-23', to: '2026-03-29', label: 'Spring break', kind: 'break' as const },
    { from: '2026-04-03', to: '2026-04-03', label: 'Spring holiday', kind: 'holiday' as const },
    { from: '2026-05-11', to: '2026-05-15', label: 'Exams', kind: 'exams' as const },
  ],
};
const onceToTwice: CarefulPair = {
  name: 'once a week to twice',
  source: { calendar: SPRING_2025, meetings: at([3], '18:00', '20:50') },
  destination: { calendar: SPRING_2026, meetings: at([1, 3], '16:30', '17:45') },
  // Friday 3 April is a holiday; the break's Sunday.
  causes: 2,
  dates: [
    ...weekly(SPRINGS, 'Response paper #', 'assignment', 'due', '2-14', 'Wed 18:00', 'Wed 16:30'),
    ...weekly(SPRINGS, 'Film journal #', 'assignment', 'due', '1-9, 11-13', 'Fri 23:59', 'Fri 23:59'),
    date(
      SPRINGS,
      'Film journal 13',
      'assignment',
      'due',
      'w10 Fri 23:59',
      'w10 Thu 23:59 | w10 Sat 23:59 | w11 Mon 23:59?',
    ),
    ...weekly(SPRINGS, 'Comments on journals #', 'discussion', 'due', '2, 4, 6, 8, 12', 'Sun 20:00', 'Sun 20:00'),
    date(SPRINGS, 'Storyboard draft', 'assignment', 'due', 'w7 Wed 20:50', 'w7 Wed 17:45'),
    date(SPRINGS, 'Storyboard', 'assignment', 'opens', 'w8 Wed 20:50', 'w8 Wed 17:45'),
    date(SPRINGS, 'Storyboard', 'assignment', 'due', 'w9 Wed 18:00', 'w9 Wed 16:30'),
    date(SPRINGS, 'Guest: a sound editor', 'event', 'starts', 'w5 Wed 19:00', 'w5 Wed 17:30'),
    date(SPRINGS, 'Guest: a sound editor', 'event', 'ends', 'w5 Wed 20:50', 'w5 Wed 17:45'),
    date(SPRINGS, 'Viewing list over the break', 'assignment', 'due', '2025-03-23 23:59', '2026-03-29 23:59?'),
    date(SPRINGS, 'Take-home exam', 'quiz', 'opens', 'w16 Mon 09:00', 'w16 Mon 09:00'),
    date(SPRINGS, 'Take-home exam', 'quiz', 'due', 'w16 Thu 17:00', 'w16 Thu 17:00'),
  ],
};

/** Statistics: two afternoons become one evening. */
const twiceToOnce: CarefulPair = {
  name: 'twice a week to once',
  source: { calendar: FALL_2025, meetings: at([2, 4], '13:00', '14:15') },
  destination: { calendar: FALL_2026, meetings: at([1], '18:00', '20:45') },
  // Labor Day and Fall break take a class each.
  causes: 2,
  dates: [
    ...weekly(FALLS, 'Warm-up quiz #', 'quiz', 'due', '2-7, 9-13', 'Tue 13:00', 'Mon 18:00', {
      3: 'w4 Mon 18:00 | w3 Tue 18:00?',
    }),
    ...weekly(FALLS, 'Homework #', 'assignment', 'due', '2-7, 9-13', 'Thu 13:00', 'Mon 18:00', {
      ...Object.fromEntries([2, 4, 5, 6, 9, 10, 11, 12].map((week) => [week, `w${week}-${week + 1} Mon 18:00`])),
      3: 'w3-4 Mon 18:00?',
      7: 'w7 Mon 18:00 | w9 Mon 18:00',
      13: 'w13-14 Mon 18:00',
    }),
    date(FALLS, 'Homework 12', 'assignment', 'due', 'w8 Thu 13:00', 'w7 Mon 18:00 | w9 Mon 18:00?'),
    ...weekly(FALLS, 'Data diary #', 'assignment', 'due', '2, 4, 6, 10, 12', 'Sun 23:59', 'Sun 23:59'),
    date(FALLS, 'Project proposal', 'assignment', 'due', 'w9 Fri 17:00', 'w9 Fri 17:00'),
    date(FALLS, 'Project', 'assignment', 'due', 'w15 Fri 17:00', 'w15 Fri 17:00'),
    date(FALLS, 'Project', 'assignment', 'late', 'w15 Sun 17:00', 'w15 Sun 17:00'),
    date(FALLS, 'Office hour before the midterm', 'event', 'starts', 'w6 Wed 15:00', 'w6 Wed 15:00'),
    date(FALLS, 'Office hour before the midterm', 'event', 'ends', 'w6 Wed 16:00', 'w6 Wed 16:00'),
    date(FALLS, 'Midterm', 'quiz', 'opens', 'w7 Thu 13:00', 'w7 Mon 18:00'),
    date(FALLS, 'Midterm', 'quiz', 'due', 'w7 Thu 14:15', 'w7 Mon 20:45'),
  ],
};

/** Geology: a lecture every week, labs every second; the labs change their weeks. */
const ODD = [1, 3, 5, 7, 9, 11, 13];
const EVEN = [2, 4, 6, 8, 10, 12, 14];
const alternateLabs: CarefulPair = {
  name: 'labs in alternate weeks',
  source: {
    calendar: FALL_2025,
    meetings: [...at([1, 3], '09:00', '09:50'), ...at([4], '13:00', '15:50', 'lab', EVEN.slice(0, 6))],
  },
  destination: {
    calendar: FALL_2026,
    meetings: [...at([2, 4], '09:30', '10:20'), ...at([5], '14:00', '16:50', 'lab', ODD.slice(0, 6))],
  },
  causes: 0,
  dates: [
    ...[2, 4, 6, 8, 10, 12].flatMap((week, index) => {
      const [old, is] = [`w${week} Thu`, `w${week - 1} Fri`];
      const name = `Lab ${index + 1}`;
      return [
        date(FALLS, name, 'event', 'starts', `${old} 13:00`, `${is} 14:00`),
        date(FALLS, name, 'event', 'ends', `${old} 15:50`, `${is} 16:50`),
        date(FALLS, `${name} sheet`, 'assignment', 'due', `${old} 15:50`, `${is} 16:50`),
        date(FALLS, `Pre-lab quiz ${index + 1}`, 'quiz', 'due', `${old} 13:00`, `${is} 14:00`),
        date(FALLS, `${name} report`, 'assignment', 'due', `w${week + 1} Thu 13:00`, `w${week} Fri 14:00`),
      ];
    }),
    ...weekly(FALLS, 'Map question #', 'quiz', 'due', '3-7, 9-13', 'Mon 09:00', 'Tue 09:30'),
    ...weekly(FALLS, 'Rock of the week #', 'discussion', 'due', '2-6', 'Sun 22:00', 'Sun 22:00'),
    date(FALLS, 'Field notebook', 'assignment', 'due', 'w13 Fri 23:59', 'w13 Fri 23:59'),
  ],
};

/** Rhetoric: drafts, reviews and finals that hang on each other. */
const chains: CarefulPair = {
  name: 'draft and review chains',
  source: { calendar: SPRING_2025, meetings: at([2, 4], '11:00', '12:15') },
  destination: { calendar: SPRING_2026, meetings: at([1, 3], '14:00', '15:15') },
  // Monday of week 1 is before the term; the two classes of the holiday week are safe.
  causes: 1,
  dates: [
    ...[2, 5, 8, 12].flatMap((week, index) => {
      const name = `Essay ${index + 1}`;
      return [
        date(SPRINGS, name, 'assignment', 'opens', `w${week} Tue 12:15`, `w${week} Mon 15:15`),
        date(SPRINGS, name, 'assignment', 'part', `w${week} Thu 11:00`, `w${week} Wed 14:00`),
        date(SPRINGS, `Review of essay ${index + 1}`, 'discussion', 'due', `w${week} Sun 18:00`, `w${week} Sun 18:00`),
        date(SPRINGS, name, 'assignment', 'due', `w${week + 1} Thu 11:00`, `w${week + 1} Wed 14:00`),
        date(
          SPRINGS,
          name,
          'assignment',
          'late',
          `w${week + 1} Sat 11:00`,
          `w${week + 1} Fri 11:00 | w${week + 1} Sat 11:00`,
        ),
        date(SPRINGS, name, 'assignment', 'answers', `w${week + 2} Thu 11:00`, `w${week + 2} Wed 14:00`),
      ];
    }),
    ...weekly(SPRINGS, 'Commonplace book #', 'assignment', 'due', '2-9', 'Tue 11:00', 'Mon 14:00'),
    ...weekly(SPRINGS, 'Class notes #', 'page', 'opens', '2-6', 'Thu 12:15', 'Wed 15:15'),
    date(SPRINGS, 'Diagnostic paragraph', 'assignment', 'due', 'w1 Thu 23:59', 'w1 Wed 23:59'),
    date(SPRINGS, 'First-day survey', 'survey', 'due', 'w1 Tue 12:15', 'w1 Wed 15:15?'),
  ],
};

/** Accounting goes from the morning to the evening, with a lab beside the lecture. */
const morningToEvening: CarefulPair = {
  name: 'from morning to evening',
  source: {
    calendar: FALL_2025,
    meetings: [...at([2, 4], '09:00', '10:15'), ...at([5], '09:00', '10:50', 'computer lab')],
  },
  destination: {
    calendar: FALL_2026,
    meetings: [...at([2, 4], '18:00', '19:15'), ...at([3], '18:00', '19:50', 'computer lab')],
  },
  // Fall break takes the Tuesday of week 8.
  causes: 0,
  dates: [
    ...weekly(FALLS, 'Entry check #', 'quiz', 'due', '2-7, 9-14', 'Tue 09:00', 'Tue 18:00'),
    ...weekly(FALLS, 'Exit ticket #', 'quiz', 'due', '2-7, 9-13', 'Thu 10:15', 'Thu 19:15'),
    ...weekly(FALLS, 'Ledger #', 'assignment', 'due', '2-7, 9-13', 'Fri 10:50', 'Wed 19:50'),
    ...weekly(FALLS, 'Reading #', 'page', 'opens', '2-6', 'Thu 10:15', 'Thu 19:15'),
    ...weekly(FALLS, 'Practice set #', 'assignment', 'due', '3, 5, 7, 9, 11', 'Thu 23:59', 'Thu 23:59'),
    date(FALLS, 'Audit case', 'assignment', 'due', 'w12 Mon 08:00', 'w12 Mon 08:00'),
    date(FALLS, 'Final exam', 'event', 'starts', 'w16 Thu 08:00', 'w16 Thu 08:00'),
    date(FALLS, 'Final exam', 'event', 'ends', 'w16 Thu 10:00', 'w16 Thu 10:00'),
  ],
};

export const SEMESTERS: readonly CarefulPair[] = [
  threeToTwo,
  onceToTwice,
  twiceToOnce,
  alternateLabs,
  chains,
  morningToEvening,
];

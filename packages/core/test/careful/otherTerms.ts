import { at, date, mondays, weekly, type CarefulPair, type Weeks } from './carefulPair.js';

/** A Sunday-to-Thursday week: hydraulics, Sun Tue to Mon Wed. */
const GULF: Weeks = {
  // Mondays; the Sunday before each belongs to the same week.
  old: mondays(
    2025,
    '1 Sep, 8 Sep, 15 Sep, 22 Sep, 29 Sep, 6 Oct, 13 Oct, 20 Oct, 27 Oct, 3 Nov, 10 Nov, 17 Nov, 24 Nov, 1 Dec, 8 Dec, 15 Dec',
  ),
  new: mondays(
    2026,
    '31 Aug, 7 Sep, 14 Sep, 21 Sep, 28 Sep, 5 Oct, 12 Oct, 19 Oct, 26 Oct, 2 Nov, 9 Nov, 16 Nov, 23 Nov, 30 Nov, 7 Dec, 14 Dec',
  ),
};
/** The Sunday that begins a week is the day before its Monday: it is written as Sunday of the week before. */
const sundays = (list: string): string =>
  list
    .split(', ')
    .map((week) => `${Number(week) - 1}`)
    .join(', ');
const sundayToThursday: CarefulPair = {
  name: 'Sunday-to-Thursday weeks',
  source: {
    calendar: {
      firstDay: '2025-08-31',
      lastDay: '2025-12-18',
      timeZone: 'Asia/Muscat',
      weekStartsOn: 7,
      closures: [
        { from: '2025-11-20', to: '2025-11-20', label: 'National Day', kind: 'holiday' },
        { from: '2025-12-14', to: '2025-12-18', label: 'Exams', kind: 'exams' },
      ],
    },
    meetings: at([7, 2], '08:00', '09:15'),
  },
  destination: {
    calendar: {
      firstDay: '2026-08-30',
      lastDay: '2026-12-17',
      timeZone: 'Asia/Muscat',
      weekStartsOn: 7,
      closures: [
        { from: '2026-11-18', to: '2026-11-18', label: 'National Day', kind: 'holiday' },
        { from: '2026-12-13', to: '2026-12-17', label: 'Exams', kind: 'exams' },
      ],
    },
    meetings: at([1, 3], '11:00', '12:15'),
  },
  // National Day takes the Wednesday of week 12.
  causes: 1,
  dates: [
    ...weekly(GULF, 'Concept check #', 'quiz', 'due', sundays('3, 4, 5, 6, 7, 8, 9, 10, 11'), 'Sun 08:00', '', {
      ...Object.fromEntries([2, 3, 4, 5, 6, 7, 8, 9, 10].map((week) => [week, `w${week + 1} Mon 11:00`])),
    }),
    ...weekly(GULF, 'Pipe problem #', 'assignment', 'due', '2-11', 'Tue 08:00', 'Wed 11:00'),
    date(GULF, 'Pipe problem 11', 'assignment', 'due', 'w12 Tue 08:00', 'w13 Mon 11:00 | w12 Mon 11:00?'),
    ...weekly(GULF, 'Lab book #', 'assignment', 'due', '2, 4, 6, 8, 10', 'Thu 23:59', 'Thu 23:59'),
    ...weekly(GULF, 'Video for next week #', 'page', 'opens', '2, 4, 6', 'Thu 12:00', 'Thu 12:00'),
    date(GULF, 'Design task', 'assignment', 'due', 'w13 Thu 14:00', 'w13 Thu 14:00'),
    date(GULF, 'Midterm', 'event', 'starts', 'w8 Tue 08:00', 'w8 Wed 11:00'),
    date(GULF, 'Midterm', 'event', 'ends', 'w8 Tue 09:15', 'w8 Wed 12:15'),
    date(GULF, 'Final exam', 'event', 'starts', 'w16 Tue 09:00', 'w16 Tue 09:00'),
    date(GULF, 'Final exam', 'event', 'ends', 'w16 Tue 11:00', 'w16 Tue 11:00'),
  ],
};

/** Quarters of ten weeks: microeconomics with a discussion section. */
const QUARTERS: Weeks = {
  old: mondays(2026, '5 Jan, 12 Jan, 19 Jan, 26 Jan, 2 Feb, 9 Feb, 16 Feb, 23 Feb, 2 Mar, 9 Mar, 16 Mar'),
  new: mondays(2026, '30 Mar, 6 Apr, 13 Apr, 20 Apr, 27 Apr, 4 May, 11 May, 18 May, 25 May, 1 Jun, 8 Jun'),
};
const quarters: CarefulPair = {
  name: 'quarters',
  source: {
    calendar: {
      firstDay: '2026-01-05',
      lastDay: '2026-03-20',
      timeZone: 'America/Los_Angeles',
      closures: [
        { from: '2026-01-19', to: '2026-01-19', label: 'King Day', kind: 'holiday' },
        { from: '2026-02-16', to: '2026-02-16', label: "Presidents' Day", kind: 'holiday' },
        { from: '2026-03-16', to: '2026-03-20', label: 'Finals', kind: 'exams' },
      ],
    },
    meetings: [...at([2, 4], '14:00', '15:20'), ...at([5], '10:00', '10:50', 'section')],
  },
  destination: {
    calendar: {
      firstDay: '2026-03-30',
      lastDay: '2026-06-12',
      timeZone: 'America/Los_Angeles',
      closures: [
        { from: '2026-05-25', to: '2026-05-25', label: 'Memorial Day', kind: 'holiday' },
        { from: '2026-06-08', to: '2026-06-12', label: 'Finals', kind: 'exams' },
      ],
    },
    meetings: [...at([1, 3], '12:30', '13:50'), ...at([4], '11:00', '11:50', 'section')],
  },
  // Memorial Day takes the class of Monday of week 9, and a Monday evening.
  causes: 1,
  dates: [
    ...weekly(QUARTERS, 'Graph drill #', 'quiz', 'due', '2-10', 'Tue 14:00', 'Mon 12:30', {
      9: 'w9 Wed 12:30 | w8 Wed 12:30?',
    }),
    ...weekly(QUARTERS, 'Section worksheet #', 'assignment', 'due', '2-10', 'Fri 10:50', 'Thu 11:50'),
    ...weekly(QUARTERS, 'Problem set #', 'assignment', 'due', '2, 4, 6, 8, 10', 'Thu 14:00', 'Wed 12:30'),
    ...weekly(QUARTERS, 'Market diary #', 'discussion', 'due', '1-5', 'Sun 23:00', 'Sun 23:00'),
    date(QUARTERS, 'Midterm', 'event', 'starts', 'w5 Thu 14:00', 'w5 Wed 12:30'),
    date(QUARTERS, 'Midterm', 'event', 'ends', 'w5 Thu 15:20', 'w5 Wed 13:50'),
    date(QUARTERS, 'Policy memo', 'assignment', 'due', 'w9 Mon 20:00', 'w9 Tue 20:00 | w8 Fri 20:00?'),
    date(QUARTERS, 'Policy memo', 'assignment', 'late', 'w9 Wed 20:00', 'w9 Thu 20:00 | w9 Wed 20:00'),
    date(QUARTERS, 'Final', 'event', 'starts', 'w11 Thu 15:00', 'w11 Thu 15:00'),
    date(QUARTERS, 'Final', 'event', 'ends', 'w11 Thu 18:00', 'w11 Thu 18:00'),
  ],
};

/** Fifteen weeks of drawing become eight summer weeks. */
const LONG: Weeks['old'] = mondays(
  2026,
  '12 Jan, 19 Jan, 26 Jan, 2 Feb, 9 Feb, 16 Feb, 23 Feb, 2 Mar, 16 Mar, 23 Mar, 30 Mar, 6 Apr, 13 Apr, 20 Apr, 27 Apr',
);
const SUMMER: Weeks['new'] = mondays(2026, '1 Jun, 8 Jun, 15 Jun, 22 Jun, 29 Jun, 6 Jul, 13 Jul, 20 Jul');
const SHORTER: Weeks = { old: LONG, new: SUMMER };
const longToShort: CarefulPair = {
  name: '15 weeks into 8',
  source: {
    calendar: {
      firstDay: '2026-01-12',
      lastDay: '2026-05-01',
      timeZone: 'America/New_York',
      closures: [{ from: '2026-03-09', to: '2026-03-15', label: 'Spring break', kind: 'break' }],
    },
    meetings: at([2, 4], '09:30', '12:00'),
  },
  destination: {
    calendar: {
      firstDay: '2026-06-01',
      lastDay: '2026-07-24',
      timeZone: 'America/New_York',
      closures: [{ from: '2026-07-03', to: '2026-07-03', label: 'Independence Day', kind: 'holiday' }],
    },
    meetings: at([1, 2, 3, 4], '10:00', '12:15'),
  },
  causes: 1,
  dates: [
    // Thirty classes become 32, so that each goes to one very near its share.
    ...[
      [1, '1 Mon/Tue/Wed'],
      [2, '1-2 Mon/Tue/Wed/Thu'],
      [3, '1-2 Mon/Tue/Wed/Thu'],
      [4, '2-3 Mon/Tue/Wed/Thu'],
      [5, '2-3 Mon/Tue/Wed/Thu'],
      [6, '3 Mon/Tue/Wed/Thu'],
      [7, '3-4 Mon/Tue/Wed/Thu'],
      [8, '4 Mon/Tue/Wed/Thu'],
      [9, '4-5 Mon/Tue/Wed/Thu'],
      [10, '5 Mon/Tue/Wed/Thu'],
      [11, '5-6 Mon/Tue/Wed/Thu'],
      [12, '6-7 Mon/Tue/Wed/Thu'],
      [13, '7 Mon/Tue/Wed/Thu'],
      [14, '7-8 Mon/Tue/Wed/Thu'],
      [15, '8 Mon/Tue/Wed/Thu'],
    ].flatMap(([week, window]) => [
      date(SHORTER, `Sketch ${week}`, 'assignment', 'due', `w${week} Tue 09:30`, `w${window} 10:00`),
      date(
        SHORTER,
        `Critique ${week}`,
        'event',
        'starts',
        `w${week} Thu 09:30`,
        `w${window} 10:00 | w${Math.ceil((Number(week) * 8) / 15)} Mon/Tue/Wed/Thu 10:00`,
      ),
      date(
        SHORTER,
        `Critique ${week}`,
        'event',
        'ends',
        `w${week} Thu 12:00`,
        `w${window} 12:15 | w${Math.ceil((Number(week) * 8) / 15)} Mon/Tue/Wed/Thu 12:15`,
      ),
    ]),
    date(SHORTER, 'Portfolio', 'assignment', 'due', 'w15 Fri 17:00', 'w8 Fri 17:00'),
    date(SHORTER, 'Midterm portfolio', 'assignment', 'due', 'w8 Fri 17:00', 'w4-5 Mon/Tue/Wed/Thu/Fri 17:00'),
    date(SHORTER, 'Museum notes', 'assignment', 'due', 'w4 Sun 23:59', 'w2-3 Mon/Tue/Wed/Thu/Fri/Sat/Sun 23:59'),
    date(SHORTER, 'Museum notes 2', 'assignment', 'due', 'w11 Sun 23:59', 'w5-6 Mon/Tue/Wed/Thu/Fri/Sat/Sun 23:59'),
    date(SHORTER, 'Materials list', 'announcement', 'posts', '2026-01-08 09:00', '2026-05-28 09:00'),
  ],
};

/** Six intensive weeks of a language become fifteen. */
const INTENSIVE: Weeks = {
  old: mondays(2026, '29 Jun, 6 Jul, 13 Jul, 20 Jul, 27 Jul, 3 Aug'),
  new: mondays(
    2026,
    '24 Aug, 31 Aug, 7 Sep, 14 Sep, 21 Sep, 28 Sep, 5 Oct, 12 Oct, 19 Oct, 26 Oct, 2 Nov, 9 Nov, 16 Nov, 23 Nov, 30 Nov',
  ),
};
const shortToLong: CarefulPair = {
  name: '6 weeks into 15',
  source: {
    calendar: { firstDay: '2026-06-29', lastDay: '2026-08-07', timeZone: 'America/Denver' },
    meetings: at([1, 2, 3, 4, 5], '09:00', '11:00'),
  },
  destination: {
    calendar: {
      firstDay: '2026-08-24',
      lastDay: '2026-12-04',
      timeZone: 'America/Denver',
      closures: [
        { from: '2026-09-07', to: '2026-09-07', label: 'Labor Day', kind: 'holiday' },
        { from: '2026-11-25', to: '2026-11-29', label: 'Thanksgiving', kind: 'break' },
      ],
    },
    meetings: at([2, 4], '13:00', '14:15'),
  },
  causes: 0,
  dates: [
    ...[
      [1, '1-3', '2-3'],
      [2, '3-5', '5'],
      [3, '6-8', '7-8'],
      [4, '8-10', '9-10'],
      [5, '11-13', '12-13'],
      [6, '13-15', '14-15'],
    ].flatMap(([week, middle, end]) => [
      date(INTENSIVE, `Vocabulary ${week}a`, 'quiz', 'due', `w${week} Tue 09:00`, `w${middle} Tue/Thu 13:00`),
      date(INTENSIVE, `Vocabulary ${week}b`, 'quiz', 'due', `w${week} Thu 09:00`, `w${middle} Tue/Thu 13:00`),
      date(
        INTENSIVE,
        `Dialogue ${week}`,
        'assignment',
        'due',
        `w${week} Wed 23:59`,
        `w${middle} Mon/Tue/Wed/Thu/Fri 23:59`,
      ),
      date(INTENSIVE, `Week test ${week}`, 'quiz', 'due', `w${week} Fri 11:00`, `w${end} Tue/Thu 14:15`),
      date(
        INTENSIVE,
        `Recording ${week}`,
        'assignment',
        'due',
        `w${week} Fri 17:00`,
        `w${end} Mon/Tue/Wed/Thu/Fri 17:00`,
      ),
    ]),
  ],
};

/** A term with a reading week: philosophy, a lecture and a seminar. */
const READING: Weeks = {
  old: mondays(2025, '29 Sep, 6 Oct, 13 Oct, 20 Oct, 27 Oct, 10 Nov, 17 Nov, 24 Nov, 1 Dec, 8 Dec'),
  new: mondays(2026, '28 Sep, 5 Oct, 12 Oct, 19 Oct, 2 Nov, 9 Nov, 16 Nov, 23 Nov, 30 Nov, 7 Dec'),
};
const readingWeeks: CarefulPair = {
  name: 'reading weeks',
  source: {
    calendar: {
      firstDay: '2025-09-29',
      lastDay: '2025-12-12',
      timeZone: 'Europe/London',
      closures: [{ from: '2025-11-03', to: '2025-11-07', label: 'Reading week', kind: 'reading' }],
    },
    meetings: [...at([2], '11:00', '12:50', 'lecture'), ...at([4], '14:00', '14:50', 'seminar')],
  },
  destination: {
    calendar: {
      firstDay: '2026-09-28',
      lastDay: '2026-12-11',
      timeZone: 'Europe/London',
      closures: [{ from: '2026-10-26', to: '2026-10-30', label: 'Reading week', kind: 'reading' }],
    },
    meetings: [...at([1], '10:00', '11:50', 'lecture'), ...at([3], '15:00', '15:50', 'seminar')],
  },
  // What was handed in during the reading week.
  causes: 1,
  dates: [
    ...weekly(READING, 'Reading questions #', 'quiz', 'due', '2-10', 'Tue 11:00', 'Mon 10:00'),
    ...weekly(READING, 'Seminar note #', 'assignment', 'due', '2-10', 'Thu 14:00', 'Wed 15:00'),
    ...weekly(READING, 'Forum post #', 'discussion', 'due', '1, 3, 5, 7, 9', 'Fri 17:00', 'Fri 17:00'),
    ...weekly(READING, 'Slides #', 'page', 'opens', '1-4', 'Tue 12:50', 'Mon 11:50'),
    date(READING, 'Essay plan', 'assignment', 'due', '2025-11-07 16:00', '2026-10-30 16:00?'),
    date(READING, 'Essay', 'assignment', 'due', 'w8 Fri 12:00', 'w8 Fri 12:00'),
    date(READING, 'Essay', 'assignment', 'answers', 'w10 Fri 12:00', 'w10 Fri 12:00'),
    date(READING, 'Library tour', 'event', 'starts', 'w1 Wed 10:00', 'w1 Wed 10:00'),
    date(READING, 'Library tour', 'event', 'ends', 'w1 Wed 11:00', 'w1 Wed 11:00'),
  ],
};

/** A term that begins on a Wednesday, with one week more after it. */
const MIDWEEK: Weeks = {
  old: mondays(
    2025,
    '1 Sep, 8 Sep, 15 Sep, 22 Sep, 29 Sep, 6 Oct, 13 Oct, 20 Oct, 27 Oct, 3 Nov, 10 Nov, 17 Nov, 24 Nov, 1 Dec, 8 Dec',
  ),
  new: mondays(
    2026,
    '31 Aug, 7 Sep, 14 Sep, 21 Sep, 28 Sep, 5 Oct, 12 Oct, 19 Oct, 26 Oct, 2 Nov, 9 Nov, 16 Nov, 23 Nov, 30 Nov, 7 Dec, 14 Dec',
  ),
};
const fromWednesday: CarefulPair = {
  name: 'from a Wednesday, one week longer',
  source: {
    calendar: {
      firstDay: '2025-09-03',
      lastDay: '2025-12-12',
      timeZone: 'America/Toronto',
      closures: [
        { from: '2025-10-13', to: '2025-10-13', label: 'Thanksgiving', kind: 'holiday' },
        { from: '2025-12-08', to: '2025-12-12', label: 'Exams', kind: 'exams' },
      ],
    },
    meetings: at([1, 3], '08:30', '09:50'),
  },
  destination: {
    calendar: {
      firstDay: '2026-09-02',
      lastDay: '2026-12-18',
      timeZone: 'America/Toronto',
      closures: [
        { from: '2026-09-07', to: '2026-09-07', label: 'Labour Day', kind: 'holiday' },
        { from: '2026-10-12', to: '2026-10-12', label: 'Thanksgiving', kind: 'holiday' },
        { from: '2026-12-14', to: '2026-12-18', label: 'Exams', kind: 'exams' },
      ],
    },
    meetings: at([1, 3], '08:30', '09:50'),
  },
  // Labour Day takes the class of Monday of week 2.
  causes: 1,
  dates: [
    ...weekly(MIDWEEK, 'Prep #', 'quiz', 'due', '3-6, 8-13', 'Mon 08:30', 'Mon 08:30'),
    date(MIDWEEK, 'Prep 0', 'quiz', 'due', 'w2 Mon 08:30', 'w2 Wed 08:30?'),
    ...weekly(MIDWEEK, 'Workshop note #', 'assignment', 'due', '2-13', 'Wed 09:50', 'Wed 09:50'),
    ...weekly(MIDWEEK, 'Weekly log #', 'assignment', 'due', '1-5', 'Sun 23:59', 'Sun 23:59'),
    date(MIDWEEK, 'Syllabus quiz', 'quiz', 'due', 'w1 Fri 23:59', 'w1 Fri 23:59'),
    date(MIDWEEK, 'Welcome', 'announcement', 'posts', 'w1 Mon 09:00', 'w1 Mon 09:00'),
    date(MIDWEEK, 'Term paper', 'assignment', 'due', 'w14 Fri 17:00', 'w15 Fri 17:00'),
    date(MIDWEEK, 'Presentations', 'event', 'starts', 'w14 Wed 08:30', 'w15 Wed 08:30'),
    date(MIDWEEK, 'Presentations', 'event', 'ends', 'w14 Wed 09:50', 'w15 Wed 09:50'),
    date(MIDWEEK, 'Final exam', 'event', 'starts', 'w15 Thu 09:00', 'w16 Thu 09:00'),
    date(MIDWEEK, 'Final exam', 'event', 'ends', 'w15 Thu 12:00', 'w16 Thu 12:00'),
  ],
};

export const OTHER_TERMS: readonly CarefulPair[] = [
  sundayToThursday,
  quarters,
  longToShort,
  shortToLong,
  readingWeeks,
  fromWednesday,
];

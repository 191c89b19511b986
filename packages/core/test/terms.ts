import type { RetimeJob, RetimeMoment, TermSide } from '../src/schemas/retimeJob.js';

/** Spring 2026 at Marrowbrook: class Mon Wed 10:00–11:15. */
export const SPRING_2026: TermSide = {
  calendar: {
    name: 'Spring 2026',
    firstDay: '2026-01-12',
    lastDay: '2026-05-08',
    timeZone: 'America/Chicago',
    closures: [
      { from: '2026-01-19', to: '2026-01-19', label: 'Founders Day', kind: 'holiday' },
      { from: '2026-03-09', to: '2026-03-15', label: 'Spring break', kind: 'break' },
      { from: '2026-05-04', to: '2026-05-08', label: 'Exams', kind: 'exams' },
    ],
  },
  meetings: [
    { weekday: 1, start: '10:00', end: '11:15' },
    { weekday: 3, start: '10:00', end: '11:15' },
  ],
};

/** Spring 2027 at Marrowbrook: class Tue Thu 14:00–15:15. */
export const SPRING_2027: TermSide = {
  calendar: {
    name: 'Spring 2027',
    firstDay: '2027-01-11',
    lastDay: '2027-05-07',
    timeZone: 'America/Chicago',
    closures: [
      { from: '2027-01-18', to: '2027-01-18', label: 'Founders Day', kind: 'holiday' },
      { from: '2027-02-18', to: '2027-02-18', label: 'Charter Day', kind: 'holiday' },
      { from: '2027-03-15', to: '2027-03-21', label: 'Spring break', kind: 'break' },
      { from: '2027-05-03', to: '2027-05-07', label: 'Exams', kind: 'exams' },
    ],
  },
  meetings: [
    { weekday: 2, start: '14:00', end: '15:15' },
    { weekday: 4, start: '14:00', end: '15:15' },
  ],
};

/** The job of the worked example: rule `week`, Mon→Tue, Wed→Thu. */
export const aJob = (moments: RetimeMoment[], job: Partial<RetimeJob> = {}): RetimeJob => ({
  source: SPRING_2026,
  destination: SPRING_2027,
  policy: { rule: 'week', weekdays: { 1: 2, 3: 4 } },
  moments,
  ...job,
});

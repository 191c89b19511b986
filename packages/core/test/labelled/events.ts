import type { Item } from '../../src/schemas/course.js';
import { item, newShell, oldCourse } from '../builders.js';
import type { LabelledCourse } from './labelled.js';

const event = (id: string, title: string, starts: string, ends: string): Item =>
  item('event', id, {
    title,
    moments: [
      { id: `${id}-starts`, role: 'starts', at: starts },
      { id: `${id}-ends`, role: 'ends', at: ends },
    ],
  });
const due = (id: string, at: string): Item =>
  item('assignment', id, { body: `<p>${id}</p>`, moments: [{ id: `${id}-due`, role: 'due', at }] });

// Class meets Mon and Wed 10:00–11:15; holiday 19 Jan, break 9–15 Mar, exams 4–8 May.
const ONE_OFF: readonly Item[] = [
  event('saturday', 'Trip to the dam', '2026-04-18T08:00', '2026-04-18T16:00'),
  event('evening', 'Film night', '2026-02-05T19:00', '2026-02-05T21:00'),
  event('runs-over', 'Double class', '2026-02-09T10:00', '2026-02-09T12:00'),
  event('begins-early', 'Early set-up', '2026-02-11T09:45', '2026-02-11T11:15'),
  event('other-day', 'Guest on a Tuesday', '2026-02-10T10:00', '2026-02-10T11:15'),
  event('on-holiday', 'Bench on Founders Day', '2026-01-19T10:00', '2026-01-19T11:15'),
  event('in-break', 'Open bench', '2026-03-11T10:00', '2026-03-11T11:15'),
  event('twice-a', 'Boat check', '2026-02-03T13:00', '2026-02-03T14:00'),
  event('twice-b', 'Boat check', '2026-02-10T13:00', '2026-02-10T14:00'),
  event('same-week-a', 'Map day', '2026-02-17T13:00', '2026-02-17T14:00'),
  event('same-week-b', 'Map day', '2026-02-19T13:00', '2026-02-19T14:00'),
  event('same-week-c', 'Map day', '2026-02-20T13:00', '2026-02-20T14:00'),
  event('long', 'Camp', '2026-03-27T12:00', '2026-03-29T12:00'),
  event('break-named', 'Spring break', '2026-03-09T00:00', '2026-03-15T23:59'),
  event('break-said', 'Spring break: no classes', '2026-03-09T00:00', '2026-03-13T23:59'),
  event('holiday-named', 'Founders Day (college closed)', '2026-01-19T00:00', '2026-01-19T23:59'),
  event('no-class', 'No class', '2026-01-19T10:00', '2026-01-19T11:15'),
  event('due-just-after', 'Deposit', '2026-02-06T12:00', '2026-02-06T13:00'),
  event('due-just-before', 'Collection', '2026-02-13T13:00', '2026-02-13T14:00'),
];
const OF_THE_COURSE: readonly Item[] = [
  event('exam-morning', 'Walk after the exam', '2026-05-06T12:00', '2026-05-06T13:00'),
  event('class', 'Riffles and pools', '2026-02-02T10:00', '2026-02-02T11:15'),
  event('within', 'Guest in class', '2026-02-04T10:15', '2026-02-04T11:00'),
  event('quiz-sitting', 'Sitting of the test', '2026-02-26T18:00', '2026-02-26T20:00'),
  event('sitting-ends', 'Sitting, to its end', '2026-03-05T18:00', '2026-03-05T20:00'),
  event('sitting-starts', 'Sitting, from its start', '2026-03-19T18:00', '2026-03-19T20:00'),
  event('exam', 'Exam', '2026-05-06T09:00', '2026-05-06T11:00'),
  event('hours-1', 'Bench hours', '2026-01-20T09:00', '2026-01-20T10:00'),
  event('hours-2', 'Bench hours', '2026-01-27T09:00', '2026-01-27T10:00'),
  event('hours-3', 'Bench hours', '2026-02-03T09:00', '2026-02-03T10:00'),
  event('seminar-1', 'Evening seminar', '2026-01-22T18:00', '2026-01-22T19:00'),
  event('seminar-2', 'Evening Seminar', '2026-02-19T18:00', '2026-02-19T19:00'),
  event('seminar-3', 'evening seminar', '2026-03-26T18:00', '2026-03-26T19:00'),
  item('event', 'many-in-one', {
    title: 'Night walks',
    moments: ['2026-01-23', '2026-02-20', '2026-03-27'].map((day) => ({
      id: `walk-${day}`,
      role: 'starts' as const,
      at: `${day}T20:00`,
    })),
  }),
  event('break-trip', 'Spring break reading party', '2026-03-12T18:00', '2026-03-12T20:00'),
];
const DUES: readonly Item[] = [
  due('test', '2026-02-26T19:00'),
  due('test-2', '2026-03-05T20:00'),
  due('test-3', '2026-03-19T18:00'),
  due('exam-paper', '2026-05-06T11:00'),
  due('after', '2026-02-06T13:01'),
  due('before', '2026-02-13T12:59'),
  due('party', '2026-03-12T19:00'),
];

export const EVENTS: readonly LabelledCourse[] = [
  {
    name: 'events in and out of class',
    source: oldCourse(...ONE_OFF, ...OF_THE_COURSE, ...DUES),
    shell: newShell(),
    expected: { oneOffEvent: ONE_OFF.map(({ id }) => id) },
  },
];

import type { RetimeJob } from '../../src/schemas/retimeJob.js';

/** Jobs on which the code once said something else than the rules. */
export const COUNTEREXAMPLES: readonly RetimeJob[] = [
  // An `ends` whose `starts` was set by hand comes to a holiday; where its own rule would have landed says nothing of it.
  {
    source: {
      calendar: {
        firstDay: '2025-09-01',
        lastDay: '2025-09-24',
        timeZone: 'America/Chicago',
        closures: [{ from: '2025-09-24', to: '2025-09-24', kind: 'exams' }],
      },
      meetings: [{ weekday: 1, start: '09:00', end: '10:00', weeks: [3, 1] }],
    },
    destination: {
      calendar: {
        firstDay: '2026-01-26',
        lastDay: '2026-02-18',
        timeZone: 'America/Chicago',
        closures: [{ from: '2026-02-10', to: '2026-02-10', kind: 'holiday', label: 'Founders Day' }],
      },
      meetings: [{ weekday: 2, start: '09:00', end: '10:00' }],
    },
    policy: { rule: 'nearest' },
    moments: [
      { id: 'm1', role: 'opens', at: '2025-09-16T09:00', graded: true },
      { id: 'm3', role: 'starts', at: '2025-10-07T09:00', item: 'c', graded: true },
      { id: 'm5', role: 'ends', at: '2025-09-15T10:00', item: 'c', graded: true },
    ],
    byHand: { m3: '2026-03-04T11:40' },
  },
];

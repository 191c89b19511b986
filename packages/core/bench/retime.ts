// 100,000 moments retimed in one call, beside a plain loop that only adds days with the language's own dates.
import { retime, type RetimeJob, type RetimeMoment, type Role } from '@yarin/core';

const COUNT = 100_000;
const ROUNDS = 9;
const ROLES: readonly Role[] = ['opens', 'due', 'late', 'answers', 'starts', 'ends', 'posts'];

const MS_PER_DAY = 86_400_000;
const FIRST = Date.UTC(2026, 0, 5);
const moments = Array.from({ length: COUNT }, (_, index): RetimeMoment => {
  const at = new Date(FIRST + (index % 130) * MS_PER_DAY + ((index * 37) % 1440) * 60_000);
  return {
    id: `m${index}`,
    item: `i${Math.floor(index / 3)}`,
    role: ROLES[index % ROLES.length]!,
    kind: index % 2 === 0 ? 'assignment' : 'event',
    graded: index % 4 === 0,
    at: at.toISOString().slice(0, 16),
  };
});
const calendar = (firstDay: string, lastDay: string, from: string, to: string) => ({
  firstDay,
  lastDay,
  timeZone: 'America/Chicago',
  closures: [{ from, to, kind: 'break' as const, label: 'Spring break' }],
});
const job = (policy: RetimeJob['policy']): RetimeJob => ({
  source: {
    calendar: calendar('2026-01-12', '2026-05-08', '2026-03-09', '2026-03-15'),
    meetings: [{ weekday: 1, start: '10:00', end: '11:15' }],
  },
  destination: {
    calendar: calendar('2027-01-11', '2027-05-07', '2027-03-15', '2027-03-21'),
    meetings: [{ weekday: 2, start: '14:00', end: '15:15' }],
  },
  policy: policy ?? {},
  moments,
});

interface Measured {
  /** Microseconds a moment in the first call, before the engine has compiled what runs often. */
  readonly first: number;
  readonly median: number;
}

function measure(run: () => unknown): Measured {
  const times = Array.from({ length: ROUNDS }, () => {
    const begun = performance.now();
    run();
    return ((performance.now() - begun) * 1000) / COUNT;
  });
  return { first: times[0]!, median: times.toSorted((a, b) => a - b)[Math.floor(ROUNDS / 2)]! };
}

const plain = measure(() =>
  moments.map(({ at }) => new Date(Date.parse(`${at}Z`) + 364 * MS_PER_DAY).toISOString().slice(0, 16)),
);
console.log(
  `plain loop that adds 364 days: ${plain.median.toFixed(2)} µs a moment; first call ${plain.first.toFixed(2)}`,
);
for (const rule of ['week', 'meeting', 'nearest', 'offset', 'stretch'] as const) {
  const { first, median } = measure(() => retime(job({ rule, weekdays: { 1: 2, 3: 4 } })));
  const times = (median / plain.median).toFixed(1);
  console.log(
    `retime, rule ${rule.padEnd(8)} ${median.toFixed(2)} µs a moment; limit 3; ${times} times the plain loop; first call ${first.toFixed(2)}`,
  );
}

import { describe, expect, it } from '@jest/globals';
import { retime } from '../../src/retime/retime.js';
import type { RetimeJob, RetimeMoment } from '../../src/schemas/retimeJob.js';
import { aJob, SPRING_2026, SPRING_2027 } from '../terms.js';

const rows: [string, string, string, string[]][] = [
  ['due Mon 12 Jan, week 1', '2026-01-12T23:59', '2027-01-12T23:59', []],
  ['due Wed 21 Jan at the start of class', '2026-01-21T10:00', '2027-01-21T14:00', []],
  [
    'due Wed 18 Feb, whose new day is a holiday: the nearest teaching day',
    '2026-02-18T23:59',
    '2027-02-19T23:59',
    ['closure'],
  ],
  ['due Wed 18 Feb within class: the next class', '2026-02-18T10:20', '2027-02-23T14:20', ['closure']],
  ['due Wed 4 Mar, week 8', '2026-03-04T23:59', '2027-03-04T23:59', []],
  ['due Sun 8 Mar, which is not in the map', '2026-03-08T23:59', '2027-03-07T23:59', []],
  ['due Sun 15 Mar, in the break', '2026-03-15T23:59', '2027-03-07T23:59', ['wasInBreak']],
  ['due Mon 16 Mar, week 9', '2026-03-16T23:59', '2027-03-09T23:59', []],
  ['due Fri 20 Mar, which is not in the map', '2026-03-20T23:59', '2027-03-12T23:59', []],
  ['due Mon 23 Mar, week 10', '2026-03-23T23:59', '2027-03-23T23:59', []],
];

const one = (moment: Omit<RetimeMoment, 'id'>, job: Partial<RetimeJob> = {}) => {
  const result = retime(aJob([{ id: 'm', ...moment }], job));
  if (!result.ok) throw new Error(JSON.stringify(result.problems));
  return result.value[0]!;
};

describe('from Spring 2026, Mon Wed, to Spring 2027, Tue Thu', () => {
  it.each(rows)('%s', (_name, at, to, flags) => {
    expect(one({ role: 'due', at })).toMatchObject({ to, flags });
  });

  it('what opens on the Sunday ahead of week 10 opens ahead of it, in the break, without a doubt', () => {
    expect(one({ role: 'opens', at: '2026-03-22T20:00' })).toMatchObject({ to: '2027-03-21T20:00', flags: [] });
  });

  it('an exam event stays on its exam day, and the class-day map does not apply', () => {
    expect(one({ role: 'starts', at: '2026-05-06T09:00' })).toMatchObject({ to: '2027-05-05T09:00', flags: [] });
  });

  it('what is posted the Thursday before week 1 is posted the Thursday before week 1', () => {
    expect(one({ role: 'posts', at: '2026-01-08T12:00' })).toMatchObject({ to: '2027-01-07T12:00', flags: [] });
  });

  it('gives all ten in one call, in the order they came in', () => {
    const moments = rows.map(([id, at]) => ({ id, role: 'due' as const, at }));
    const result = retime({ ...aJob(moments), source: SPRING_2026, destination: SPRING_2027 });
    expect(result.ok && result.value.map(({ id }) => id)).toEqual(rows.map(([id]) => id));
  });
});

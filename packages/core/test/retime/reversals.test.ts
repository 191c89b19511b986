import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';
import type { DoubtfulMoment } from '../../src/retime/doubt.js';
import { indexReversals } from '../../src/retime/reversals.js';

const moment = (title: string, role: DoubtfulMoment['role'], from: number, to: number | null): DoubtfulMoment => ({
  id: title,
  title,
  kind: 'assignment',
  role,
  from: `2026-02-0${from}T10:00`,
  to: to === null ? null : `2027-02-0${to}T10:00`,
  rule: 'week',
  steps: [],
  flags: [],
});

describe('what changed places', () => {
  const post = moment('Post', 'due', 3, 5);
  const answer = moment('Answer', 'due', 4, 4);
  const talk = moment('Talk', 'due', 2, 6);
  const opening = moment('Opening', 'opens', 1, 9);
  const { firstWith, lastBefore } = indexReversals([post, answer, talk, opening]);

  it('is the first of all that stands on the other side now, of the same role', () => {
    expect(firstWith(answer)).toBe(post);
    expect(firstWith(post)).toBe(answer);
    expect(firstWith(opening)).toBeUndefined();
  });
  it('is, of what stood before it, what stands last now', () => {
    expect(lastBefore(answer)).toBe(talk);
    expect(lastBefore(talk)).toBeUndefined();
  });
  it('is nothing that has no date any more', () => {
    expect(indexReversals([moment('Gone', 'due', 1, null), answer]).firstWith(answer)).toBeUndefined();
  });

  it('is what looking at every pair finds', () => {
    const day = fc.integer({ min: 1, max: 9 });
    const role = fc.constantFrom<DoubtfulMoment['role'][]>('due', 'opens');
    const some = fc.array(fc.tuple(role, day, fc.option(day)), { maxLength: 12 });
    fc.assert(
      fc.property(some, (given) => {
        const all = given.map(([role, from, to], at) => moment(`m${at}`, role, from, to));
        const index = indexReversals(all);
        for (const one of all) {
          const passed = all.filter(
            ({ role, from, to }) =>
              role === one.role &&
              to !== null &&
              one.to !== null &&
              ((from < one.from && to > one.to) || (from > one.from && to < one.to)),
          );
          const before = passed.filter(({ from }) => from < one.from);
          const latest = before.map(({ to }) => to!).sort()[before.length - 1];
          expect(index.firstWith(one)).toBe(passed[0]);
          expect(index.lastBefore(one)).toBe(before.find(({ to }) => to === latest));
        }
      }),
    );
  });
});

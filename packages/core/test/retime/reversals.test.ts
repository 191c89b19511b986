import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';
import { groundOf, type DoubtfulMoment } from '../../src/retime/doubt.js';
import { lastBefore } from '../../src/retime/reversals.js';
import { SPRING_2026, SPRING_2027 } from '../terms.js';

const moment = (
  title: string,
  from: number,
  to: number | null,
  rest: Partial<Pick<DoubtfulMoment, 'role' | 'rule' | 'flags'>> = {},
): DoubtfulMoment => ({
  id: title,
  title,
  kind: 'assignment',
  role: 'due',
  from: `2026-02-0${from}T22:00`,
  to: to === null ? null : `2027-02-0${to}T22:00`,
  rule: 'week',
  steps: [],
  flags: [],
  ...rest,
});
const lastOf = (all: readonly DoubtfulMoment[], one: DoubtfulMoment): string | undefined => {
  const ground = groundOf({ source: SPRING_2026, destination: SPRING_2027, policy: {}, moments: all });
  return lastBefore(ground.doubtOf(one))?.moment.id;
};

describe('what a moment stood behind and would not any more', () => {
  const post = moment('Post', 3, 5);
  const answer = moment('Answer', 4, 4);
  const talk = moment('Talk', 2, 6);
  const opening = moment('Opening', 1, 9, { role: 'opens' });

  it('is the one of its role that stands last now', () => {
    expect(lastOf([post, answer, talk, opening], answer)).toBe('Talk');
    expect(lastOf([post, answer, talk, opening], talk)).toBeUndefined();
  });
  it('is nothing that has no date any more, goes by another rule, or is in doubt itself where this one is not', () => {
    expect(lastOf([moment('Gone', 2, null), answer], answer)).toBeUndefined();
    expect(lastOf([moment('Other', 2, 6, { rule: 'offset' }), answer], answer)).toBeUndefined();
    expect(lastOf([moment('Closed', 2, 6, { flags: ['closure'] }), answer], answer)).toBeUndefined();
    expect(lastOf([moment('Crowded', 2, 6, { flags: ['crowded'] }), answer], answer)).toBe('Crowded');
  });
  it('is, for a date set by hand, any that was moved', () => {
    const hand = moment('By hand', 4, 1, { rule: 'byHand' });
    expect(lastOf([moment('Other', 2, 6, { rule: 'offset' }), hand], hand)).toBe('Other');
    expect(lastOf([moment('Another', 2, 6, { rule: 'byHand' }), hand], hand)).toBeUndefined();
  });

  it('is what looking at every pair finds', () => {
    const day = fc.integer({ min: 1, max: 9 });
    const role = fc.constantFrom<DoubtfulMoment['role'][]>('due', 'opens');
    const some = fc.array(fc.tuple(role, day, fc.option(day)), { maxLength: 12 });
    fc.assert(
      fc.property(some, (given) => {
        const all = given.map(([of, from, to], at) => moment(`m${at}`, from, to, { role: of }));
        for (const one of all) {
          const before = all.filter(
            (other) =>
              other.role === one.role &&
              other.to !== null &&
              one.to !== null &&
              other.from < one.from &&
              other.to > one.to,
          );
          const latest = before.map(({ to }) => to!).sort()[before.length - 1];
          expect(lastOf(all, one)).toBe(before.find(({ to }) => to === latest)?.id);
        }
      }),
      { numRuns: 30 },
    );
  });
});

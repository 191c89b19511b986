import { describe, expect, it } from '@jest/globals';
import { followPlan, followsPlan } from '../../src/plan/followPlan.js';
import type { Decisions } from '../../src/schemas/choices.js';

const followed: Decisions = {
  choices: { kinds: { quiz: 'leave' }, items: { a: 'bring' }, equivalents: { a: 'shell-a' }, landing: 'draft' },
  policy: { rule: 'week', weekdays: { '1': 2, '3': 4 }, landing: 'previous', byKind: { event: { rule: 'clear' } } },
  byHand: { 'a-due': '2027-02-18T10:00' },
  settled: { 'b-due': '2027-02-19T10:00 closure' },
  sets: { a: { points: 25 } },
};
const own: Decisions = {
  choices: { all: 'leave', equivalents: { b: 'shell-b' } },
  byHand: { 'b-due': '2027-02-20T10:00' },
  settled: {},
};

describe('a section that follows the plan of another', () => {
  const following = followPlan(followed, own, { rule: 'week', weekdays: { '1': 1 } });

  it('chooses as it does, and lets things land so', () => {
    expect(following.choices).toEqual({
      kinds: { quiz: 'leave' },
      items: { a: 'bring' },
      landing: 'draft',
      equivalents: { b: 'shell-b' },
    });
  });
  it('goes by its rules, on its own class days', () => {
    expect(following.policy).toEqual({
      rule: 'week',
      weekdays: { '1': 1 },
      landing: 'previous',
      byKind: { event: { rule: 'clear' } },
    });
  });
  it('sets the same points, and no longer those that were set here', () => {
    expect(followPlan(followed, { ...own, sets: { b: { points: 5 } } }, {}).sets).toEqual({ a: { points: 25 } });
    expect(followsPlan(followed, { ...following, sets: {} }, { rule: 'week', weekdays: { '1': 1 } })).toBe(false);
  });
  it('keeps its own dates set by hand, and what was fine there is asked here', () => {
    expect(following.byHand).toEqual(own.byHand);
    expect(following.settled).toEqual({});
  });
  it('without a policy goes as is proposed for it', () => {
    const { policy: _, ...unset } = followed;
    expect(followPlan(unset, { ...own, policy: { rule: 'keep' } }, {}).policy).toBeUndefined();
  });
  it('one without a plan yet begins with the same choices', () => {
    expect(followPlan(followed, undefined, {}).byHand).toEqual({});
  });
  it('is told from one that went its own way', () => {
    expect(followsPlan(followed, following, { rule: 'week', weekdays: { '1': 1 } })).toBe(true);
    expect(followsPlan(followed, own, {})).toBe(false);
    const turned = { ...following, choices: { ...following.choices, items: { a: 'leave' as const } } };
    expect(followsPlan(followed, turned, { rule: 'week', weekdays: { '1': 1 } })).toBe(false);
  });
});

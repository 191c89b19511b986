import { describe, expect, it } from '@jest/globals';
import { applyDecisionChanges, decidedBeside, decisionChanges, type Decisions } from '@yarin/core';
import * as fc from 'fast-check';

const NOTHING: Decisions = { choices: {}, byHand: {}, settled: {} };
const QUIZ_BY_HAND: Decisions = { ...NOTHING, byHand: { 'q3-due': '2027-02-09T14:00' } };

describe('changes of what a plan decides', () => {
  it('name each decision by itself, taken or taken back', () => {
    const after: Decisions = {
      ...NOTHING,
      choices: { all: 'leave', kinds: { page: 'bring' } },
      byHand: { 'lab1-due': '2027-01-14T23:59' },
    };
    expect(decisionChanges(QUIZ_BY_HAND, after)).toEqual([
      { at: ['choices', 'all'], to: 'leave' },
      { at: ['choices', 'kinds', 'page'], to: 'bring' },
      { at: ['byHand', 'q3-due'] },
      { at: ['byHand', 'lab1-due'], to: '2027-01-14T23:59' },
    ]);
  });
  it('of a long text in an answer are that text alone', () => {
    const answered = (text: string): Decisions => ({
      ...NOTHING,
      answers: { 'reading-list': { body: { text: 'x'.repeat(1000) } }, welcome: { body: { text } } },
    });
    expect(decisionChanges(answered('<p>Hello</p>'), answered('<p>Welcome</p>'))).toEqual([
      { at: ['answers', 'welcome', 'body', 'text'], to: '<p>Welcome</p>' },
    ]);
  });
  it('leave the decisions that they were made to as they are', () => {
    const changed = applyDecisionChanges(QUIZ_BY_HAND, [{ at: ['byHand', 'q3-due'] }]);
    expect([changed.byHand, QUIZ_BY_HAND.byHand]).toEqual([{}, { 'q3-due': '2027-02-09T14:00' }]);
  });
  it('make an entry of any name, and nothing else', () => {
    const changed = applyDecisionChanges(NOTHING, [{ at: ['byHand', '__proto__', 'isAdmin'], to: true }]);
    expect(Object.keys(changed.byHand)).toEqual(['__proto__']);
    expect(({} as Record<string, unknown>).isAdmin).toBeUndefined();
  });
  it('are made to ten thousand dates at once', () => {
    const byHand = Object.fromEntries(Array.from({ length: 10_000 }, (_, at) => [`due-${at}`, '2027-02-09T14:00']));
    const changes = decisionChanges(NOTHING, { ...NOTHING, byHand });
    expect(changes).toHaveLength(10_000);
    expect(applyDecisionChanges(NOTHING, changes)).toEqual({ ...NOTHING, byHand });
  });

  const name = fc.constantFrom('a', 'b', 'c', '__proto__', 'length');
  const moments = fc.dictionary(name, fc.constantFrom('2027-02-09T14:00', '2027-03-01T23:59'));
  const kinds = fc.dictionary(name, fc.constantFrom('bring' as const, 'leave' as const));
  const decided: fc.Arbitrary<Decisions> = fc.record(
    {
      choices: fc.record(
        { all: fc.constantFrom('bring' as const, 'leave' as const), kinds, units: kinds },
        { requiredKeys: [] },
      ),
      byHand: moments,
      settled: moments,
      answers: fc.dictionary(name, fc.record({ title: fc.record({ text: fc.constantFrom('', 'Lab') }) })),
      sets: fc.dictionary(name, fc.record({ ways: fc.constantFrom(['upload' as const], []) })),
    },
    { requiredKeys: ['choices', 'byHand', 'settled'] },
  ) as fc.Arbitrary<Decisions>;

  it('lead from any decisions to any others, and back', () => {
    fc.assert(
      fc.property(decided, decided, (one, other) => {
        expect(applyDecisionChanges(one, decisionChanges(one, other))).toEqual(other);
        expect(decisionChanges(one, one)).toEqual([]);
      }),
    );
  });
  it('of two people hold beside each other in either order, where they do not meet', () => {
    fc.assert(
      fc.property(decided, decided, decided, (before, ones, others) => {
        const mine = decisionChanges(before, ones);
        const theirs = decisionChanges(before, others);
        const { kept } = decidedBeside(mine, theirs);
        const theirsFirst = applyDecisionChanges(applyDecisionChanges(before, theirs), kept);
        const mineFirst = applyDecisionChanges(applyDecisionChanges(before, kept), theirs);
        expect(theirsFirst).toEqual(mineFirst);
        // What they decided stands, all of it.
        expect(applyDecisionChanges(theirsFirst, theirs)).toEqual(theirsFirst);
      }),
    );
  });
  it('meet where both decided the same thing otherwise, or one took away what the other decided in', () => {
    const [byMe, byThem] = ['2027-02-10T14:00', '2027-02-11T14:00'];
    const mine = [
      { at: ['byHand', 'q3-due'], to: byMe },
      { at: ['choices', 'kinds', 'page'], to: 'leave' },
      { at: ['byHand', 'lab1-due'], to: byMe },
    ];
    const theirs = [
      { at: ['byHand', 'q3-due'], to: byThem },
      { at: ['choices', 'kinds'] },
      { at: ['byHand', 'lab1-due'], to: byMe },
    ];
    expect(decidedBeside(mine, theirs)).toEqual({ kept: [], met: mine.slice(0, 2) });
    const cleared = [{ at: ['byHand'] }];
    expect(decidedBeside(cleared, theirs).met).toEqual(cleared);
    expect(decidedBeside([{ at: ['byHand', 'q3'], to: byMe }], theirs).kept).toHaveLength(1);
  });
});

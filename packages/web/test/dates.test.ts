import { describe, expect, it } from '@jest/globals';
import {
  standingDates,
  type Decisions,
  type DoubtCause,
  type PlanPolicy,
  type PreviewDate,
  type Snapshot,
  type WorkSet,
} from '@yarin/core';
import { computed, nextTick, ref, shallowRef } from 'vue';
import { usePlanDates } from '../src/plan/state/usePlanDates.js';
import { narrowRules } from '../src/plan/when/narrowRules.js';
import { useDateDraft } from '../src/course/dates/useDateDraft.js';
import { along, byDays, fallingOf, toDay, toNextClass, toTyped, toWeekday } from '../src/shared/dates/bulkMoves.js';
import { workOf, workWords } from '../src/plan/when/workWords.js';
import { useSelection } from '../src/shared/dates/useSelection.js';

const date = (id: string, to: string | null, part: Partial<PreviewDate> = {}): PreviewDate => ({
  id,
  item: id.replace(/-.*/, ''),
  title: id,
  kind: 'quiz',
  role: 'due',
  from: '2026-02-18T23:59',
  to,
  rule: 'week',
  steps: [],
  flags: [],
  graded: true,
  ...part,
});
const shell = {
  calendar: {
    firstDay: '2027-01-11',
    lastDay: '2027-05-07',
    timeZone: 'UTC',
    closures: [{ from: '2027-02-18', to: '2027-02-18', kind: 'holiday' as const }],
  },
  meetings: [2, 4].map((weekday) => ({ weekday, start: '14:00', end: '15:15' })),
};

describe('many dates at once', () => {
  const dates = [date('a', '2027-02-12T23:59'), date('b', '2027-02-16T08:00'), date('gone', null)];

  it('go some days later or earlier, at their own hour; cleared ones stay cleared', () => {
    expect(byDays(dates, 2)).toEqual({ a: '2027-02-14T23:59', b: '2027-02-18T08:00' });
    expect(byDays(dates, -14)).toEqual({ a: '2027-01-29T23:59', b: '2027-02-02T08:00' });
    expect(byDays(dates, 0)).toEqual({});
  });
  it('go to the next class, over a closed class day, and take its hour', () => {
    expect(toNextClass(dates, shell)).toEqual({ a: '2027-02-16T14:00', b: '2027-02-23T14:00' });
    expect(toNextClass([date('late', '2027-05-06T10:00')], shell)).toEqual({});
  });
  it('go where a typed date leads from each, or all to one day at their own hour', () => {
    const typed = (text: string) => toTyped(dates, text, { order: 'dayFirst', ...shell });
    expect(typed('+1 week')).toEqual({ a: '2027-02-19T23:59', b: '2027-02-23T08:00' });
    expect(typed('next class')).toEqual({ a: '2027-02-16T14:00', b: '2027-02-16T14:00' });
    expect(typed('Fri')).toEqual({ b: '2027-02-19T08:00' });
    expect(typed('10 Mar')).toEqual({ a: '2027-03-10T23:59', b: '2027-03-10T08:00' });
    expect(typed('10 Mar 17:00')).toEqual({ a: '2027-03-10T17:00', b: '2027-03-10T17:00' });
    expect(typed('31 Feb')).toEqual({});
    const without = [{ id: 'never', from: '', to: null }];
    expect(toTyped(without, '10 Mar', { order: 'dayFirst', ...shell })).toEqual({ never: '2027-03-10T23:59' });
    expect(toTyped(without, '+1 week', { order: 'dayFirst', ...shell })).toEqual({});
    expect(toDay(dates, '2027-03-10T12:00')).toEqual({ a: '2027-03-10T23:59', b: '2027-03-10T08:00' });
  });
  it('go to another weekday of their week, as weeks are cut', () => {
    expect(toWeekday(dates, 3)).toEqual({ a: '2027-02-10T23:59', b: '2027-02-17T08:00' });
    expect(toWeekday([date('a', '2027-02-12T23:59')], 7)).toEqual({ a: '2027-02-14T23:59' });
    expect(toWeekday([date('a', '2027-02-12T23:59')], 7, 7)).toEqual({ a: '2027-02-07T23:59' });
  });
  it('what would fall on closed days and weekends is told, with the teaching day after each', () => {
    const moves = { a: '2027-02-18T23:59', b: '2027-02-20T08:00' };
    expect(fallingOf(dates, moves, shell)).toEqual({
      ids: ['a', 'b'],
      words: '1 on holiday, 1 on a Saturday',
      onward: { a: '2027-02-19T23:59', b: '2027-02-22T08:00' },
      onwardTo: 'the next teaching day',
    });
    expect(fallingOf(dates, { a: '2027-02-17T23:59' }, shell).ids).toEqual([]);
    // What stood on a Sunday may stand on one.
    expect(fallingOf([date('s', '2027-02-14T23:59')], { s: '2027-02-21T23:59' }, shell).ids).toEqual([]);
  });
  it('what stood in a class and would have none is told, with the next class at its place in the hour', () => {
    const tied = [
      date('start', '2027-02-16T14:00'),
      date('mid', '2027-02-11T14:20'),
      date('night', '2027-02-16T23:59'),
    ];
    // Tuesday to Wednesday; Thursday the 11th a week on, where the Thursday is closed.
    expect(
      fallingOf(tied, { start: '2027-02-17T14:00', mid: '2027-02-18T14:20', night: '2027-02-17T23:59' }, shell),
    ).toEqual({
      ids: ['start', 'mid'],
      words: '1 away from class, 1 on holiday',
      onward: { start: '2027-02-23T14:00', mid: '2027-02-23T14:20' },
      onwardTo: 'the next class',
    });
    expect(fallingOf(tied, { start: '2027-02-25T14:00' }, shell).ids).toEqual([]);
  });
  it('dragged together they keep their distance', () => {
    expect(along(dates, dates[0]!, '2027-02-15')).toEqual({ a: '2027-02-15T23:59', b: '2027-02-19T08:00' });
  });
});

describe('choosing rows', () => {
  const ids = ref(['a', 'b', 'c', 'd']);
  const { chosen, toggle, extendTo, all, none } = useSelection(() => ids.value);
  const now = (): string => [...chosen.value].sort().join('');

  it('one by one, a stretch of them, all and none', () => {
    toggle(1);
    extendTo(3);
    expect(now()).toBe('bcd');
    toggle(2);
    expect(now()).toBe('bd');
    none();
    extendTo(1, 2);
    expect(now()).toBe('bc');
    all();
    expect(now()).toBe('abcd');
  });
  it('what leaves the list is let go', async () => {
    ids.value = ['b', 'd'];
    await nextTick();
    expect(now()).toBe('bd');
  });
});

describe('what is decided about dates', () => {
  const PROPOSED: PlanPolicy = { rule: 'week', weekdays: { '1': 2 } };
  function aPlan(before: Partial<Decisions> = {}) {
    const decisions = shallowRef<Decisions>({ choices: {}, byHand: {}, settled: {}, ...before });
    const said: string[] = [];
    const dating = usePlanDates({
      decisions,
      decide: (change, what) => {
        decisions.value = { ...decisions.value, ...change };
        said.push(what);
      },
      policies: computed(() => ({
        first: decisions.value.policy ?? PROPOSED,
        second: decisions.value.policies?.second ?? PROPOSED,
      })),
      first: () => 'first',
      courseOf: (item) => (item === 'z' ? 'second' : 'first'),
      unitOf: (item) => (item === 'a' ? 'unit' : undefined),
    });
    return { decisions, said, ...dating };
  }
  const a = date('a-due', '2027-02-12T23:59');
  const z = date('z-due', '2027-02-12T23:59');

  it('things of several courses go by another rule, each in the policy of its course', () => {
    const { decisions, goOtherwise } = aPlan();
    goOtherwise('byItem', [a, z], { rule: 'clear' }, 'clear 2 dates');
    expect(decisions.value.policy).toEqual({ ...PROPOSED, byItem: { a: { rule: 'clear' } } });
    expect(decisions.value.policies).toEqual({ second: { ...PROPOSED, byItem: { z: { rule: 'clear' } } } });
  });
  it('a rule for a kind or unit is one rule; a thing in no unit has none', () => {
    const { decisions, goOtherwise } = aPlan();
    goOtherwise('byKind', [a, date('b-due', null)], { rule: 'keep' }, 'keep');
    expect(decisions.value.policy!.byKind).toEqual({ quiz: { rule: 'keep' } });
    goOtherwise('byUnit', [a, date('b-due', null)], { rule: 'offset' }, 'offset');
    expect(decisions.value.policy!.byUnit).toEqual({ unit: { rule: 'offset' } });
    goOtherwise('byKind', [a], undefined, 'as the rest');
    expect(decisions.value.policy!.byKind).toEqual({});
  });
  it('back to the rule takes away what was set by hand and a rule of their own, and leaves the rest', () => {
    const { decisions, backToRule, setByHand, goOtherwise } = aPlan();
    setByHand({ 'a-due': '2027-02-20T10:00', 'b-due': '2027-02-21T10:00' });
    goOtherwise('byItem', [a, date('b-due', null)], { rule: 'clear' }, 'clear');
    backToRule([a]);
    expect(decisions.value.byHand).toEqual({ 'b-due': '2027-02-21T10:00' });
    expect(decisions.value.policy!.byItem).toEqual({ b: { rule: 'clear' } });
  });
  it('the rules of many are taken away in one step', () => {
    const { decisions, goOtherwise, takeRulesAway } = aPlan();
    goOtherwise('byItem', [a, date('b-due', null), date('c-due', null)], { rule: 'clear' }, 'clear');
    takeRulesAway('first', 'byItem', ['a', 'c'], 'as the rest');
    expect(decisions.value.policy!.byItem).toEqual({ b: { rule: 'clear' } });
  });
  it('without a policy a course goes as proposed again, and the others keep theirs', () => {
    const { decisions, decidePolicy } = aPlan({ policy: { rule: 'keep' }, policies: { second: { rule: 'clear' } } });
    decidePolicy('first', undefined, 'as proposed');
    expect(decisions.value.policy).toBeUndefined();
    expect(decisions.value.policies).toEqual({ second: { rule: 'clear' } });
    decidePolicy('second', undefined, 'as proposed');
    expect(decisions.value.policies).toEqual({});
  });
  it('fine as it is notes what each date was when it was said, of one cause or several', () => {
    const { decisions, settle, said } = aPlan();
    const cause = (sentence: string, ...moments: PreviewDate[]): DoubtCause => ({
      key: sentence,
      cause: 'closure',
      sentence,
      detail: '',
      moments,
      settlements: [],
    });
    settle([cause('closed', a), cause('order', z)]);
    expect(decisions.value.settled).toEqual({ 'a-due': '2027-02-12T23:59 ', 'z-due': '2027-02-12T23:59 ' });
    settle([cause('closed', a)]);
    expect(said).toEqual(['fine as it is: 2 dates', 'fine as it is: closed']);
  });
  it('setting nothing is nothing to undo', () => {
    const { setByHand, said } = aPlan();
    setByHand({});
    expect(said).toEqual([]);
  });
});

describe('dates of a course that are being moved', () => {
  const items = [
    {
      id: 'q',
      kind: 'quiz' as const,
      title: 'Quiz',
      contentHash: '',
      moments: [
        { id: 'q-opens', role: 'opens' as const, at: '2027-01-04T08:00' },
        { id: 'q-due', role: 'due' as const, at: '2027-02-17T23:59' },
      ],
    },
  ];
  const draft = useDateDraft(
    () => items,
    () => shell.calendar,
  );
  const faces = (): string[] => draft.dates.value.map(({ id, to, flags }) => `${id} ${to} ${flags.join()}`.trim());

  it('stand where they are until moved; only what moved is looked at', () => {
    expect(faces()).toEqual(['q-opens 2027-01-04T08:00', 'q-due 2027-02-17T23:59']);
    draft.move({ 'q-due': '2027-02-18T23:59' }, 'a day later');
    expect(faces()[1]).toBe('q-due 2027-02-18T23:59 closure');
    draft.move({ 'q-due': '2027-06-01T23:59' }, 'far later');
    expect(faces()[1]).toBe('q-due 2027-06-01T23:59 outsideTerm');
    expect(draft.changed.value).toEqual({ 'q-due': '2027-06-01T23:59' });
  });
  it('each step is undone and done again, and a date goes back to where it stood', () => {
    draft.undo();
    expect(draft.changed.value).toEqual({ 'q-due': '2027-02-18T23:59' });
    draft.redo();
    expect(draft.changed.value).toEqual({ 'q-due': '2027-06-01T23:59' });
    draft.asItWas(new Set(['q-due']));
    expect(draft.changed.value).toEqual({});
    draft.move({ 'q-due': '2027-02-17T23:59' }, 'to where it stands');
    expect(draft.changed.value).toEqual({});
  });
});

describe('work beside its dates', () => {
  const quiz = {
    id: 'q',
    kind: 'quiz' as const,
    title: 'Quiz',
    contentHash: '',
    points: 20,
    links: [{ type: 'gradedIn' as const, to: 'line' }],
    details: { attempts: 2, minutesAllowed: 30 },
  };
  const line = {
    id: 'line',
    kind: 'lineItem' as const,
    title: 'Quiz',
    contentHash: '',
    links: [{ type: 'gradedIn' as const, to: 'cat' }],
  };
  const words = (set: WorkSet | undefined): string =>
    workWords(
      workOf(quiz, set, (id) => (id === 'line' ? line : undefined))!,
      (id) => ({ cat: 'Quizzes', labs: 'Labs' })[id] ?? '',
    );

  it('is said in few words, as it is and as it was set', () => {
    expect(words(undefined)).toBe('20 points · Quizzes · 2 attempts · 30 min');
    expect(words({ points: 1, category: 'labs', attempts: 0, minutesAllowed: null })).toBe(
      '1 point · Labs · any number of attempts',
    );
    expect(words({ points: null })).toBe('no points · Quizzes · 2 attempts · 30 min');
  });
  it('what is no work has none', () => {
    expect(workOf({ ...quiz, kind: 'page' }, undefined, () => undefined)).toBeUndefined();
  });
});

it('after a run dates stand beside those that they came from, one for each section of a shared shell', () => {
  const moment = (id: string, at: string, section?: string) => ({
    id,
    role: 'due' as const,
    at,
    ...(section === undefined ? {} : { for: section }),
  });
  const snapshot = (...moments: ReturnType<typeof moment>[]) =>
    ({ items: [{ id: 'q', kind: 'quiz', title: 'Quiz', contentHash: '', moments }] }) as unknown as Snapshot;
  const source = snapshot(
    moment('due', '2026-02-02T23:59'),
    moment('late', '2026-02-06T23:59'),
    moment('gone', '2026-02-07T23:59'),
  );
  const course = snapshot(
    moment('due@A', '2027-02-02T23:59', 'A'),
    moment('due@B', '2027-02-01T23:59', 'B'),
    moment('late', '2027-02-05T23:59'),
  );
  expect(
    standingDates(source, course).map(({ id, from, to, for: section }) => [
      id,
      from.slice(5, 10),
      to!.slice(5, 10),
      section,
    ]),
  ).toEqual([
    ['due@A', '02-02', '02-02', 'A'],
    ['due@B', '02-02', '02-01', 'B'],
    ['late', '02-06', '02-05', undefined],
  ]);
});

describe('rules of their own, in words', () => {
  const titles: Readonly<Record<string, string>> = {
    q1: 'Quiz 1',
    q2: 'Quiz 2',
    q3: 'Quiz 3',
    q4: 'Quiz 4',
    u: 'Unit 2',
  };
  const said = (policy: PlanPolicy) => narrowRules(policy, (id) => titles[id]).map(({ words }) => words);

  it('few things stand one by one, then units and kinds', () => {
    const policy: PlanPolicy = {
      rule: 'week',
      byItem: { q1: { rule: 'clear' }, gone: { rule: 'clear' }, q2: { landing: 'stay' } },
      byUnit: { u: { rule: 'keep' } },
      byKind: { quiz: { rule: 'clear' } },
    };
    expect(said(policy)).toEqual([
      'Quiz 1: no date',
      'a thing that is gone: no date',
      'Quiz 2: the same teaching week',
      'Unit 2: where they were',
      'all quizzes: no date',
    ]);
  });
  it('many things with the same rule are one line, and go back together', () => {
    const clear = { rule: 'clear' as const };
    const rules = narrowRules(
      { byItem: { q1: clear, q2: clear, x: { rule: 'keep' }, q3: clear, q4: clear } },
      (id) => titles[id],
    );
    expect(rules).toEqual([
      { reach: 'byItem', keys: ['q1', 'q2', 'q3', 'q4'], words: 'Quiz 1, Quiz 2 and 2 more: no date' },
      { reach: 'byItem', keys: ['x'], words: 'a thing that is gone: where they were' },
    ]);
  });
});

import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';
import { findFindings } from '../../src/choose/findings/findFindings.js';
import { joinSources, policiesInForce } from '../../src/plan/sources/joinSources.js';
import type { JoinedGround } from '../../src/plan/shapes/joined.js';
import { firstOf, overlapsOf } from '../../src/plan/sources/overlaps.js';
import { previewPlan } from '../../src/plan/preview.js';
import type { Preview } from '../../src/plan/shapes/preview.js';
import { reviewPlan, type Review } from '../../src/plan/review.js';
import type { Choices } from '../../src/schemas/choices.js';
import type { Calendar } from '../../src/schemas/calendar.js';
import type { Course, Item } from '../../src/schemas/course.js';
import { asSnapshot, due, item, newShell, oldCourse, unit } from '../builders.js';

const course = (id: string, items: Item[], rest: Partial<Course> = {}): Course => ({
  ...oldCourse(...items),
  ...rest,
  course: { ...oldCourse().course, id, ...rest.course },
});
const page = (id: string, title: string, rest: Partial<Item> = {}): Item =>
  item('page', id, { title, body: `<p>${id}</p>`, ...rest });
const SHELL = newShell();

const join = (courses: Course[], choices: Choices = {}, keysSurvive = true): JoinedGround =>
  joinSources(
    courses.map((each) => ({ source: asSnapshot(each), findings: findFindings(each, SHELL), lineage: [] })),
    choices,
    keysSurvive,
  );
const planned = (courses: Course[], choices: Choices = {}, rest: object = {}): Preview & Review => {
  const input = {
    ...join(courses, choices),
    shell: asSnapshot(SHELL),
    decisions: { choices, byHand: {}, settled: {} },
    policy: {},
    ...rest,
  };
  const result = previewPlan(input);
  if (!result.ok) throw new Error(JSON.stringify(result.problems));
  return { ...result.value, ...reviewPlan(input, result.value) };
};
const ids = ({ source }: JoinedGround): string[] => source.items.map(({ id }) => id);

describe('what stands in two sources', () => {
  const overlaps = (a: Item[], b: Item[], keysSurvive = false): string[] =>
    overlapsOf([asSnapshot(course('a', a)), asSnapshot(course('b', b))], keysSurvive).map((overlap) =>
      overlap.map(({ item: id }) => id).join('='),
    );
  const ends = (reads: string, guards: string): Partial<Item> => ({
    links: [
      { type: 'reads', to: reads },
      { type: 'guards', to: guards },
    ],
  });
  it.each<[string, Item[], Item[], boolean, string[]]>([
    ['is the same content', [page('x', 'A')], [{ ...page('y', 'A'), body: '<p>x</p>' }], false, ['x=y']],
    ['is the same kind and title', [page('x', 'House rules')], [page('y', 'House Rules (copy)')], false, ['x=y']],
    [
      'is not the same title of another kind',
      [page('x', 'Rivers')],
      [item('quiz', 'y', { title: 'Rivers' })],
      false,
      [],
    ],
    ['is the same key, whatever it is called now', [page('x', 'Rules')], [page('x', 'Our rules')], true, ['x=x']],
    ['is not the same key where keys are local', [page('x', 'Rules')], [page('x', 'Rivers')], false, []],
    [
      'goes by key before title',
      [page('x', 'A'), page('y', 'B')],
      [page('y', 'A'), page('x', 'B')],
      true,
      ['x=x', 'y=y'],
    ],
    [
      'is each once: two plain Notes of both',
      [page('n1', 'Notes'), page('n2', 'Notes')],
      [page('m1', 'Notes'), page('m2', 'Notes')],
      false,
      ['n1=m1', 'n2=m2'],
    ],
    ['is not two things of one source', [page('x', 'A')], [page('y', 'A'), page('z', 'A')], false, ['x=y']],
    [
      'is the only syllabus, whatever it is called',
      [item('syllabus', 's', { title: 'Outline' })],
      [item('syllabus', 't', { title: 'About' })],
      false,
      ['s=t'],
    ],
    [
      'is no syllabus of another name among two',
      [item('syllabus', 's', { title: 'Outline' })],
      [item('syllabus', 't', { title: 'About' }), item('syllabus', 'v', { title: 'Field code' })],
      false,
      [],
    ],
    [
      'are the settings, whatever they are called',
      [item('courseSettings', 's')],
      [item('courseSettings', 't')],
      false,
      ['s=t'],
    ],
    [
      'is a rule with the same ends',
      [page('p', 'P'), page('q', 'Q'), item('rule', 'r', { title: 'R', ...ends('p', 'q') })],
      [page('p2', 'P'), page('q2', 'Q'), item('rule', 'r2', { title: 'R', ...ends('p2', 'q2') })],
      false,
      ['p=p2', 'q=q2', 'r=r2'],
    ],
    [
      'is no rule with other ends',
      [page('p', 'P'), page('q', 'Q'), item('rule', 'r', { title: 'R', ...ends('p', 'q') })],
      [page('p2', 'P'), page('z', 'Z'), item('rule', 'r2', { title: 'R', ...ends('p2', 'z') })],
      false,
      ['p=p2'],
    ],
  ])('%s', (_, a, b, keysSurvive, expected) => {
    expect(overlaps(a, b, keysSurvive)).toEqual(expected);
  });
  it('of three sources is one thing', () => {
    const sources = ['a', 'b', 'c'].map((id) => asSnapshot(course(id, [page(`${id}1`, 'Rules')])));
    expect(overlapsOf(sources, false)).toEqual([['a', 'b', 'c'].map((id) => ({ course: id, item: `${id}1` }))]);
  });
});

describe('which of them comes', () => {
  const OVERLAP = [
    { course: 'a', item: 'a1' },
    { course: 'b', item: 'b1' },
    { course: 'c', item: 'c1' },
  ];
  it.each<[string, Choices, string]>([
    ['the first', {}, 'a'],
    ['the one of the course that was named', { sources: { a1: 'c' } }, 'c'],
    ['named by any of them', { sources: { b1: 'b' } }, 'b'],
    ['the first, when the course that was named has none', { sources: { a1: 'z' } }, 'a'],
    ['the one that was chosen by itself', { items: { c1: 'bring' } }, 'c'],
    ['the first, when it was chosen too', { items: { a1: 'bring', c1: 'bring' } }, 'a'],
  ])('%s', (_, choices, expected) => {
    expect(firstOf(OVERLAP, choices).course).toBe(expected);
  });
});

describe('sources joined', () => {
  const last = course('last', [
    ...unit('u', page('rules', 'Rules'), page('rivers', 'Rivers')),
    item('questionBank', 'bank', { title: 'Bank' }),
  ]);
  const template = course('template', [
    ...unit('tu', page('trules', 'Rules'), page('tnew', 'Knots', { links: [{ type: 'links', to: 'trules' }] })),
    item('quiz', 'tq', { title: 'Knots quiz', links: [{ type: 'draws', to: 'tbank' }] }),
    item('questionBank', 'tbank', { title: 'Bank' }),
  ]);
  it('hold everything once; one source stays as it is', () => {
    expect(ids(join([last, template]))).toEqual(['u', 'rules', 'rivers', 'bank', 'tu', 'tnew', 'tq']);
    const alone = { source: asSnapshot(last), findings: [], lineage: [] };
    expect(joinSources([alone], {}, true)).toBe(alone);
  });
  it('what led to the one that stays behind leads to the other, needs too', () => {
    const { source } = join([last, template]);
    const linksOf = (id: string): unknown => source.items.find((each) => each.id === id)!.links;
    expect(linksOf('tnew')).toEqual([{ type: 'links', to: 'rules' }]);
    expect(linksOf('tq')).toEqual([{ type: 'draws', to: 'bank' }]);
    const { lines } = planned([last, template], { all: 'leave', items: { tq: 'bring' } });
    expect(lines.find(({ item: id }) => id === 'bank')).toMatchObject({
      verb: 'add',
      source: 'last',
      why: [{ reason: 'neededBy', item: 'tq' }, { reason: 'item' }],
    });
  });
  it('the one that is preferred stands where the first would have stood', () => {
    const { source, joined } = join([last, template], { sources: { rules: 'template' } });
    expect(ids(join([last, template], { sources: { rules: 'template' } }))).not.toContain('rules');
    expect(source.items.find(({ id }) => id === 'trules')).toMatchObject({ parent: 'u', position: 1 });
    expect(joined!.others.get('trules')).toEqual([{ course: 'last', item: 'rules' }]);
    expect(joined!.ids.get('last rules')).toBe('trules');
  });
  it('things of a later source stand behind those of an earlier one in the same unit', () => {
    const more = course('more', [
      ...unit('mu', page('first', 'First')).map((each) =>
        each.kind === 'unit' ? { ...each, title: 'u', id: 'mu' } : each,
      ),
    ]);
    const { items } = planned([last, more]);
    const inUnit = items.filter(({ parent }) => parent === 'u').sort((a, b) => a.position! - b.position!);
    expect(inUnit.map(({ id }) => id)).toEqual(['rules', 'rivers', 'first']);
  });
  it('an id that two sources have is two things where keys are local', () => {
    const other = course('other', [page('rivers', 'Lakes')]);
    expect(ids(join([last, other], {}, false))).toEqual(['u', 'rules', 'rivers', 'bank', 'other:rivers']);
  });
  it('marks, notes and findings go with what comes, not with what stays behind', () => {
    const marked = (each: Course, id: string): Course => ({ ...each, marks: [{ item: id, mark: 'never' }] });
    expect(join([marked(last, 'rules'), marked(template, 'trules')]).source.marks).toEqual([
      { item: 'rules', mark: 'never' },
    ]);
    const empty = course('empty', [item('unit', 'e', { title: 'Nothing in it' }), item('unit', 'f', { title: 'u' })]);
    expect(
      join([last, empty])
        .findings.filter(({ finding }) => finding === 'emptyUnit')
        .map(({ item: id }) => id),
    ).toEqual(['e']);
  });
});

describe('dates of several old terms', () => {
  const fall: Calendar = {
    name: 'Fall 2025',
    firstDay: '2025-08-25',
    lastDay: '2025-12-12',
    timeZone: 'America/Chicago',
    closures: [{ from: '2025-11-24', to: '2025-11-30', label: 'Thanksgiving', kind: 'break' }],
  };
  const dated = (id: string, at: string): Item => item('assignment', id, { points: 10, moments: due(id, at) });
  const spring = course('spring', [dated('s', '2026-02-18T23:59')]);
  // Wednesday of the sixth teaching week in both.
  const autumn = course('autumn', [dated('f', '2025-10-01T23:59'), dated('brk', '2025-11-26T23:59')], {
    calendar: fall,
    meetings: [],
  });
  const toOf = ({ dates }: Preview): Record<string, string | null> =>
    Object.fromEntries(dates.map(({ item: id, to }) => [id, to]));
  it('each move from their own calendar', () => {
    expect(toOf(planned([spring, autumn]))).toMatchObject({ s: '2027-02-17T23:59', f: '2027-02-17T23:59' });
  });
  it('go by the policy of their own source', () => {
    const policies = { spring: { weekdays: { '3': 2 } }, autumn: { rule: 'clear' } };
    expect(toOf(planned([spring, autumn], {}, { policies }))).toEqual({ s: '2027-02-16T23:59', f: null, brk: null });
  });
  it('come in the order of the things, whatever their source', () => {
    expect(planned([autumn, spring]).dates.map(({ item: id }) => id)).toEqual(['f', 'brk', 's']);
  });
  it('what the new term causes is one doubt; what an old one does is its own', () => {
    const onThursday = (id: string, at: string): Item => dated(id, at);
    const one = course('spring', [onThursday('s', '2026-02-19T23:59')]);
    const two = course('autumn', [onThursday('f', '2025-10-02T23:59'), dated('brk', '2025-11-26T23:59')], {
      calendar: fall,
      meetings: [],
    });
    const { causes } = planned([one, two]);
    const closed = causes.filter(({ cause }) => cause === 'closure');
    expect(closed.map(({ moments }) => moments.map(({ id }) => id))).toEqual([['s-due', 'f-due']]);
    expect(causes.find(({ cause }) => cause === 'wasInBreak')).toMatchObject({ course: 'autumn' });
  });
});

describe('the policies in force', () => {
  const source = (id: string, weekdays: Record<string, number>) => ({
    source: asSnapshot(course(id, [])),
    suggestion: { proposed: { policy: { weekdays } } },
  });
  it('are what a person decided for each source, else what suits it', () => {
    const sources = [source('a', { '1': 2 }), source('b', { '3': 4 })];
    expect(policiesInForce(sources, {})).toEqual({
      policy: { weekdays: { '1': 2 } },
      policies: { a: { weekdays: { '1': 2 } }, b: { weekdays: { '3': 4 } } },
    });
    expect(policiesInForce(sources, { policy: { rule: 'clear' }, policies: { b: { rule: 'keep' } } })).toEqual({
      policy: { rule: 'clear' },
      policies: { a: { rule: 'clear' }, b: { rule: 'keep' } },
    });
  });
});

describe('for any two sources', () => {
  const titles = ['Rules', 'Rivers', 'Lakes', 'Knots'];
  const things = (prefix: string) =>
    fc
      .array(
        fc.record({ title: fc.constantFrom(...titles), kind: fc.constantFrom('page' as const, 'quiz' as const) }),
        { maxLength: 8 },
      )
      .map((list) =>
        list.map(({ title, kind }, at) => item(kind, `${prefix}${at}`, { title, body: `<p>${prefix}${at}</p>` })),
      );
  it('everything is there once, by itself or for another, and nothing of one source is lost to itself', () => {
    fc.assert(
      fc.property(things('a'), things('b'), fc.constantFrom('a', 'b'), (first, second, preferred) => {
        const courses = [course('a', first), course('b', second)];
        const choices = { sources: Object.fromEntries(first.map(({ id }) => [id, preferred])) };
        const { source, joined } = join(courses, choices);
        const all = [...source.items.map(({ id }) => joined!.origins.get(id)!), ...[...joined!.others.values()].flat()];
        expect(all.map(({ item: id }) => id).sort()).toEqual([...first, ...second].map(({ id }) => id).sort());
        expect(new Set(source.items.map(({ id }) => id)).size).toBe(source.items.length);
        const kept = preferred === 'a' ? first : second;
        expect(kept.every(({ id }) => source.items.some((each) => each.id === id))).toBe(true);
      }),
    );
  });
});

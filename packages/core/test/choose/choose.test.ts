import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';
import { brokenNeeds } from '../../src/choose/brokenNeeds.js';
import { indexChoices } from '../../src/choose/choiceIndex.js';
import { choose, chooseOn } from '../../src/choose/choose.js';
import type { ChoiceDecisions } from '../../src/choose/decision.js';
import { chainOf } from '../../src/choose/explain.js';
import { findFindings } from '../../src/choose/findings/findFindings.js';
import { isMust } from '../../src/names/links.js';
import type { Choices } from '../../src/schemas/choices.js';
import type { Course, Item } from '../../src/schemas/course.js';
import { asSnapshot, item, newShell, oldCourse, unit } from '../builders.js';

const decide = (course: Course, choices: Choices = {}, isMet: (id: string) => boolean = () => false): ChoiceDecisions =>
  choose({ source: asSnapshot(course), findings: findFindings(course, newShell()), choices, isMet });
const coming = (course: Course, choices: Choices = {}): string[] => {
  const decisions = decide(course, choices);
  return course.items.map(({ id }) => id).filter((id) => decisions.get(id)!.bring);
};

const QUIZ = item('quiz', 'q', { body: '<p>Ten</p>', links: [{ type: 'draws', to: 'bank', quantity: 10 }] });
const COURSE = oldCourse(
  ...unit('u1', item('page', 'p', { body: '<img src="item:map.png">' }), QUIZ),
  item('questionBank', 'bank'),
  item('file', 'map.png'),
  ...unit('u2', item('page', 'other', { body: '<p>x</p>' })),
);
const STALE = item('announcement', 'stale', { body: '<p>See you tomorrow.</p>' });
const withMark = (course: Course, id: string, mark: 'never' | 'hidden' | 'reword' | 'evergreen'): Course => ({
  ...course,
  marks: [{ item: id, mark }],
});

describe('the narrowest choice wins', () => {
  const nested = oldCourse(
    item('unit', 'outer', { body: '<p>outer</p>' }),
    item('unit', 'inner', { parent: 'outer', body: '<p>inner</p>' }),
    item('page', 'deep', { parent: 'inner', body: '<p>deep</p>' }),
    item('page', 'shallow', { parent: 'outer', body: '<p>shallow</p>' }),
    item('quiz', 'loose', { body: '<p>loose</p>' }),
  );
  it.each<[string, Choices, string[]]>([
    ['nothing chosen', {}, ['outer', 'inner', 'deep', 'shallow', 'loose']],
    ['all left', { all: 'leave' }, []],
    ['kind before all', { all: 'leave', kinds: { quiz: 'bring' } }, ['loose']],
    ['unit before kind', { kinds: { page: 'leave' }, units: { inner: 'bring' } }, ['outer', 'inner', 'deep', 'loose']],
    ['the nearest unit', { units: { outer: 'leave', inner: 'bring' } }, ['outer', 'inner', 'deep', 'loose']],
    ['the nearest unit, the other way', { units: { outer: 'bring', inner: 'leave' } }, ['outer', 'shallow', 'loose']],
    ['item before unit', { units: { outer: 'leave' }, items: { deep: 'bring' } }, ['outer', 'inner', 'deep', 'loose']],
    ['a unit by itself is its heading alone', { all: 'leave', items: { outer: 'bring' } }, ['outer']],
    ['a unit as a unit is all it holds', { all: 'leave', units: { inner: 'bring' } }, ['outer', 'inner', 'deep']],
    ['all but some', { items: { shallow: 'leave', loose: 'leave' } }, ['outer', 'inner', 'deep']],
  ])('%s', (_, choices, expected) => expect(coming(nested, choices)).toEqual(expected));
});

describe('findings', () => {
  const course = oldCourse(...unit('u', STALE), item('file', 'loose.png'));
  it.each<[string, Choices, boolean]>([
    ['leave by default', {}, false],
    ['are not turned by bringing the unit', { units: { u: 'bring' } }, false],
    ['nor the kind', { kinds: { announcement: 'bring' } }, false],
    ['nor all', { all: 'bring' }, false],
    ['are turned for all that have them', { findings: { lastTermsAnnouncement: 'bring' } }, true],
    ['also where the unit is left', { findings: { lastTermsAnnouncement: 'bring' }, units: { u: 'leave' } }, true],
    ['and for one thing by itself', { items: { stale: 'bring' } }, true],
    [
      'which goes before the finding',
      { findings: { lastTermsAnnouncement: 'bring' }, items: { stale: 'leave' } },
      false,
    ],
  ])('%s', (_, choices, comes) => expect(decide(course, choices).get('stale')!.bring).toBe(comes));
  it('of several the first of leave, ask, join, bring decides, and turning one leaves the others', () => {
    const call = oldCourse(item('announcement', 'a', { body: '<p>Tomorrow at https://meet.example/x</p>' }));
    const turned = decide(call, { findings: { lastTermsAnnouncement: 'bring' } }).get('a')!;
    expect(turned).toMatchObject({ bring: false, why: [{ reason: 'finding', finding: 'meetingLink' }] });
    expect(coming(call, { findings: { lastTermsAnnouncement: 'bring', meetingLink: 'bring' } })).toEqual(['a']);
  });
  it('that only note do not bring what a person leaves', () => {
    expect(coming(course, { kinds: { file: 'leave' } })).toEqual(['u']);
  });
  it('an unanswered question leaves announcements and events, and lets the rest come as it must', () => {
    const hidden = oldCourse(
      item('page', 'p', { body: '<p>1</p>', state: 'hidden' }),
      item('announcement', 'a', { body: '<p>2</p>', state: 'hidden' }),
    );
    expect(coming(hidden)).toEqual(['p']);
    expect(decide(hidden).get('p')!.by).toBe('ask');
  });
});

describe('marks for next time', () => {
  const course = oldCourse(...unit('u', STALE), item('page', 'p', { body: '<p>p</p>' }));
  it.each<[string, Course, Choices, string, boolean]>([
    ['never carry on: stays', withMark(course, 'p', 'never'), {}, 'p', false],
    ['also when its kind is brought', withMark(course, 'p', 'never'), { kinds: { page: 'bring' } }, 'p', false],
    ['but not when it is chosen by itself', withMark(course, 'p', 'never'), { items: { p: 'bring' } }, 'p', true],
    ['reword: beats the finding', withMark(course, 'stale', 'reword'), {}, 'stale', true],
    ['hidden: beats the finding', withMark(course, 'stale', 'hidden'), {}, 'stale', true],
    [
      'also a turned one',
      withMark(course, 'stale', 'evergreen'),
      { findings: { lastTermsAnnouncement: 'leave' } },
      'stale',
      true,
    ],
    ['a unit that is left is left', withMark(course, 'stale', 'evergreen'), { units: { u: 'leave' } }, 'stale', false],
  ])('%s', (_, marked, choices, id, comes) => expect(decide(marked, choices).get(id)!.bring).toBe(comes));
  it('keep the finding listed, with the mark’s outcome as its default', () => {
    const findings = findFindings(withMark(course, 'stale', 'hidden'), newShell());
    expect(findings).toMatchObject([{ finding: 'lastTermsAnnouncement', default: 'bring' }]);
  });
});

describe('what must come along comes along and says why', () => {
  it('a quiz brings its bank, a page its picture, both their heading and nothing else of it', () => {
    const decisions = decide(COURSE, { all: 'leave', items: { q: 'bring' } });
    expect(decisions.get('bank')).toMatchObject({ bring: true, why: [{ reason: 'neededBy', item: 'q' }] });
    expect(decisions.get('u1')).toMatchObject({ bring: true, why: [{ reason: 'parentOf', item: 'q' }] });
    expect(decisions.get('p')!.bring).toBe(false);
  });
  it('explains itself up to what was chosen', () => {
    const decisions = decide(COURSE, { all: 'leave', units: { u1: 'bring' } });
    expect(chainOf(decisions, decisions.get('map.png')!)).toEqual([
      { reason: 'neededBy', item: 'p' },
      { reason: 'unit', item: 'u1' },
    ]);
  });
  it('what the shell has is not brought again', () => {
    const decisions = decide(COURSE, { all: 'leave', items: { q: 'bring' } }, (id) => id === 'bank');
    expect(decisions.get('bank')).toMatchObject({ bring: false, met: true });
  });
  it.each<[string, Choices, boolean]>([
    ['by itself', { items: { bank: 'leave' } }, true],
    ['by its kind', { kinds: { questionBank: 'leave' } }, true],
    ['nobody left it on purpose', { all: 'leave', items: { q: 'bring' } }, false],
  ])('what was left and is needed comes, and it is said: %s', (_, choices, isSaid) => {
    const bank = decide(COURSE, choices).get('bank')!;
    expect([bank.bring, bank.leftBy !== undefined]).toEqual([true, isSaid]);
  });
  it('what needs a double that is left gets the one that stays', () => {
    const twice = oldCourse(
      item('file', 'map.png', { details: { hash: 'sha256:1' } }),
      item('file', 'map-2', { title: 'map (2).png', details: { hash: 'sha256:2' } }),
      item('page', 'p', { body: '<img src="item:map.png">' }),
      item('page', 'p2', { body: '<p>2</p>', links: [{ type: 'links', to: 'map.png' }] }),
      item('page', 'p3', { body: '<img src="item:map-2">' }),
    );
    const decisions = decide(twice, { all: 'bring', findings: {} });
    expect(decisions.get('map-2')).toMatchObject({ bring: false, standIn: 'map.png' });
    expect(decisions.get('map.png')!.bring).toBe(true);
  });
});

describe('rules', () => {
  const rule = (id: string): Item =>
    item('rule', id, {
      links: [
        { type: 'reads', to: 'q' },
        { type: 'guards', to: 'u2' },
      ],
    });
  const ruled = oldCourse(...COURSE.items, rule('r'));
  it.each<[string, Choices, boolean]>([
    ['come when all their ends do', {}, true],
    ['also when only a few things were chosen', { all: 'leave', items: { q: 'bring', u2: 'bring' } }, true],
    ['are not chosen by kind', { all: 'leave', kinds: { rule: 'bring' } }, false],
    ['stay when what they read stays', { items: { q: 'leave' } }, false],
    ['a heading that comes for a child is no end', { units: { u2: 'leave' }, items: { other: 'bring' } }, false],
    ['a person can leave one by itself', { items: { r: 'leave' } }, false],
  ])('%s', (_, choices, comes) => expect(decide(ruled, choices).get('r')!.bring).toBe(comes));
  it('name the end that is missing', () => {
    expect(decide(ruled, { items: { q: 'leave' } }).get('r')!.why).toEqual([{ reason: 'endMissing', item: 'q' }]);
  });
  it('that stay while what they guard comes are named, also where that is the first thing of the course', () => {
    const course = oldCourse(
      item('page', 'lab'),
      item('quiz', 'q'),
      item('rule', 'r', {
        links: [
          { type: 'reads', to: 'q' },
          { type: 'guards', to: 'gone' },
          { type: 'guards', to: 'lab' },
        ],
      }),
    );
    const index = indexChoices(asSnapshot(course), []);
    const broken = (choices: Choices): readonly unknown[] =>
      brokenNeeds(
        index,
        chooseOn(index, choices, () => false),
        choices,
        [],
        () => false,
      );
    expect(broken({ items: { q: 'leave' } })).toEqual([{ is: 'ruleStays', rule: 'r', guards: 'lab', reads: 'q' }]);
    expect(broken({ items: { q: 'leave', lab: 'leave' } })).toEqual([]);
    expect(broken({ items: { q: 'leave' }, letOpen: { r: true } })).toEqual([]);
    expect(broken({ items: { q: 'leave' }, landing: 'hidden' })).toEqual([]);
  });
  it('count an end that the shell has', () => {
    expect(decide(ruled, { items: { q: 'leave' } }, (id) => id === 'q').get('r')!.bring).toBe(true);
  });
});

describe('outside work', () => {
  const tool = item('toolLink', 't', { details: { outsideCourseId: '1' } });
  const work = item('assignment', 'w', {
    parent: 'unit',
    links: [
      { type: 'launches', to: 't' },
      { type: 'gradedIn', to: 'line' },
      { type: 'teams', to: 'crews' },
    ],
  });
  const held = oldCourse(
    tool,
    work,
    item('unit', 'unit', { body: '<p>unit</p>' }),
    item('lineItem', 'line', { links: [{ type: 'gradedIn', to: 'labs' }] }),
    item('gradeCategory', 'labs'),
    item('groups', 'crews'),
  );
  it('keeps its place with its heading, its line and its category, and nothing else', () => {
    const decisions = decide(held, {
      kinds: { lineItem: 'leave', gradeCategory: 'leave', groups: 'leave', unit: 'leave' },
    });
    expect(decisions.get('w')).toMatchObject({ bring: false, place: true });
    expect(['unit', 'line', 'labs', 'crews', 't'].map((id) => decisions.get(id)!.bring)).toEqual([
      true,
      true,
      true,
      false,
      false,
    ]);
  });
  it.each<[string, Choices]>([
    ['refused', { places: { w: false } }],
    ['left by itself', { items: { w: 'leave' } }],
    ['left with its kind', { kinds: { assignment: 'leave' } }],
    ['brought', { items: { w: 'bring' } }],
  ])('keeps no place when it is %s', (_, choices) => expect(decide(held, choices).get('w')!.place).toBe(false));
});

describe('lines of the gradebook', () => {
  const graded = (id: string, line: string): Item => item('quiz', id, { links: [{ type: 'gradedIn', to: line }] });
  const course = oldCourse(
    item('gradeCategory', 'labs'),
    ...['l1', 'l2', 'paper'].map((id) => item('lineItem', id, { links: [{ type: 'gradedIn', to: 'labs' }] })),
    graded('q1', 'l1'),
    graded('q2', 'l2'),
    item('assignment', 'a2', { links: [{ type: 'gradedIn', to: 'l2' }] }),
    item('page', 'p', { links: [{ type: 'launches', to: 'q1' }] }),
  );
  const lines = (choices: Choices): string[] => {
    const decisions = decide(course, choices);
    return ['l1', 'l2', 'paper'].filter((id) => decisions.get(id)!.bring);
  };
  it.each<[string, Choices, string[]]>([
    ['all come with their work', {}, ['l1', 'l2', 'paper']],
    ['one whose only work stays behind stays too', { kinds: { quiz: 'leave', page: 'leave' } }, ['l2', 'paper']],
    [
      'unless it was chosen by itself',
      { kinds: { quiz: 'leave', page: 'leave' }, items: { l1: 'bring' } },
      ['l1', 'l2', 'paper'],
    ],
    ['or by its kind', { kinds: { quiz: 'leave', page: 'leave', lineItem: 'bring' } }, ['l1', 'l2', 'paper']],
    ['or its work is needed after all', { items: { q1: 'leave' } }, ['l1', 'l2', 'paper']],
    ['all of its work has to stay', { items: { q2: 'leave', a2: 'leave' } }, ['l1', 'paper']],
  ])('%s', (_, choices, expected) => expect(lines(choices)).toEqual(expected));
  it('say with what they stay', () => {
    const [why] = decide(course, { items: { q2: 'leave', a2: 'leave' } }).get('l2')!.why;
    expect(why).toEqual({ reason: 'workStays', item: 'q2' });
  });
});

describe('events that name work', () => {
  /** In a class meeting, so that no finding leaves it. */
  const inClass = (id: string, title: string): Item =>
    item('event', id, { title, moments: [{ id: `${id}-starts`, role: 'starts', at: '2026-02-02T10:10' }] });
  const course = oldCourse(
    item('quiz', 'q', { title: 'Quiz 3' }),
    item('quiz', 'q30', { title: 'Quiz 30' }),
    item('assignment', 'a', { title: 'Field journal' }),
    item('assignment', 'copy', { title: 'Field journal (2)' }),
    item('assignment', 'essay', { title: 'Essay' }),
    inClass('review', 'Review for quiz 3, room 12'),
    inClass('late', 'Quiz 30!'),
    inClass('due', 'FIELD JOURNAL due'),
    inClass('talk', 'Essay evening'),
  );
  const events = (choices: Choices): string[] => {
    const decisions = decide(course, choices);
    return ['review', 'late', 'due', 'talk'].filter((id) => decisions.get(id)!.bring);
  };
  it.each<[string, Choices, string[]]>([
    ['come with it', {}, ['review', 'late', 'due', 'talk']],
    ['stay with it, and those of other numbers do not', { items: { q: 'leave' } }, ['late', 'due', 'talk']],
    ['stay when all of that title does', { items: { a: 'leave' } }, ['review', 'late', 'talk']],
    ['come when one of that title does', { items: { a: 'leave', copy: 'bring' } }, ['review', 'late', 'due', 'talk']],
    [
      'stay with all of one kind, but for a title of one word',
      { kinds: { quiz: 'leave', assignment: 'leave' } },
      ['talk'],
    ],
    [
      'come when chosen by themselves',
      { kinds: { quiz: 'leave' }, items: { review: 'bring' } },
      ['review', 'due', 'talk'],
    ],
    ['come when chosen by their kind', { kinds: { quiz: 'leave', event: 'bring' } }, ['review', 'late', 'due', 'talk']],
  ])('%s', (_, choices, expected) => expect(events(choices)).toEqual(expected));
});

describe('the rubric of chosen work', () => {
  const course = oldCourse(
    item('assignment', 'w', { links: [{ type: 'scored', to: 'r' }] }),
    item('page', 'p'),
    item('rubric', 'r'),
  );
  const rubric = (choices: Choices, isMet?: (id: string) => boolean) => decide(course, choices, isMet).get('r')!;
  it('goes with it where only a few things were chosen, and says so', () => {
    expect(rubric({ all: 'leave', items: { w: 'bring' } })).toMatchObject({
      bring: true,
      why: [{ reason: 'goesWith', item: 'w' }],
    });
    expect(rubric({ all: 'leave', items: { p: 'bring' } }).bring).toBe(false);
  });
  it('stays when somebody left it, or the shell has it', () => {
    expect(rubric({ all: 'leave', items: { w: 'bring', r: 'leave' } }).bring).toBe(false);
    expect(rubric({ kinds: { rubric: 'leave' } }).bring).toBe(false);
    expect(rubric({ all: 'leave', items: { w: 'bring' } }, (id) => id === 'r')).toMatchObject({
      bring: false,
      met: true,
    });
  });
});

describe('only what the shell lacks', () => {
  it('leaves what answers to something there, unless it was chosen by itself', () => {
    const isMet = (id: string): boolean => id === 'p' || id === 'other';
    const decisions = decide(COURSE, { onlyLacking: true, items: { other: 'bring' } }, isMet);
    expect(decisions.get('p')).toMatchObject({ bring: false, why: [{ reason: 'standsThere' }] });
    expect(['q', 'other'].map((id) => decisions.get(id)!.bring)).toEqual([true, true]);
  });
});

describe('for any course', () => {
  const things = ['a', 'b', 'c', 'd', 'e', 'f'];
  const rules = ['r1', 'r2'];
  const ids = [...things, ...rules];
  /** Things in units, in circles too, that need each other or nothing that is there; rules that read them and each other. */
  const anyCourse = fc
    .record({
      things: fc.tuple(
        ...things.map(() =>
          fc.record({
            kind: fc.constantFrom('unit' as const, 'page' as const, 'quiz' as const, 'questionBank' as const),
            parent: fc.option(fc.constantFrom(...things, 'missing'), { nil: undefined }),
            needs: fc.array(fc.constantFrom(...things, 'missing'), { maxLength: 2 }),
          }),
        ),
      ),
      rules: fc.tuple(...rules.map(() => fc.array(fc.constantFrom(...ids, 'missing'), { maxLength: 2 }))),
    })
    .map((drawn) =>
      oldCourse(
        ...drawn.things.map(({ kind, parent, needs }, index): Item =>
          item(kind, things[index]!, {
            body: `<p>${index}</p>`,
            ...(parent === undefined || parent === things[index] ? {} : { parent }),
            links: needs.map((to) => ({ type: 'draws', to })),
          }),
        ),
        ...drawn.rules.map((ends, index): Item =>
          item('rule', rules[index]!, { links: ends.map((to) => ({ type: 'reads', to })) }),
        ),
      ),
    );
  const side = fc.constantFrom('bring' as const, 'leave' as const);
  const anyChoices: fc.Arbitrary<Choices> = fc.record({
    all: side,
    kinds: fc.dictionary(fc.constantFrom('page', 'quiz', 'unit'), side),
    units: fc.dictionary(fc.constantFrom(...ids), side),
    items: fc.dictionary(fc.constantFrom(...ids), side),
  });
  const known = (course: Course, id: string | undefined): id is string =>
    id !== undefined && course.items.some((each) => each.id === id);

  it('no must need and no heading of a brought thing is unmet, circles and missing targets or not', () => {
    fc.assert(
      fc.property(anyCourse, anyChoices, (course, choices) => {
        const decisions = decide(course, choices);
        for (const each of course.items) {
          if (!decisions.get(each.id)!.bring) continue;
          if (known(course, each.parent)) expect(decisions.get(each.parent)!.bring).toBe(true);
          for (const { type, to } of each.links ?? [])
            if (isMust(type) && known(course, to)) expect(decisions.get(to)!.bring).toBe(true);
        }
      }),
    );
  });
  it('choosing what came brings nothing more', () => {
    fc.assert(
      fc.property(anyCourse, anyChoices, (course, choices) => {
        const first = coming(course, choices);
        const again = coming(course, {
          ...choices,
          items: { ...choices.items, ...Object.fromEntries(first.map((id) => [id, 'bring' as const])) },
        });
        expect(again.filter((id) => id !== undefined)).toEqual(expect.arrayContaining(first));
        expect(new Set(again)).toEqual(new Set([...first, ...rulesOf(course, again)]));
      }),
    );
  });
  it('choosing one more takes nothing away', () => {
    fc.assert(
      fc.property(anyCourse, anyChoices, fc.constantFrom(...ids), (course, choices, one) => {
        const first = coming(course, choices);
        const more = coming(course, { ...choices, items: { ...choices.items, [one]: 'bring' } });
        expect(more).toEqual(expect.arrayContaining(first));
      }),
    );
  });
  it('the order of the items does not matter', () => {
    fc.assert(
      fc.property(anyCourse, anyChoices, (course, choices) => {
        const turned = { ...course, items: [...course.items].reverse() };
        expect(new Set(coming(turned, choices))).toEqual(new Set(coming(course, choices)));
      }),
    );
  });
  it('leaving all leaves nothing, and says no chain in a circle', () => {
    fc.assert(
      fc.property(anyCourse, (course) => {
        expect(coming(course, { all: 'leave' }).filter((id) => !rulesOf(course, [id]).includes(id))).toEqual([]);
        const decisions = decide(course);
        for (const { id } of course.items)
          expect(chainOf(decisions, decisions.get(id)!).length).toBeLessThanOrEqual(course.items.length + 1);
      }),
    );
  });
  /** Rules come by themselves when their ends do. */
  function rulesOf(course: Course, among: readonly string[]): string[] {
    return course.items.filter(({ id, kind }) => kind === 'rule' && among.includes(id)).map(({ id }) => id);
  }
});

import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';
import { choose } from '../../src/choose/choose.js';
import { findFindings } from '../../src/choose/findFindings.js';
import { isMust } from '../../src/course/links.js';
import type { Choices } from '../../src/schemas/choices.js';
import type { Course, Item } from '../../src/schemas/course.js';
import { asSnapshot, item, newShell, oldCourse, unit } from '../builders.js';

const decide = (course: Course, choices: Choices = {}, isMet: (id: string) => boolean = () => false) =>
  choose({ source: asSnapshot(course), findings: findFindings(course, newShell()), choices, isMet });
const coming = (course: Course, choices: Choices = {}): string[] =>
  [...decide(course, choices)].filter(([, { bring }]) => bring).map(([id]) => id);

const QUIZ = item('quiz', 'q', { body: '<p>Ten</p>', links: [{ type: 'draws', to: 'bank', quantity: 10 }] });
const COURSE = oldCourse(
  ...unit('u1', item('page', 'p', { body: '<img src="item:map.png">' }), QUIZ),
  item('questionBank', 'bank'),
  item('file', 'map.png'),
  ...unit('u2', item('page', 'other', { body: '<p>x</p>' })),
);

describe('the narrowest choice wins', () => {
  it('without choices everything comes but what findings leave', () => {
    expect(coming(COURSE)).toEqual(['u1', 'p', 'q', 'bank', 'map.png', 'u2', 'other']);
  });
  it('item before unit before kind before all', () => {
    expect(
      coming(COURSE, { all: 'leave', kinds: { page: 'bring' }, units: { u1: 'leave' }, items: { q: 'bring' } }),
    ).toEqual(['u1', 'q', 'bank', 'u2', 'other']);
  });
  it('a mark “never carry on” beats every finding and yields to a choice of the item', () => {
    const marked = { ...COURSE, marks: [{ item: 'other', mark: 'never' as const }] };
    expect(coming(marked)).not.toContain('other');
    expect(coming(marked, { items: { other: 'bring' } })).toContain('other');
  });
  it('a finding turned by a person stays turned', () => {
    const stale = oldCourse(item('announcement', 'a', { body: '<p>See you tomorrow.</p>' }));
    expect(coming(stale)).toEqual([]);
    expect(coming(stale, { findings: { lastTermsAnnouncement: 'bring' } })).toEqual(['a']);
  });
});

describe('what must come along comes along and says why', () => {
  it('a quiz brings its bank, a page its picture, both their heading and nothing else of it', () => {
    const decisions = decide(COURSE, { all: 'leave', items: { q: 'bring' } });
    expect(decisions.get('bank')).toMatchObject({ bring: true, why: [{ reason: 'neededBy', item: 'q' }] });
    expect(decisions.get('u1')).toMatchObject({ bring: true, why: [{ reason: 'parentOf', item: 'q' }] });
    expect(decisions.get('p')!.bring).toBe(false);
  });
  it('what the shell has is not brought again', () => {
    const decisions = decide(COURSE, { all: 'leave', items: { q: 'bring' } }, (id) => id === 'bank');
    expect(decisions.get('bank')).toMatchObject({ bring: false, met: true });
  });
  it('a rule comes when both its ends do, else it stays and names the missing one', () => {
    const ruled = oldCourse(
      ...COURSE.items,
      item('rule', 'r', {
        links: [
          { type: 'reads', to: 'q' },
          { type: 'guards', to: 'u2' },
        ],
      }),
    );
    expect(decide(ruled).get('r')).toMatchObject({ bring: true });
    expect(decide(ruled, { items: { q: 'leave' } }).get('r')).toMatchObject({
      bring: false,
      why: [{ reason: 'endMissing', item: 'q' }],
    });
    // A heading that comes only for a child is no guarded item.
    expect(decide(ruled, { units: { u2: 'leave' }, items: { other: 'bring' } }).get('r')!.bring).toBe(false);
  });
  it('outside work keeps its place unless it is refused or left by hand', () => {
    const tool = item('toolLink', 't', { details: { outsideCourseId: '1' } });
    const work = item('assignment', 'w', {
      links: [
        { type: 'launches', to: 't' },
        { type: 'gradedIn', to: 'line' },
      ],
    });
    const held = oldCourse(tool, work, item('lineItem', 'line'));
    expect(decide(held).get('w')).toMatchObject({ bring: false, place: true });
    expect(decide(held, { all: 'bring' }).get('line')!.bring).toBe(true);
    expect(decide(held, { places: { w: false } }).get('w')!.place).toBe(false);
    expect(decide(held, { items: { w: 'leave' } }).get('w')!.place).toBe(false);
  });
});

describe('for any course', () => {
  const ids = ['a', 'b', 'c', 'd', 'e', 'f'];
  const anyCourse = fc
    .array(
      fc.record({
        kind: fc.constantFrom('unit' as const, 'page' as const, 'quiz' as const, 'questionBank' as const),
        parent: fc.option(fc.constantFrom(...ids), { nil: undefined }),
        needs: fc.option(fc.constantFrom(...ids), { nil: undefined }),
      }),
      { minLength: 6, maxLength: 6 },
    )
    .map((drawn) =>
      oldCourse(
        ...drawn.map(({ kind, parent, needs }, index): Item =>
          item(kind, ids[index]!, {
            body: `<p>${index}</p>`,
            ...(parent === undefined || parent === ids[index] ? {} : { parent }),
            ...(needs === undefined ? {} : { links: [{ type: 'draws', to: needs }] }),
          }),
        ),
      ),
    );
  const anyChoices = fc.record({
    all: fc.constantFrom('bring' as const, 'leave' as const),
    items: fc.dictionary(fc.constantFrom(...ids), fc.constantFrom('bring' as const, 'leave' as const)),
  });

  it('no need and no heading of a brought thing is unmet, cycles or not', () => {
    fc.assert(
      fc.property(anyCourse, anyChoices, (course, choices) => {
        const decisions = decide(course, choices);
        for (const each of course.items) {
          if (!decisions.get(each.id)!.bring) continue;
          if (each.parent !== undefined) expect(decisions.get(each.parent)!.bring).toBe(true);
          for (const { type, to } of each.links ?? []) if (isMust(type)) expect(decisions.get(to)!.bring).toBe(true);
        }
      }),
    );
  });
  it('choosing what came changes nothing, and leaving all leaves nothing', () => {
    fc.assert(
      fc.property(anyCourse, anyChoices, (course, choices) => {
        const first = coming(course, choices);
        const again = coming(course, {
          all: 'leave',
          items: Object.fromEntries(first.map((id) => [id, 'bring' as const])),
        });
        expect(again).toEqual(first);
        expect(coming(course, { all: 'leave' })).toEqual([]);
      }),
    );
  });
});

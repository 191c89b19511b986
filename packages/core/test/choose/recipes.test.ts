import { describe, expect, it } from '@jest/globals';
import { findFindings } from '../../src/choose/findings/findFindings.js';
import {
  applyRecipe,
  knownIn,
  lockedItems,
  partsOf,
  recipeOf,
  withLocks,
  type StandingRecipe,
} from '../../src/choose/recipes.js';
import type { Choices } from '../../src/schemas/choices.js';
import { asSnapshot, item, newShell, oldCourse } from '../builders.js';

const COURSE = oldCourse(
  item('page', 'p', { body: '<p>Text</p>' }),
  item('survey', 's', { body: '<p>Ask</p>' }),
  item('announcement', 'a', { body: '<p>Closed today.</p>' }),
);
const ground = (course = COURSE) => ({ source: asSnapshot(course), findings: findFindings(course, newShell()) });
const CHOICES: Choices = {
  kinds: { survey: 'leave' },
  findings: { lastTermsAnnouncement: 'bring' },
  landing: 'draft',
  items: { p: 'leave' },
  units: { u: 'leave' },
  places: { x: false },
};

describe('a recipe', () => {
  it('holds what was chosen by rule, and names no thing', () => {
    expect(recipeOf(CHOICES)).toEqual({
      kinds: { survey: 'leave' },
      findings: { lastTermsAnnouncement: 'bring' },
      landing: 'draft',
    });
    expect(recipeOf({ items: { p: 'leave' }, kinds: {} })).toEqual({});
  });
  it('names its parts', () => {
    expect(partsOf(recipeOf(CHOICES))).toEqual(['kinds.survey', 'findings.lastTermsAnnouncement', 'landing']);
  });
  it('applied, says what it decided here, and leaves what was chosen of single things', () => {
    const { source, findings } = ground();
    const applied = applyRecipe(recipeOf(CHOICES), knownIn(source, findings), ground(), {
      kinds: { page: 'leave' },
      items: { p: 'bring' },
    });
    expect(applied.choices).toEqual({ ...recipeOf(CHOICES), items: { p: 'bring' } });
    expect(applied.decided).toEqual([
      'leaves surveys, 1',
      'brings announcements of last term, 1',
      'lands things as draft',
    ]);
    expect(applied.couldNot).toEqual([]);
  });
  it('says what it does not speak of, and what it speaks of that is not here', () => {
    const { source, findings } = ground();
    const knows = knownIn(source, findings);
    const other = oldCourse(
      item('page', 'p', { body: '<p>Text</p>' }),
      item('rubric', 'r', { body: '<p>Rows</p>' }),
      item('quiz', 'q', { body: '<p>Ten</p>' }),
    );
    const { couldNot, decided } = applyRecipe(recipeOf(CHOICES), knows, ground(other), {});
    expect(decided).toEqual(['lands things as draft']);
    expect(couldNot).toEqual([
      '2 kinds here that the recipe does not speak of: quizzes, rubrics',
      '1 finding here that the recipe does not speak of: used by nothing',
      'it speaks of surveys, announcements of last term; there are none here',
    ]);
  });
});

describe('locked parts', () => {
  const standing = (...locks: string[]): StandingRecipe => ({
    id: 'r',
    name: 'College',
    choices: { kinds: { survey: 'leave' }, findings: { lastTermsAnnouncement: 'leave' }, landing: 'draft' },
    locks,
  });
  const held = (choices: Choices, ...locks: string[]): Choices => withLocks(choices, standing(...locks), ground());
  it.each<[string, Choices, string, Choices]>([
    ['the landing', { landing: 'hidden' }, 'landing', { landing: 'draft' }],
    [
      'a kind, also of single things',
      { kinds: { survey: 'bring', page: 'leave' }, items: { s: 'bring', p: 'bring' } },
      'kinds.survey',
      { kinds: { survey: 'leave', page: 'leave' }, items: { p: 'bring' } },
    ],
    [
      'a finding, also of single things',
      { findings: { lastTermsAnnouncement: 'bring' }, items: { a: 'bring' } },
      'findings.lastTermsAnnouncement',
      { findings: { lastTermsAnnouncement: 'leave' }, items: {} },
    ],
    ['a part that the recipe does not have is passed over', { landing: 'hidden' }, 'kinds.wiki', { landing: 'hidden' }],
  ])('hold whatever is chosen: %s', (_, choices, lock, expected) => expect(held(choices, lock)).toEqual(expected));
  it('bind what is of a locked kind, or has a locked finding, and nothing else', () => {
    const course = oldCourse(
      item('announcement', 'a', { body: '<p>Today.</p>' }),
      item('file', 'f'),
      item('survey', 's'),
      item('page', 'p', { body: '<p>Text</p>' }),
    );
    const bound = (...locks: string[]): string[] => [...lockedItems(standing(...locks), ground(course))];
    expect(bound('findings.lastTermsAnnouncement')).toEqual(['a']);
    expect(bound('findings.unused')).toEqual(['f']);
    expect(bound('kinds.survey')).toEqual(['s']);
    expect(bound('landing')).toEqual([]);
  });
  it('nothing is locked without locks', () => {
    expect(held({ landing: 'hidden' })).toEqual({ landing: 'hidden' });
    expect(withLocks({ landing: 'hidden' }, undefined, ground())).toEqual({ landing: 'hidden' });
  });
});

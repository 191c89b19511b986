import { describe, expect, it } from '@jest/globals';
import type { Choices, PlanLine, SnapshotItem, Why } from '@yarin/core';
import { chainWords } from '../src/plan/state/planWords.js';
import { useUndo } from '../src/shared/useUndo.js';
import { differencesOf } from '../src/plan/what/turned/bothSides.js';
import { choicesAfterPress, choicesAfterTurn, choicesForThese } from '../src/plan/what/rows/choosing.js';
import { grouped, type Apart, type Grouping } from '../src/plan/what/rows/grouping.js';
import { partWords } from '../src/plan/what/panels/recipeWords.js';
import { filterRows } from '../src/plan/what/rows/filterRows.js';
import type { BoxState, OldRow } from '../src/plan/what/rows/spreadRow.js';
import { narrowedRows, shownThings } from '../src/plan/what/rows/narrowed.js';
import { categoriesOf } from '../src/plan/what/rows/categories.js';
import { changeOf } from '../src/plan/what/rows/changes.js';
import { headingOver, isFolded, turned, unfoldedRows } from '../src/plan/what/rows/folding.js';

const thing = (id: string, rest: Partial<SnapshotItem> = {}): SnapshotItem => ({
  id,
  kind: 'page',
  title: id,
  contentHash: id,
  ...rest,
});
const row = (box: BoxState, covers: readonly string[], rest: Partial<OldRow> = {}): OldRow => ({
  key: covers[0]!,
  title: covers[0]!,
  depth: 0,
  isHeading: covers.length > 1,
  item: thing(covers[0]!, { kind: covers.length > 1 ? 'unit' : 'page' }),
  ofKind: undefined,
  ofFinding: undefined,
  covers,
  box,
  note: '',
  kind: '',
  date: '',
  strand: 'comes',
  to: null,
  from: undefined,
  state: undefined,
  also: '',
  tally: '',
  ...rest,
});
const left = (id: string, reason: Why['reason']): [string, PlanLine] => [
  id,
  { source: 'old', item: id, verb: 'leave', why: [{ reason }], to: null },
];
const NOTHING = (): PlanLine | undefined => undefined;

describe('pressing a row', () => {
  it('turns a single thing by itself', () => {
    expect(choicesAfterPress(row('on', ['p']), {}, NOTHING).choices).toEqual({ items: { p: 'leave' } });
    expect(choicesAfterPress(row('off', ['p']), { items: { q: 'leave' } }, NOTHING).choices).toEqual({
      items: { q: 'leave', p: 'bring' },
    });
  });
  it('takes a unit with all that it holds, and what was chosen inside it gives way', () => {
    const choices: Choices = { items: { a: 'bring', z: 'leave' }, units: { inner: 'leave' } };
    expect(choicesAfterPress(row('on', ['u', 'inner', 'a']), choices, NOTHING).choices).toEqual({
      items: { z: 'leave' },
      units: { u: 'leave' },
    });
  });
  it.each<[string, Why['reason'], 'bring' | 'leave']>([
    ['brings the rest where a person left it', 'item', 'bring'],
    ['leaves it where only findings did, since bringing turns none', 'finding', 'leave'],
  ])('that comes in part %s', (_, reason, choice) => {
    const lines = new Map([left('a', reason)]);
    expect(choicesAfterPress(row('part', ['u', 'a', 'b']), {}, (id) => lines.get(id)).choice).toBe(choice);
  });
  it('of a kind chooses the kind, so that it can be saved as a recipe', () => {
    const heading = row('on', ['a', 'b'], { item: undefined, ofKind: 'survey' });
    expect(choicesAfterPress(heading, { items: { a: 'bring' } }, NOTHING).choices).toEqual({
      items: {},
      kinds: { survey: 'leave' },
    });
  });
  it('of an area chooses what stands in it', () => {
    const heading = row('on', ['a', 'b'], { item: undefined });
    expect(choicesAfterPress(heading, {}, NOTHING).choices).toEqual({ items: { a: 'leave', b: 'leave' } });
  });
  it('of a finding turns the finding', () => {
    const heading = row('off', ['a', 'b'], { item: undefined, ofFinding: 'meetingLink' });
    expect(choicesAfterPress(heading, { items: { a: 'leave' } }, NOTHING).choices).toEqual({
      items: {},
      findings: { meetingLink: 'bring' },
    });
  });
  it('brings one by one what findings left of an area, since nothing wider would', () => {
    const heading = row('off', ['a', 'b'], { item: undefined });
    const lines = new Map([left('a', 'finding'), left('b', 'finding')]);
    expect(choicesAfterPress(heading, {}, (id) => lines.get(id)).choices).toEqual({
      items: { a: 'bring', b: 'bring' },
    });
  });
  it('turning a finding takes its single choices back, and it can be given back', () => {
    const choices: Choices = { items: { a: 'bring', z: 'leave' }, findings: { double: 'bring' } };
    expect(choicesAfterTurn('meetingLink', ['a'], 'leave', choices)).toEqual({
      findings: { double: 'bring', meetingLink: 'leave' },
      items: { z: 'leave' },
    });
    expect(choicesAfterTurn('double', ['a'], 'default', choices).findings).toEqual({});
  });
});

describe('the rows of a page', () => {
  const ofOne = () => ({ name: '', place: 0 });
  const apart = { findingOf: () => undefined, sourceOf: ofOne, categoryOf: () => undefined, changeOf: ofOne };
  const headings = (items: SnapshotItem[], by: Grouping, rest: Partial<Apart<SnapshotItem>> = {}): string[] =>
    grouped(items, by, { ...apart, ...rest }).map((each) => each.heading ?? `  ${each.item.id}`);
  it('stand by source in the order of the courses, whichever has the first thing', () => {
    const items = [thing('welcome'), thing('rules'), thing('ice')];
    const source = ({ id }: SnapshotItem) =>
      id === 'welcome' ? { name: 'Fall 2025', place: 1 } : { name: 'Spring 2026', place: 0 };
    const said = grouped(items, 'source', { ...apart, sourceOf: source });
    expect(said.map((each) => each.heading ?? each.item.id)).toEqual([
      'Spring 2026',
      'rules',
      'ice',
      'Fall 2025',
      'welcome',
    ]);
  });
  it('stand by finding under its first one, what has none at the end', () => {
    const items = [thing('plain'), thing('twice', { kind: 'file' }), thing('gone', { kind: 'announcement' })];
    const finding = (item: SnapshotItem) =>
      item.id === 'twice' ? ('double' as const) : item.id === 'gone' ? ('lastTermsAnnouncement' as const) : undefined;
    const said = grouped(items, 'finding', { ...apart, findingOf: finding }).map(
      (each) => each.heading ?? each.item.id,
    );
    expect(said).toEqual(['Announcements of last term', 'gone', 'Doubles', 'twice', 'Nothing found', 'plain']);
  });
  it('say by kind what it brings, what never comes and what it needs', () => {
    const [heading] = grouped([thing('q', { kind: 'quiz' })], 'kind', apart);
    expect(heading).toMatchObject({
      heading: 'Quizzes',
      says: 'Settings and draws; never attempts. Needs its banks and line.',
    });
  });
  it('are narrowed to the words that were typed, with the headings over them', () => {
    const rows = [
      row('on', ['u1', 'x'], { title: 'Unit 1' }),
      row('on', ['p1'], { title: 'Rivers', depth: 1 }),
      row('on', ['u2', 'x'], { title: 'Unit 2' }),
      row('on', ['p2'], { title: 'Lakes', depth: 1, note: 'video meetings' }),
    ];
    const shown = (typed: string): string[] => filterRows(rows, typed).shown.map(({ title }) => title);
    expect(shown('lakes')).toEqual(['Unit 2', 'Lakes']);
    expect(shown('MEETING lak')).toEqual(['Unit 2', 'Lakes']);
    expect(filterRows(rows, '  ').shown).toBe(rows);
    expect(shown('ocean')).toEqual([]);
  });
  it('stand by category of the gradebook, work under that of its line, and the set-up by itself', () => {
    const items = [
      thing('talk', { kind: 'discussion', links: [{ type: 'gradedIn', to: 'line' }] }),
      thing('reading'),
      thing('line', { kind: 'lineItem', links: [{ type: 'gradedIn', to: 'part' }] }),
      thing('part', { kind: 'gradeCategory', title: 'Participation' }),
      thing('lost', { kind: 'quiz', links: [{ type: 'gradedIn', to: 'a line that is gone' }] }),
    ];
    const by = headings(items, 'category', { categoryOf: categoriesOf(items) });
    expect(by).toEqual([
      'Gradebook set-up',
      '  line',
      '  part',
      'Participation',
      '  talk',
      'In no category',
      '  reading',
      '  lost',
    ]);
  });
  it('stand by state, what was archived by the one before, what nobody opens at the end', () => {
    const items = [
      thing('bank', { kind: 'questionBank', state: 'draft' }),
      thing('notes', { state: 'draft' }),
      thing('old', { state: 'hidden', stateBefore: 'open' }),
      thing('key', { state: 'hidden' }),
    ];
    expect(headings(items, 'state')).toEqual([
      'Open',
      '  old',
      'Draft',
      '  notes',
      'Hidden',
      '  key',
      'Nothing that learners open',
      '  bank',
    ]);
  });
  it.each([
    ['Changed in the old course since it was brought', { verb: 'update', to: 'x' }, true],
    ['Changed on both sides since it was brought', { verb: 'ask', to: 'x' }, true],
    ['Changed in the new course since it was brought', { verb: 'keep', to: 'x' }, true],
    ['Taken out of the new course by hand', { verb: 'keep', to: null, was: 'x' }, true],
    ['As it was brought', { verb: 'same', to: 'x' }, true],
    ['Not brought yet', { verb: 'ask', to: 'x' }, false],
    ['Not brought yet', { verb: 'add' }, false],
  ] as const)('stand by what changed: %s', (name, match, wasBrought) =>
    expect(changeOf(match, wasBrought).name).toBe(name),
  );
});

describe('folding', () => {
  const rows = [
    row('on', ['u', 'v', 'p', 'q'], { title: 'u' }),
    row('on', ['v', 'p'], { title: 'v', depth: 1 }),
    row('on', ['p'], { title: 'p', depth: 2 }),
    row('on', ['q'], { title: 'q', depth: 1 }),
    row('on', ['w', 'x'], { title: 'w' }),
  ];
  const seen = (...folded: string[]): string[] =>
    unfoldedRows(rows, (key) => folded.includes(key)).map(({ title }) => title);
  it('hides what stands under a heading, in any depth, and nothing behind it', () => {
    expect(seen()).toEqual(['u', 'v', 'p', 'q', 'w']);
    expect(seen('v')).toEqual(['u', 'v', 'q', 'w']);
    expect(seen('u')).toEqual(['u', 'w']);
  });
  it('of a heading that holds nothing hides nothing', () => expect(seen('w')).toHaveLength(5));
  it('knows the heading over a row', () => {
    expect([2, 3, 0].map((at) => headingOver(rows, at))).toEqual([1, 0, -1]);
  });
  it('is turned one by one against what holds for all', () => {
    const once = turned({ all: true, others: [] }, 'u');
    expect([isFolded(once, 'u'), isFolded(once, 'v')]).toEqual([false, true]);
    expect(isFolded(turned(once, 'u'), 'u')).toBe(true);
  });
});

describe('with a filter in force', () => {
  const rows = [
    row('part', ['u', 'a', 'b', 'c'], { title: 'Unit of work' }),
    row('on', ['a'], { title: 'Quiz A', depth: 1 }),
    row('off', ['b'], { title: 'Quiz B', depth: 1 }),
    row('on', ['c'], { title: 'Page C', depth: 1 }),
    row('on', ['w', 'd'], { title: 'Week' }),
    row('on', ['d'], { title: 'Page D', depth: 1 }),
  ];
  it('a heading acts on what is shown under it, and says how many of it come', () => {
    const [heading] = narrowedRows(rows, 'quiz');
    expect(heading).toMatchObject({ covers: ['a', 'b'], box: 'part', tally: '1 of 2 shown', isNarrowed: true });
    expect(choicesAfterPress(heading!, { items: { c: 'leave' } }, NOTHING)).toEqual({
      choice: 'leave',
      choices: { items: { a: 'leave', b: 'leave', c: 'leave' } },
    });
  });
  it('a heading of which nothing is shown stands for all that it holds', () => {
    const [heading] = narrowedRows(rows, 'week');
    expect(heading).toMatchObject({ title: 'Week', covers: ['w', 'd'] });
    expect(heading!.isNarrowed).toBeUndefined();
  });
  it('one choice takes the things shown, each once, and not the headings over them', () => {
    expect(shownThings(narrowedRows(rows, 'quiz'))).toEqual(['a', 'b']);
    expect(shownThings(narrowedRows(rows, 'page'))).toEqual(['c', 'd']);
  });
  it('finds things by their state and by their category', () => {
    const draft = row('on', ['e'], { state: 'draft', also: 'Participation' });
    expect(narrowedRows([...rows, draft], 'draft participation')).toEqual([draft]);
  });
});

describe('what was taken out of the shell by hand', () => {
  const out: PlanLine = { source: 'old', item: 'a', verb: 'keep', why: [{ reason: 'all' }], to: null };
  it('is put back when it is brought, and is out again when that is left', () => {
    const back = choicesForThese(['a'], 'bring', {}, () => out);
    expect(back).toEqual({ items: { a: 'bring' }, putBack: { a: true } });
    expect(choicesForThese(['a'], 'leave', back, () => ({ ...out, verb: 'add', to: 'a' }))).toEqual({
      items: { a: 'bring' },
      putBack: {},
    });
  });
});

describe('undoing', () => {
  it('goes back step by step and forth again, until something else is done', () => {
    const steps = useUndo<string>();
    steps.note('a', 'first');
    steps.note('b', 'second');
    expect(steps.undoable.value).toBe('second');
    expect(steps.undo('c')).toEqual({ state: 'b', what: 'second' });
    expect(steps.undo('b')).toEqual({ state: 'a', what: 'first' });
    expect(steps.undo('a')).toBeUndefined();
    expect(steps.redo('a')).toEqual({ state: 'b', what: 'first' });
    expect([steps.undoable.value, steps.redoable.value]).toEqual(['first', 'second']);
    steps.note('b', 'third');
    expect(steps.redo('d')).toBeUndefined();
  });
});

describe('words', () => {
  it('of a chain lead up to what was chosen', () => {
    const titles: Record<string, string> = { p: 'Reading a river', u3: 'Unit 3' };
    const why: Why[] = [
      { reason: 'neededBy', item: 'p' },
      { reason: 'unit', item: 'u3' },
    ];
    expect(chainWords(why, (id) => titles[id]!)).toBe('comes with Reading a river ← in Unit 3, which you chose');
    expect(chainWords([{ reason: 'all' }], String)).toBe('');
  });
  it('of both sides name only what differs', () => {
    const old = thing('p', { title: 'Pits', bodyHash: '1', points: 10, details: { attempts: 2, ways: ['file'] } });
    const here = thing('p', { title: 'Pits', bodyHash: '2', details: { attempts: 3, ways: ['file'] } });
    const due = [{ id: 'm', role: 'due' as const, at: '2027-02-09T23:59' }];
    expect(differencesOf(old, here, due)).toEqual([
      { field: 'body', words: 'text', shell: 'its own text', source: 'the old text' },
      { field: 'points', words: 'points', shell: 'no points', source: '10 points' },
      { field: 'dates', words: 'dates', shell: 'no date', source: 'due Tue 9 Feb 23:59' },
      { field: 'details', words: 'the rest', shell: 'attempts 3', source: 'attempts 2' },
    ]);
  });
  it('of a recipe say each part', () => {
    const choices = { kinds: { survey: 'leave' }, findings: { double: 'bring' }, landing: 'draft' } as const;
    const words = partWords(choices);
    expect(['kinds.survey', 'findings.double', 'landing'].map(words)).toEqual([
      'leaves surveys',
      'brings doubles',
      'lands draft',
    ]);
  });
});

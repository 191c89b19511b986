import { describe, expect, it } from '@jest/globals';
import type { Choices, PlanLine, SnapshotItem, Why } from '@yarin/core';
import { chainWords } from '../src/plan/state/planWords.js';
import { useUndo } from '../src/shared/useUndo.js';
import { differencesOf } from '../src/plan/what/turned/bothSides.js';
import { choicesAfterPress, choicesAfterTurn } from '../src/plan/what/rows/choosing.js';
import { grouped } from '../src/plan/what/rows/grouping.js';
import { partWords } from '../src/plan/what/panels/recipeWords.js';
import { filterRows } from '../src/plan/what/rows/filterRows.js';
import type { BoxState, OldRow } from '../src/plan/what/rows/spreadRows.js';

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
  strand: undefined,
  to: null,
  from: undefined,
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
  it('stand by source in the order of the courses, whichever has the first thing', () => {
    const items = [thing('welcome'), thing('rules'), thing('ice')];
    const source = ({ id }: SnapshotItem) =>
      id === 'welcome' ? { name: 'Fall 2025', place: 1 } : { name: 'Spring 2026', place: 0 };
    const said = grouped(items, 'source', { findingOf: () => undefined, sourceOf: source });
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
    const said = grouped(items, 'finding', { findingOf: finding, sourceOf: ofOne }).map(
      (each) => each.heading ?? each.item.id,
    );
    expect(said).toEqual(['Announcements of last term', 'gone', 'Doubles', 'twice', 'Nothing found', 'plain']);
  });
  it('say by kind what it brings, what never comes and what it needs', () => {
    const [heading] = grouped([thing('q', { kind: 'quiz' })], 'kind', {
      findingOf: () => undefined,
      sourceOf: ofOne,
    });
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
    expect(filterRows(rows, 'lakes').map(({ title }) => title)).toEqual(['Unit 2', 'Lakes']);
    expect(filterRows(rows, 'MEETING lak').map(({ title }) => title)).toEqual(['Unit 2', 'Lakes']);
    expect(filterRows(rows, '  ')).toBe(rows);
    expect(filterRows(rows, 'ocean')).toEqual([]);
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

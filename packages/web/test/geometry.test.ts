import { describe, expect, it } from '@jest/globals';
import { parseDay, type Calendar, type PreviewDate } from '@yarin/core';
import { anchorsOf, levelHeight } from '../src/plan/what/rows/levelScroll.js';
import { weaveOf } from '../src/plan/when/weaveGeometry.js';

describe('pages that scroll level', () => {
  it('follow the longest run of pairs that goes down on both sides', () => {
    expect(
      anchorsOf([
        [0, 0],
        [1, 9],
        [2, 1],
        [3, 2],
        [4, 3],
      ]),
    ).toEqual([
      [0, 0],
      [2, 1],
      [3, 2],
      [4, 3],
    ]);
    expect(anchorsOf([])).toEqual([]);
  });
  it('lay a row level with where it goes, in proportion between two', () => {
    const anchors = anchorsOf([
      [0, 0],
      [10, 5],
    ]);
    expect(levelHeight(anchors, 28, 10.5 * 28, 0)).toBe(5.5 * 28);
    expect(levelHeight(anchors, 28, 5.5 * 28, 0)).toBe(3 * 28);
    expect(levelHeight(anchors, 28, 5.5 * 28, 1)).toBe(10.5 * 28);
  });
  it('begin level at the top, and go in step after the last pair and without any', () => {
    const anchors = anchorsOf([
      [2, 4],
      [3, 5],
    ]);
    expect(levelHeight(anchors, 28, 0, 0)).toBe(0);
    expect(levelHeight(anchors, 28, 2.5 * 28, 0)).toBe(4.5 * 28);
    expect(levelHeight(anchors, 28, 10 * 28, 0)).toBe(12 * 28);
    expect(levelHeight([], 28, 77, 0)).toBe(77);
  });
});

describe('the weave', () => {
  const old: Calendar = {
    firstDay: '2026-01-12',
    lastDay: '2026-05-08',
    timeZone: 'America/Chicago',
    closures: [{ from: '2026-03-09', to: '2026-03-15', kind: 'break', label: 'Spring break' }],
  };
  const next: Calendar = {
    firstDay: '2027-01-11',
    lastDay: '2027-05-07',
    timeZone: 'America/Chicago',
    closures: [{ from: '2027-03-15', to: '2027-03-21', kind: 'break', label: 'Spring break' }],
  };
  const date = (id: string, from: string, to: string | null, rest: Partial<PreviewDate> = {}): PreviewDate => ({
    id,
    role: 'due',
    from,
    to,
    rule: 'week',
    steps: [],
    flags: [],
    item: id,
    kind: 'quiz',
    title: id,
    graded: true,
    ...rest,
  });
  const dates = [
    date('a', '2026-01-12T10:00', '2027-01-12T10:00'),
    date('b', '2026-01-12T23:59', '2027-01-12T23:59'),
    date('c', '2026-03-15T23:59', '2027-03-07T23:59'),
    date('d', '2026-03-16T23:59', null),
  ];
  const weave = weaveOf(
    { calendar: old, meetings: [{ weekday: 1, start: '10:00', end: '11:00' }] },
    { calendar: next, meetings: [{ weekday: 2, start: '10:00', end: '11:00' }] },
    dates,
    new Set(['c']),
    parseDay('2027-01-13'),
  );

  it('lays the first teaching weeks level and labels the break where it is', () => {
    expect(weave.days).toBe(17 * 7);
    expect(weave.old.weeks[8]!.label).toBe('break');
    expect(weave.new.weeks[9]!.label).toBe('break');
    expect(weave.old.weeks[9]!.label).toBe('9');
  });
  it('bundles dates that go the same way, draws doubts last, and leaves cleared ones out', () => {
    expect(weave.strands.map(({ ids, doubtful }) => [ids, doubtful])).toEqual([
      [['a', 'b'], false],
      [['c'], true],
    ]);
    expect(weave.strands[0]).toMatchObject({ from: 0.5, to: 1.5 });
  });
  it('counts graded work a week on both sides', () => {
    expect(weave.old.weeks[0]!.load).toBe(2);
    expect(weave.old.weeks[9]!.load).toBe(1);
    expect(weave.new.weeks[7]!.load).toBe(1);
  });
  it('of sections that share a shell shows the load of one, and a strand for each', () => {
    const shared = weaveOf(
      { calendar: old, meetings: [] },
      { calendar: next, meetings: [] },
      [
        date('a@A', '2026-01-12T10:00', '2027-01-12T10:00', { for: 'A', moment: 'a' }),
        date('a@B', '2026-01-12T10:00', '2027-01-11T10:00', { for: 'B', moment: 'a' }),
        date('b', '2026-01-13T10:00', '2027-01-13T10:00'),
        date('c', '2026-01-20T10:00', '2027-01-19T10:00', { for: 'team 1' }),
      ],
      new Set(),
      parseDay('2026-11-24'),
    );
    expect(shared.old.weeks[0]!.load).toBe(2);
    expect(shared.new.weeks[0]!.load).toBe(2);
    // What is for another group counts like anything else.
    expect(shared.old.weeks[1]!.load).toBe(1);
    expect(shared.strands.map(({ ids, section }) => [ids, section])).toEqual([
      [['a@A'], 0],
      [['a@B'], 1],
      [['b'], 0],
      [['c'], 0],
    ]);
  });
  it('marks today on the strip that reaches it', () => {
    expect([weave.old.today, weave.new.today]).toEqual([null, 2]);
  });
  it('knows the day under the hand', () => {
    expect(weave.dayAt(1.9)).toBe('2027-01-12');
    expect(weave.dayAt(7)).toBe('2027-01-18');
  });
});

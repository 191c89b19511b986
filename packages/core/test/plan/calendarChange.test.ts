import { describe, expect, it } from '@jest/globals';
import { calendarChange } from '../../src/plan/calendarChange.js';
import type { PreviewDate } from '../../src/plan/shapes/preview.js';

const date = (id: string, to: string | null, rest: Partial<PreviewDate> = {}): PreviewDate => ({
  id,
  role: 'due',
  from: '2026-02-02T23:59',
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
const changes = (before: PreviewDate[], after: PreviewDate[]) =>
  calendarChange([], before, after).dates.map(({ id, was, is }) => [id, was, is]);

describe('what another calendar does', () => {
  it('is told date by date, with those that lose or gain their day, and how many are in doubt', () => {
    const before = [date('a', '2027-02-01T23:59'), date('b', '2027-02-02T23:59'), date('c', null)];
    const after = [
      date('a', '2027-02-01T23:59', { flags: ['closure'] }),
      date('b', '2027-02-03T23:59'),
      date('c', '2027-02-03T23:59', { flags: ['crowded'] }),
    ];
    expect(changes(before, after)).toEqual([
      ['b', '2027-02-02T23:59', '2027-02-03T23:59'],
      ['c', null, '2027-02-03T23:59'],
    ]);
    const { doubtsBefore, doubtsAfter } = calendarChange([], before, after);
    expect([doubtsBefore, doubtsAfter]).toEqual([0, 1]);
  });
  it('counts a section that parts from the others, and those that come together again', () => {
    const everybody = [date('q', '2027-02-02T23:59')];
    const parted = [
      date('q@A', '2027-02-02T23:59', { moment: 'q', for: 'A' }),
      date('q@B', '2027-02-01T23:59', { moment: 'q', for: 'B' }),
    ];
    expect(changes(everybody, parted)).toEqual([['q@B', '2027-02-02T23:59', '2027-02-01T23:59']]);
    expect(changes(parted, everybody)).toEqual([['q', '2027-02-01T23:59', '2027-02-02T23:59']]);
    expect(changes(parted, parted)).toEqual([]);
  });
});

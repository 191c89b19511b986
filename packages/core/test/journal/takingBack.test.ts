import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';
import {
  conflicts,
  contentHash,
  operationsBetween,
  takenBack,
  type CourseState,
  type Moment,
  type Operation,
  type Manner,
  type SnapshotItem,
  type Stamp,
} from '../../src/index.js';

const COURSE = 'eco214';
const STAMP: Stamp = { version: 9, editedAt: '2026-12-01T10:00', editedBy: 'p-marant' };

function thing(id: string, more: Partial<SnapshotItem> = {}): SnapshotItem {
  const item = { id, kind: 'page' as const, title: id, version: 1, ...more };
  return { ...item, contentHash: contentHash(item, item.bodyHash) };
}
const due = (at: string, id = 'due'): Moment => ({ id, role: 'due', at });
const course = (...things: readonly SnapshotItem[]): CourseState => ({
  things: new Map(things.map((each) => [each.id, each])),
  set: { title: 'Freshwater Ecology', openToLearners: false },
});

/** A course after some of its things were written over; what is undefined goes. */
function edited(before: CourseState, things: Readonly<Record<string, SnapshotItem | undefined>>): CourseState {
  const after = new Map(before.things);
  for (const [key, each] of Object.entries(things))
    if (each === undefined) after.delete(key);
    else after.set(key, each);
  return { ...before, things: after };
}

/** A course after operations that nothing is in the way of: every side of them stands in them. */
function carriedOut(before: CourseState, operations: readonly Operation[]): CourseState {
  let set = before.set;
  const things = new Map(before.things);
  for (const each of operations)
    if (each.op === 'added') things.set(each.key, each.after!);
    else if (each.op === 'removed') things.delete(each.key);
    else if (each.op === 'changed') things.set(each.key, { ...things.get(each.key)!, ...each.after } as SnapshotItem);
    else if (each.op === 'set') set = { ...set, ...each.after };
  return { things, set };
}

function takeBack(now: CourseState, operations: readonly Operation[], manner?: Manner): CourseState {
  const { operations: back, inTheWay } = takenBack(COURSE, operations, now, STAMP, manner);
  expect(inTheWay).toEqual([]);
  return carriedOut(now, back);
}

const inTheWay = (now: CourseState, operations: readonly Operation[], manner?: Manner) =>
  takenBack(COURSE, operations, now, STAMP, manner).inTheWay;

describe('an edit that is taken back', () => {
  const lab = thing('lab', { kind: 'assignment', points: 10, moments: [due('2027-02-10T23:59')] });
  const begun = course(lab);

  it('leaves the course as it was, with whoever had written it when', () => {
    const now = edited(begun, { lab: thing('lab', { ...lab, title: 'Lab 6', version: 2, editedBy: 'p-rhee' }) });
    const edit = operationsBetween(COURSE, begun, now);
    expect(edit).toMatchObject([{ op: 'changed', before: { title: 'lab' }, after: { title: 'Lab 6' } }]);
    expect(takeBack(now, edit)).toEqual(begun);
  });

  it('leaves what somebody changed beside it, and the thing is written anew', () => {
    const first = edited(begun, { lab: thing('lab', { ...lab, title: 'Lab 6', version: 2 }) });
    const second = edited(first, { lab: thing('lab', { ...first.things.get('lab')!, points: 20, version: 3 }) });
    const back = takeBack(second, operationsBetween(COURSE, begun, first));
    const { hash: _none, ...stamp } = STAMP;
    expect(back.things.get('lab')).toEqual({ ...thing('lab', { ...lab, points: 20 }), ...stamp });
  });

  it('is refused where somebody wrote over it, removed it, or reads dates that would be reversed', () => {
    const first = edited(begun, { lab: thing('lab', { ...lab, title: 'Lab 6', version: 2 }) });
    const edit = operationsBetween(COURSE, begun, first);
    const over = edited(first, { lab: thing('lab', { ...lab, title: 'Lab seven', version: 3 }) });
    expect(inTheWay(over, edit)).toEqual([{ key: 'lab', title: 'Lab seven', why: 'changed' }]);
    expect(inTheWay(edited(first, { lab: undefined }), edit)).toEqual([{ key: 'lab', title: 'Lab 6', why: 'gone' }]);

    const later = edited(begun, { lab: thing('lab', { ...lab, moments: [due('2027-02-20T23:59')], version: 2 }) });
    const opens: Moment = { id: 'opens', role: 'opens', at: '2027-02-15T08:00' };
    const opened = edited(later, {
      lab: thing('lab', { ...lab, moments: [opens, due('2027-02-20T23:59')], version: 3 }),
    });
    expect(inTheWay(opened, operationsBetween(COURSE, begun, later))).toEqual([
      { key: 'lab', title: 'lab', why: 'reversed' },
    ]);
  });

  it('of one date of a thing leaves its other dates as somebody set them since', () => {
    const late: Moment = { id: 'late', role: 'late', at: '2027-02-12T23:59' };
    const two = course(thing('lab', { moments: [due('2027-02-10T23:59'), late] }));
    const moved = edited(two, { lab: thing('lab', { moments: [due('2027-02-11T23:59'), late], version: 2 }) });
    const later = { ...late, at: '2027-02-14T23:59' };
    const both = edited(moved, { lab: thing('lab', { moments: [due('2027-02-11T23:59'), later], version: 3 }) });
    const back = takeBack(both, operationsBetween(COURSE, two, moved));
    expect(back.things.get('lab')!.moments).toEqual([due('2027-02-10T23:59'), later]);
  });

  it('of one setting of a thing leaves no setting where somebody took the other away since', () => {
    const none = course(thing('lab', { details: { attempts: 2 } }));
    const late = edited(none, { lab: thing('lab', { details: { attempts: 2, late: true }, version: 2 }) });
    const one = edited(late, { lab: thing('lab', { details: { late: true }, version: 3 }) });
    expect(takeBack(one, operationsBetween(COURSE, none, late)).things.get('lab')!.details).toBeUndefined();
  });

  it('of the course itself sets what was set', () => {
    const now = { ...begun, set: { ...begun.set, openToLearners: true } };
    const edit = operationsBetween(COURSE, begun, now);
    expect(edit).toEqual([
      { op: 'set', key: COURSE, origin: null, before: { openToLearners: false }, after: { openToLearners: true } },
    ]);
    expect(takeBack(now, edit)).toEqual(begun);
    expect(inTheWay(begun, edit)).toMatchObject([{ key: COURSE, why: 'changed' }]);
  });
});

describe('of a run', () => {
  const ORIGIN = { course: 'spring', item: 'x' };
  const unit = thing('unit', { kind: 'unit', moments: [] });
  const bank = thing('bank', { kind: 'questionBank' });
  const quiz = thing('quiz', {
    kind: 'quiz',
    parent: 'unit',
    links: [{ type: 'draws', to: 'bank' }],
    moments: [due('2027-02-10T23:59')],
  });
  const page = thing('page', { title: 'Welcome', version: 2 });
  const run: Operation[] = [
    { op: 'added', key: 'unit', origin: ORIGIN },
    { op: 'added', key: 'bank', origin: ORIGIN },
    { op: 'added', key: 'quiz', origin: ORIGIN },
    { op: 'changed', key: 'page', origin: ORIGIN, before: thing('page', { title: 'Stock' }) },
  ];
  const of = (key: string): Operation[] => run.filter((each) => each.key === key);
  const brought = course(unit, bank, quiz, page);
  const before = course(thing('page', { title: 'Stock' }));

  it('everything goes, or one thing, or the dates alone', () => {
    expect(takeBack(brought, run)).toEqual(before);
    expect([...takeBack(brought, of('quiz')).things.keys()]).toEqual(['unit', 'bank', 'page']);
    const undated = takeBack(brought, run, { dates: true });
    expect([...undated.things.keys()]).toEqual([...brought.things.keys()]);
    expect(undated.things.get('quiz')).toMatchObject({ moments: [], version: STAMP.version });
    expect(undated.things.get('page')).toBe(page);
    expect(undated.things.get('unit')).toBe(unit);
  });

  it('nothing goes that something else would be broken without, unless whoever asks was told', () => {
    expect(inTheWay(brought, of('bank'))).toEqual([{ key: 'bank', title: 'bank', why: 'needed', by: 'quiz' }]);
    expect([...takeBack(brought, of('bank'), { breaking: true }).things.keys()]).toEqual(['unit', 'quiz', 'page']);
    expect(inTheWay(brought, of('unit'))).toMatchObject([{ why: 'needed', by: 'quiz' }]);
  });

  it('what was taken back in part is taken back whole after it, and all of it done again', () => {
    const part = takenBack(COURSE, of('quiz'), brought, STAMP).operations;
    const without = carriedOut(brought, part);
    expect(takeBack(without, part)).toEqual(brought);
    const rest = takenBack(COURSE, [...run, ...part], without, STAMP).operations;
    expect(carriedOut(without, rest)).toEqual(before);
    expect(takeBack(before, rest).things).toEqual(without.things);
  });
});

describe('in any order', () => {
  type Wish =
    | { readonly do: 'title' | 'point' | 'detail' | 'date'; readonly key: string; readonly to: number }
    | { readonly do: 'add' | 'remove'; readonly key: string; readonly to: number };

  const KEYS = ['a', 'b', 'n2', 'n3'];
  const wish: fc.Arbitrary<Wish> = fc.record({
    do: fc.constantFrom('title' as const, 'point', 'detail', 'date', 'add', 'remove'),
    key: fc.constantFrom(...KEYS),
    to: fc.nat(3),
  });

  /** A date in its place: one that is saved as it was changes nothing, not the order either. */
  const dated = (moments: readonly Moment[], date: Moment): Moment[] =>
    moments.some(({ id }) => id === date.id)
      ? moments.map((each) => (each.id === date.id ? date : each))
      : [...moments, date];

  /** What a person's edit makes of a course. */
  function done(now: CourseState, { do: what, key, to }: Wish, version: number): CourseState {
    const is = now.things.get(key);
    const added = `n${version}`;
    if (what === 'add') return edited(now, { [added]: thing(added, { points: to, version }) });
    if (is === undefined) return now;
    const as = (more: Partial<SnapshotItem>): CourseState =>
      edited(now, { [key]: thing(key, { ...is, ...more, version }) });
    switch (what) {
      case 'title':
        return as({ title: `title ${to}` });
      case 'point':
        return as({ points: to });
      case 'detail':
        return as({ details: { ...is.details, [`of ${to % 2}`]: to } });
      case 'date':
        return as({ moments: dated(is.moments ?? [], due(`2027-02-1${to}T09:00`, `m${to % 2}`)) });
      case 'remove':
        return edited(now, { [key]: undefined });
    }
  }

  const says = ({ things }: CourseState): unknown =>
    [...things.values()]
      .map(({ version: _v, editedAt: _a, editedBy: _b, ...rest }) => ({
        ...rest,
        moments: (rest.moments ?? []).toSorted((a, b) => a.id.localeCompare(b.id)),
      }))
      .sort((a, b) => a.id.localeCompare(b.id));

  it('edits taken back leave the state without them, where taking back is allowed', () => {
    fc.assert(
      fc.property(fc.array(wish, { maxLength: 8 }), fc.infiniteStream(fc.nat(7)), (wishes, chosen) => {
        const begun = course(thing('a'), thing('b', { moments: [due('2027-02-01T09:00', 'm0')] }));
        let now = begun;
        let standing: { readonly wish: Wish; readonly version: number; readonly operations: readonly Operation[] }[] =
          [];
        for (const [index, each] of wishes.entries()) {
          const after = done(now, each, index + 2);
          const operations = operationsBetween(COURSE, now, after).filter(
            (operation) =>
              operation.op !== 'changed' || Object.keys(operation.after!).some((name) => name !== 'version'),
          );
          if (operations.length === 0) continue;
          standing.push({ wish: each, version: index + 2, operations });
          now = after;
        }
        let stamped = 100;
        for (const pick of [...chosen.take(standing.length)]) {
          const edit = standing[pick % Math.max(1, standing.length)];
          if (edit === undefined) continue;
          const later = standing.slice(standing.indexOf(edit) + 1).flatMap((each) => each.operations);
          if (conflicts(edit.operations, later).length > 0) continue;
          const stamp = { ...STAMP, version: stamped++ };
          const { operations, inTheWay: hindered } = takenBack(COURSE, edit.operations, now, stamp);
          if (hindered.length > 0) continue;
          now = carriedOut(now, operations);
          standing = standing.filter((each) => each !== edit);
          const replayed = standing.reduce((state, each) => done(state, each.wish, each.version), begun);
          expect(says(now)).toEqual(says(replayed));
        }
      }),
      { numRuns: 500 },
    );
  });

  it('what was taken back is done again, to the byte', () => {
    fc.assert(
      fc.property(fc.array(wish, { maxLength: 8 }), (wishes) => {
        const begun = course(thing('a'), thing('b'));
        const now = wishes.reduce((state, each, index) => done(state, each, index + 2), begun);
        const all = operationsBetween(COURSE, begun, now);
        const back = takenBack(COURSE, all, now, STAMP).operations;
        const was = carriedOut(now, back);
        expect(new Map([...was.things].sort())).toEqual(begun.things);
        expect(new Map([...takeBack(was, back).things].sort())).toEqual(new Map([...now.things].sort()));
      }),
    );
  });
});

import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';
import { conflicts, fitting, invert, type Operation, type SnapshotItem } from '../../src/index.js';

const thing = (id: string, more: Partial<SnapshotItem> = {}): SnapshotItem => ({
  id,
  kind: 'page',
  title: id,
  contentHash: `sha256:${id}`,
  ...more,
});
const ORIGIN = { course: 'spring', item: 'x' };
const of = (key: string) => ({ key, origin: ORIGIN });

type Course = ReadonlyMap<string, SnapshotItem>;

/** What an operation makes of a course, read off its words. */
function applied(course: Course, operation: Operation): Course {
  const after = new Map(course);
  if (operation.op === 'removed') after.delete(operation.key);
  if ((operation.op === 'added' || operation.op === 'changed') && operation.after !== undefined)
    after.set(operation.key, operation.after as SnapshotItem);
  return after;
}

describe('the inverse of', () => {
  it('an addition removes the thing, of a removal puts it back, of a change puts what stood there before', () => {
    expect(invert({ op: 'added', ...of('a'), after: thing('a') })).toEqual({
      op: 'removed',
      ...of('a'),
      before: thing('a'),
    });
    expect(invert({ op: 'removed', ...of('a'), before: thing('a') })).toEqual({
      op: 'added',
      ...of('a'),
      after: thing('a'),
    });
    const [old, now] = [thing('a', { title: 'Old' }), thing('a', { title: 'New' })];
    expect(invert({ op: 'changed', ...of('a'), before: old, after: now })).toEqual({
      op: 'changed',
      ...of('a'),
      before: now,
      after: old,
    });
  });

  it('any list of operations, the last one first, leaves the course as it was', () => {
    const key = fc.constantFrom('a', 'b', 'c', 'd');
    const wish = fc.record({ key, title: fc.string(), goes: fc.boolean() });
    fc.assert(
      fc.property(fc.uniqueArray(key), fc.array(wish, { maxLength: 20 }), (there, wishes) => {
        const begun: Course = new Map(there.map((id) => [id, thing(id)]));
        let course = begun;
        const done: Operation[] = [];
        for (const { key: id, title, goes } of wishes) {
          const before = course.get(id);
          const after = thing(id, { title });
          const operation: Operation =
            before === undefined
              ? { op: 'added', ...of(id), after }
              : goes
                ? { op: 'removed', ...of(id), before }
                : { op: 'changed', ...of(id), before, after };
          done.push(operation);
          course = applied(course, operation);
        }
        for (const operation of done.toReversed()) course = applied(course, invert(operation));
        expect([...course].sort()).toEqual([...begun].sort());
      }),
    );
  });
});

describe('in the way of taking a run back', () => {
  const brought: Operation[] = [
    { op: 'added', ...of('unit') },
    { op: 'added', ...of('quiz') },
    { op: 'changed', ...of('page'), before: thing('page') },
    { op: 'noted', ...of('file') },
  ];

  it('is what a later run changed or took out of what it wrote', () => {
    const changed: Operation = { op: 'changed', ...of('quiz'), before: thing('quiz') };
    const out: Operation = { op: 'removed', ...of('page'), before: thing('page') };
    expect(conflicts(brought, [changed, out])).toEqual([changed, out]);
  });

  it('is what a later run took out of a unit, or away from a bank, that it added', () => {
    const inUnit: Operation = { op: 'removed', ...of('essay'), before: thing('essay', { parent: 'unit' }) };
    const draws = thing('exam', { links: [{ type: 'draws', to: 'quiz' }] });
    const drawing: Operation = { op: 'changed', ...of('exam'), before: draws };
    expect(conflicts(brought, [inUnit, drawing])).toEqual([inUnit, drawing]);
  });

  it('is nothing that is its own, only seen, only linked, or linked in another course', () => {
    const linked = thing('a', { links: [{ type: 'links', to: 'quiz' }] });
    const elsewhere = thing('b', { links: [{ type: 'draws', to: 'quiz', course: 'fall' }] });
    const later: Operation[] = [
      { op: 'added', ...of('essay') },
      { op: 'noted', ...of('quiz') },
      { op: 'changed', ...of('file'), before: thing('file') },
      { op: 'removed', ...of('a'), before: linked },
      { op: 'removed', ...of('b'), before: elsewhere },
    ];
    expect(conflicts(brought, later)).toEqual([]);
  });
});

describe('a thing that is put back', () => {
  it('stands in its unit while that is there, and behind everything when it is not', () => {
    const page = thing('page', { parent: 'unit', position: 2 });
    expect(fitting(page, (key) => key === 'unit', 7)).toBe(page);
    expect(fitting(page, () => false, 7)).toEqual(thing('page', { parent: undefined, position: 10 }));
    const loose = thing('page', { position: 2 });
    expect(fitting(loose, () => false, 7)).toBe(loose);
  });
});

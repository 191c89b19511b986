import type { SnapshotItem } from '../course/snapshot.js';
import { isMust } from '../names/links.js';
import { touchedFields } from './fields.js';
import type { Operation } from './operation.js';

/**
 * What takes an operation back; applied after it, it leaves the course as it was. What leads to a thing, and what was noted
 * of it, is kept beside the course.
 */
export function invert(operation: Operation): Operation {
  const { key, origin } = operation;
  switch (operation.op) {
    case 'added':
      return { op: 'removed', key, origin, before: operation.after };
    case 'removed':
      return { op: 'added', key, origin, after: operation.before };
    case 'changed':
      return { op: 'changed', key, origin, before: operation.after, after: operation.before };
    case 'set':
      return { op: 'set', key, origin, before: operation.after, after: operation.before };
    case 'noted':
      return { op: 'noted', key, origin, before: operation.after, after: operation.before };
    case 'aliased':
      return { op: 'unaliased', key, origin };
    case 'unaliased':
      return { op: 'aliased', key, origin };
  }
}

/**
 * What has to stand in the course for a thing to stand there whole: its unit, and the ends of links that it would be broken
 * without.
 */
export const needsOf = ({ parent, links = [] }: Pick<Partial<SnapshotItem>, 'parent' | 'links'>): string[] => [
  ...(parent === undefined ? [] : [parent]),
  ...links.flatMap(({ type, to, course }) => (isMust(type) && course === undefined ? [to] : [])),
];

/** All of a thing. */
const WHOLE = '*';

/** What of its thing an operation writes: the whole of it, or fields, and of dates and settings each by itself. */
function touchedBy(operation: Operation): readonly string[] {
  switch (operation.op) {
    case 'added':
    case 'removed':
      return [WHOLE];
    case 'changed':
    case 'set': {
      const { before, after } = operation;
      return before === undefined || after === undefined ? [WHOLE] : touchedFields(before, after);
    }
    default:
      return [];
  }
}

/**
 * The later operations that have to be taken back before earlier ones: those that wrote what the earlier ones wrote, and
 * those whose things, put back, would need what the earlier ones added.
 *
 * @param earlier  of one run or edit
 * @param later    of what came after it and stands, in any order
 */
export function conflicts(earlier: readonly Operation[], later: readonly Operation[]): Operation[] {
  const touched = new Map<string, Set<string>>();
  for (const each of earlier) {
    const fields = touched.get(each.key) ?? new Set();
    for (const field of touchedBy(each)) fields.add(field);
    touched.set(each.key, fields);
  }
  const added = new Set(earlier.flatMap(({ op, key }) => (op === 'added' ? [key] : [])));
  return later.filter((each) => {
    const fields = touched.get(each.key);
    const also = touchedBy(each);
    if (fields !== undefined && fields.size > 0 && also.length > 0)
      if (fields.has(WHOLE) || also.some((field) => field === WHOLE || fields.has(field))) return true;
    if (each.op !== 'changed' && each.op !== 'removed') return false;
    return each.before !== undefined && needsOf(each.before).some((need) => added.has(need));
  });
}

/**
 * A thing as it can stand in a course again: behind everything when its unit is gone.
 *
 * @param isThere  whether something stands in the course, or will
 * @param last     the highest position outside units, there or coming back
 */
export function fitting(thing: SnapshotItem, isThere: (key: string) => boolean, last: number): SnapshotItem {
  if (thing.parent === undefined || isThere(thing.parent)) return thing;
  return { ...thing, parent: undefined, position: last + 1 + (thing.position ?? 0) };
}

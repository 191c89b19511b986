import { isMust } from '../course/links.js';
import type { SnapshotItem } from '../course/snapshot.js';
import { writes, type Operation } from './operation.js';

/**
 * What takes an operation back; applied after it, it leaves the course as it was. What leads to a thing, and what was noted
 * of it, is kept beside the course and goes with the thing.
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
    case 'aliased':
    case 'noted':
      return operation;
  }
}

/**
 * What has to stand in the course for a thing to stand there whole: its unit, and the ends of links that it would be broken
 * without.
 */
const needsOf = ({ parent, links = [] }: Pick<SnapshotItem, 'parent' | 'links'>): string[] => [
  ...(parent === undefined ? [] : [parent]),
  ...links.flatMap(({ type, to, course }) => (isMust(type) && course === undefined ? [to] : [])),
];

/**
 * The later operations that have to be taken back before earlier ones: those that changed or removed what the earlier ones
 * wrote, and those whose things, put back, would need what the earlier ones added.
 *
 * @param earlier  of one run
 * @param later    of what came after it, in any order
 */
export function conflicts(earlier: readonly Operation[], later: readonly Operation[]): Operation[] {
  const written = new Set(earlier.filter(writes).map(({ key }) => key));
  const added = new Set(earlier.flatMap(({ op, key }) => (op === 'added' ? [key] : [])));
  return later.filter((each) => {
    if (each.op !== 'changed' && each.op !== 'removed') return false;
    if (written.has(each.key)) return true;
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

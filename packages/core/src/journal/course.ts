import { contentHash } from '../course/contentHash.js';
import { reversedMoments } from '../course/momentOrder.js';
import type { SnapshotItem } from '../course/snapshot.js';
import { changedBy, differing, isSame, saysTheSame } from './fields.js';
import type { CourseFields, Fields, Operation } from './operation.js';

/** A course as operations change it. */
export interface CourseState {
  readonly things: ReadonlyMap<string, SnapshotItem>;
  readonly set: CourseFields;
}

/** How a thing is stamped that comes to stand as it never stood: both changes hold of it. */
export interface Stamp {
  /** One that no thing of the course has had. */
  readonly version: number;
  readonly editedAt: string;
  readonly editedBy: string;
  /** `textHash`, where the platform has a faster one. */
  readonly hash?: (text: string) => string;
}

/** Why an operation can't be carried out: what it would change does not stand as it says. */
export interface InTheWay {
  readonly key: string;
  readonly title: string;
  readonly why: 'changed' | 'gone' | 'there' | 'reversed' | 'needed';
  /** Of `needed`: what would be broken without it. */
  readonly by?: string;
}

/**
 * Carries an operation out on a course that is being changed. What stands otherwise than the operation says is left as it
 * stands, and told.
 *
 * @param course  changed in place
 */
export function carryOut(
  course: { readonly things: Map<string, SnapshotItem>; set: CourseFields },
  operation: Operation,
  stamp: Stamp,
): InTheWay | undefined {
  const { key } = operation;
  const thing = course.things.get(key);
  switch (operation.op) {
    case 'added':
      if (thing !== undefined) return { key, title: thing.title, why: 'there' };
      if (operation.after !== undefined) course.things.set(key, operation.after);
      return undefined;
    case 'removed':
      if (operation.before !== undefined) {
        if (thing === undefined) return { key, title: operation.before.title, why: 'gone' };
        if (!saysTheSame(operation.before, thing)) return { key, title: thing.title, why: 'changed' };
      }
      course.things.delete(key);
      return undefined;
    case 'changed': {
      const { before, after = {} } = operation;
      // The whole thing as it stood, whatever stands there now.
      if (before === undefined) {
        course.things.set(key, after as SnapshotItem);
        return undefined;
      }
      if (thing === undefined) return { key, title: before.title ?? after.title ?? '', why: 'gone' };
      const changed = stamped(thing, before, after, stamp);
      if (typeof changed === 'string') return { key, title: thing.title, why: changed };
      course.things.set(key, changed);
      return undefined;
    }
    case 'set': {
      const { before, after } = operation;
      for (const [name, was] of Object.entries(before))
        if (!isSame(course.set[name as keyof CourseFields], was)) return { key, title: '', why: 'changed' };
      course.set = { ...course.set, ...after };
      return undefined;
    }
    case 'noted':
    case 'aliased':
    case 'unaliased':
      return undefined;
  }
}

function stamped(
  thing: SnapshotItem,
  before: Fields,
  after: Fields,
  { version, editedAt, editedBy, hash }: Stamp,
): SnapshotItem | 'changed' | 'reversed' {
  const merged = changedBy(thing, before, after);
  if (merged === undefined) return 'changed';
  // What is exactly as the change left it is as it was again, with whoever wrote it when.
  const isAsLeft = before.version !== undefined && thing.version === before.version;
  const changed = isAsLeft ? restored(thing, before, after) : merged;
  if (isReversedBy(thing, changed)) return 'reversed';
  if (isAsLeft) return changed;
  return { ...changed, version, editedAt, editedBy, contentHash: contentHash(changed, changed.bodyHash, hash) };
}

const restored = (thing: SnapshotItem, before: Fields, after: Fields): SnapshotItem => ({
  ...thing,
  ...Object.fromEntries(Object.keys(before).map((name) => [name, undefined])),
  ...after,
});

const isReversedBy = (before: SnapshotItem, after: SnapshotItem): boolean =>
  reversedMoments(after.moments ?? []).length > reversedMoments(before.moments ?? []).length;

/** What leads from one state of a course to another; both stand whole. */
export function operationsBetween(
  courseId: string,
  before: CourseState,
  after: CourseState,
  originOf: (key: string) => Operation['origin'] = () => null,
): Operation[] {
  const operations: Operation[] = [];
  for (const [key, was] of before.things) {
    const is = after.things.get(key);
    if (is === undefined) operations.push({ op: 'removed', key, origin: originOf(key), before: was });
    else if (is !== was) {
      const change = differing(was, is);
      if (change !== undefined) operations.push({ op: 'changed', key, origin: originOf(key), ...change });
    }
  }
  for (const [key, is] of after.things)
    if (!before.things.has(key)) operations.push({ op: 'added', key, origin: originOf(key), after: is });
  const names = Object.keys({ ...before.set, ...after.set }) as (keyof CourseFields)[];
  const set = names.filter((name) => !isSame(before.set[name], after.set[name]));
  if (set.length > 0) {
    const pick = (from: CourseFields): CourseFields =>
      Object.fromEntries(set.map((name) => [name, from[name] ?? null]));
    operations.push({ op: 'set', key: courseId, origin: null, before: pick(before.set), after: pick(after.set) });
  }
  return operations;
}

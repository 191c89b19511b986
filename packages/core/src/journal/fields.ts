import type { SnapshotItem } from '../course/snapshot.js';
import type { Moment } from '../schemas/course.js';
import type { Fields } from './operation.js';

/** What follows from the rest of a thing, or says when it was written and by whom. */
const BOOKKEEPING: readonly (keyof SnapshotItem)[] = ['contentHash', 'version', 'editedAt', 'editedBy'];

const isObject = (value: unknown): boolean => typeof value === 'object' && value !== null;

export const isSame = (one: unknown, other: unknown): boolean =>
  one === other ||
  (isObject(one) && isObject(other)
    ? JSON.stringify(one) === JSON.stringify(other)
    : (one ?? null) === (other ?? null));

const isEmpty = (value: unknown): boolean => Array.isArray(value) && value.length === 0;

/** The same, where no list and an empty one are. */
const isSameField = (one: unknown, other: unknown): boolean =>
  one === other || isSame(isEmpty(one) ? undefined : one, isEmpty(other) ? undefined : other);

const fieldsOf = (...sides: readonly Fields[]): (keyof SnapshotItem)[] => [
  ...new Set(sides.flatMap((side) => Object.keys(side) as (keyof SnapshotItem)[])),
];

/** Nobody’s change but the learners’: it is no part of what a person or a run does to a thing. */
const OF_LEARNERS: keyof SnapshotItem = 'begun';

const differs = (name: string, before: SnapshotItem, after: SnapshotItem): boolean =>
  name !== OF_LEARNERS && !isSameField(before[name as keyof SnapshotItem], after[name as keyof SnapshotItem]);

/**
 * What differs between two states of a thing, as it was and as it is, with the version of each; `undefined` when nothing
 * does. Being moved leaves the version as it is.
 */
export function differing(
  before: SnapshotItem,
  after: SnapshotItem,
): { readonly before: Fields; readonly after: Fields } | undefined {
  const names = new Set<keyof SnapshotItem>();
  for (const name in before) if (differs(name, before, after)) names.add(name as keyof SnapshotItem);
  for (const name in after)
    if (!(name in before) && differs(name, before, after)) names.add(name as keyof SnapshotItem);
  if (names.size === 0) return undefined;
  const named = [...names.add('version')];
  const pick = (from: SnapshotItem): Fields => Object.fromEntries(named.map((name) => [name, from[name]]));
  return { before: pick(before), after: pick(after) };
}

/** The names of what differs between two sides of a change: of dates and settings each by itself. */
export function touchedFields(before: object, after: object): string[] {
  const sides = [before, after] as readonly Readonly<Record<string, unknown>>[];
  return [...new Set(sides.flatMap((side) => Object.keys(side)))].flatMap((name) => {
    if ((BOOKKEEPING as readonly string[]).includes(name)) return [];
    if (name !== 'moments' && name !== 'details') return [name];
    const [was, is] = sides.map((side) =>
      name === 'moments'
        ? Object.fromEntries(((side.moments ?? []) as Moment[]).map((each) => [each.id, each]))
        : ((side.details ?? {}) as Readonly<Record<string, unknown>>),
    );
    const parts = [...new Set([...Object.keys(was!), ...Object.keys(is!)])];
    return parts.filter((part) => !isSame(was![part], is![part])).map((part) => `${name} ${part}`);
  });
}

/** Whether two states of a thing say the same, whoever wrote it and when. */
export const saysTheSame = (one: Fields, other: Fields): boolean =>
  fieldsOf(one, other).every((name) => BOOKKEEPING.includes(name) || isSameField(one[name], other[name]));

/**
 * A thing with a change made to it: what the change names has to stand as it was before it, each date, each setting and
 * each other field by itself. What somebody changed beside it stays.
 *
 * @returns `undefined` when something of it stands otherwise
 */
export function changedBy(thing: SnapshotItem, before: Fields, after: Fields): SnapshotItem | undefined {
  const changes: Record<string, unknown> = {};
  for (const name of fieldsOf(before, after)) {
    if (BOOKKEEPING.includes(name)) continue;
    const merger = mergers[name];
    const value = merger === undefined ? merged(thing[name], before[name], after[name]) : merger(thing, before, after);
    if (value === CLASH) return undefined;
    changes[name] = value;
  }
  return { ...thing, ...changes };
}

const CLASH = Symbol('it stands otherwise');

const merged = (is: unknown, before: unknown, after: unknown): unknown => (isSameField(is, before) ? after : CLASH);

/** Fields whose parts change each by itself. */
const mergers: Partial<Record<keyof SnapshotItem, (thing: SnapshotItem, before: Fields, after: Fields) => unknown>> = {
  details(thing, before, after) {
    const details = new Map(Object.entries(thing.details ?? {}));
    for (const name of new Set([...Object.keys(before.details ?? {}), ...Object.keys(after.details ?? {})])) {
      const [was, is] = [before.details?.[name], after.details?.[name]];
      if (isSame(was, is)) continue;
      if (!isSame(details.get(name), was)) return CLASH;
      if (is === undefined) details.delete(name);
      else details.set(name, is);
    }
    return details.size === 0 ? undefined : Object.fromEntries(details);
  },
  moments({ moments = [] }, before, after) {
    const byId = new Map(moments.map((each): [string, Moment] => [each.id, each]));
    const [was, is] = [before.moments ?? [], after.moments ?? []].map(
      (list) => new Map(list.map((each) => [each.id, each])),
    );
    for (const id of new Set([...was!.keys(), ...is!.keys()])) {
      const [old, now, stands] = [was!.get(id), is!.get(id), byId.get(id)];
      if (isSame(old, now)) continue;
      if (!isSame(stands, old)) return CLASH;
      if (now === undefined) byId.delete(id);
      else byId.set(id, now);
    }
    return [...byId.values()].sort((a, b) => (a.at < b.at || (a.at === b.at && a.id < b.id) ? -1 : 1));
  },
};

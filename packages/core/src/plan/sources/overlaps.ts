import type { Kind } from '../../names/kinds.js';
import type { Snapshot, SnapshotItem } from '../../course/snapshot.js';
import { titleKey } from '../../course/title.js';
import type { Choices } from '../../schemas/choices.js';
import { originKey, type Origin } from '../shapes/origin.js';

/** Things of different sources that are the same thing, in the order of the sources; one of each source at most. */
export type Overlap = readonly Origin[];

interface Group {
  readonly members: Origin[];
}

/** Groups by what their members have in common; each source takes a group once. */
class Pool {
  private readonly groups = new Map<string, Group[]>();

  note(key: string, group: Group): void {
    const known = this.groups.get(key);
    if (known === undefined) this.groups.set(key, [group]);
    else if (!known.includes(group)) known.push(group);
  }

  /** The first group with this in common that has nothing of the course yet. */
  find(key: string, course: string): Group | undefined {
    return this.groups.get(key)?.find(({ members }) => members.at(-1)!.course !== course);
  }
}

/** Kinds of which a course mostly has one: where each source has one, they are the same, whatever they are called. */
const MOSTLY_ONE: readonly Kind[] = ['courseSettings', 'syllabus'];

const aloneIn = (items: readonly SnapshotItem[]): ReadonlySet<Kind> =>
  new Set(MOSTLY_ONE.filter((kind) => items.filter((item) => item.kind === kind).length === 1));

/**
 * What stands in several sources of one plan: the same by its key, where keys survive copying; by content; by kind and
 * title; the settings and the only syllabus whatever they are called. A rule is the same when it has the same title and its ends are the same things.
 *
 * @param sources      in their order of precedence
 * @param keysSurvive  whether the same id in two sources is the same thing
 * @see docs/rules.md, "Several sources"
 */
export function overlapsOf(sources: readonly Snapshot[], keysSurvive: boolean): Overlap[] {
  const pools = { id: new Pool(), content: new Pool(), alone: new Pool(), name: new Pool(), rule: new Pool() };
  const groupOf = new Map<string, Group>();
  const groups: Group[] = [];
  for (const { course, items } of sources) {
    const ends = ({ links = [] }: SnapshotItem): string =>
      links
        .map(({ type, to }) => {
          const [first] = groupOf.get(originKey(course.id, to))?.members ?? [];
          return `${type} ${first === undefined ? originKey(course.id, to) : originKey(first.course, first.item)}`;
        })
        .sort()
        .join(' ');
    const alone = aloneIn(items);
    const isRule = ({ kind }: SnapshotItem): boolean => kind === 'rule';
    const keys: readonly (readonly [Pool, (item: SnapshotItem) => string | undefined])[] = [
      [pools.id, ({ id }) => (keysSurvive ? id : undefined)],
      [pools.content, (item) => (isRule(item) ? undefined : item.contentHash)],
      [pools.alone, ({ kind }) => (alone.has(kind) ? kind : undefined)],
      [pools.name, (item) => (isRule(item) ? undefined : titleKey(item))],
      [pools.rule, (item) => (isRule(item) ? `${titleKey(item)} ${ends(item)}` : undefined)],
    ];
    for (const [pool, keyOf] of keys)
      for (const item of items) {
        const at = originKey(course.id, item.id);
        const key = groupOf.has(at) ? undefined : keyOf(item);
        const group = key === undefined ? undefined : pool.find(key, course.id);
        if (group === undefined) continue;
        group.members.push({ course: course.id, item: item.id });
        groupOf.set(at, group);
      }
    for (const item of items) {
      const at = originKey(course.id, item.id);
      if (groupOf.has(at)) continue;
      const group = { members: [{ course: course.id, item: item.id }] };
      groupOf.set(at, group);
      groups.push(group);
    }
    // Only what stood in an earlier source can overlap; equal things within one course are its own affair.
    for (const item of items)
      for (const [pool, keyOf] of keys) {
        const key = keyOf(item);
        if (key !== undefined) pool.note(key, groupOf.get(originKey(course.id, item.id))!);
      }
  }
  return groups.map(({ members }) => members).filter(({ length }) => length > 1);
}

/** Of things that are the same, the one that comes: from the course that a person named, else one chosen by itself, else the first. */
export function firstOf(overlap: Overlap, { sources = {}, items = {} }: Pick<Choices, 'sources' | 'items'>): Origin {
  const named = overlap.flatMap(({ item }) => sources[item] ?? []);
  const byName = overlap.find(({ course }) => named.includes(course));
  if (byName !== undefined) return byName;
  const [first] = overlap;
  const isChosen = ({ item }: Origin): boolean => items[item] === 'bring' || items[item] === 'reword';
  return isChosen(first!) ? first! : (overlap.find(isChosen) ?? first!);
}

import type { Snapshot, SnapshotItem } from '../../course/snapshot.js';
import { titleKey } from '../../course/title.js';
import type { Joined } from '../shapes/joined.js';
import { originKey } from '../shapes/origin.js';
import { givesWay } from '../../course/stock.js';
import type { LineageEntry, Match, Matches } from '../shapes/matches.js';

/**
 * Matches the items of a source against a shell: lineage first, then content, then kind and title. What came earlier
 * from another source, which has the same thing, counts as brought.
 *
 * @see docs/rules.md, "Matching against the shell"
 */
export function matchToShell(
  source: Snapshot,
  shell: Snapshot,
  lineage: readonly LineageEntry[],
  joined?: Joined,
): Matches {
  const standing = new Map(shell.items.map((item) => [item.id, item]));
  const courses = new Set((joined?.sources ?? [source]).map(({ course }) => course.id));
  const entries = new Map(
    lineage
      .filter(({ sourceCourse }) => courses.has(sourceCourse))
      .map((entry) => [originKey(entry.sourceCourse, entry.sourceItem), entry]),
  );
  const entryOf = (id: string): LineageEntry | undefined => {
    const origins =
      joined === undefined
        ? [{ course: source.course.id, item: id }]
        : [joined.origins.get(id)!, ...(joined.others.get(id) ?? [])];
    const keys = origins.map(({ course, item }) => originKey(course, item));
    const entry = keys.map((key) => entries.get(key)).find((each) => each !== undefined);
    for (const key of keys) entries.delete(key);
    return entry;
  };
  const byItem = new Map<string, Match>();
  const taken = new Set<string>();
  for (const item of source.items) {
    const entry = entryOf(item.id);
    if (entry === undefined) continue;
    const there = standing.get(entry.item);
    byItem.set(
      item.id,
      there === undefined ? { verb: 'keep', to: null, was: entry.item } : threeWay(item, there, entry),
    );
    taken.add(entry.item);
  }
  const unmatched = (key: (item: SnapshotItem) => string): Map<string, SnapshotItem[]> => {
    const map = new Map<string, SnapshotItem[]>();
    for (const item of shell.items) {
      if (taken.has(item.id)) continue;
      const list = map.get(key(item));
      if (list === undefined) map.set(key(item), [item]);
      else list.push(item);
    }
    return map;
  };
  const take = (pool: Map<string, SnapshotItem[]>, key: string): SnapshotItem | undefined => {
    const there = pool.get(key)?.shift();
    if (there !== undefined) taken.add(there.id);
    return there;
  };
  const byContent = unmatched(({ contentHash }) => contentHash);
  for (const item of source.items) {
    if (byContent.size === 0) break;
    if (byItem.has(item.id)) continue;
    const there = take(byContent, item.contentHash);
    if (there !== undefined) byItem.set(item.id, { verb: 'same', to: there.id });
  }
  const gives = givesWay(shell.items);
  const byTitle = unmatched(titleKey);
  for (const item of source.items) {
    if (byItem.has(item.id)) continue;
    const there = byTitle.size === 0 ? undefined : take(byTitle, titleKey(item));
    if (there === undefined) byItem.set(item.id, { verb: 'add' });
    else byItem.set(item.id, gives(there) ? unlessBegun('join', there) : { verb: 'ask', to: there.id });
  }
  return { byItem, gone: [...entries.values()] };
}

/** As brought, as it is now in the source, as it is now in the shell. */
function threeWay(item: SnapshotItem, there: SnapshotItem, entry: LineageEntry): Match {
  const { sourceHash, landedHash, landedVersion } = entry;
  const sourceChanged = item.contentHash !== sourceHash;
  const shellChanged = there.contentHash !== landedHash || (landedVersion ?? there.version) !== there.version;
  const verb = sourceChanged ? (shellChanged ? 'ask' : 'update') : shellChanged ? 'keep' : 'same';
  return verb === 'update' ? unlessBegun(verb, there) : { verb, to: there.id };
}

/** Nothing that learners have begun is written over unasked. */
const unlessBegun = (verb: 'join' | 'update', { id, begun }: SnapshotItem): Match =>
  begun === true ? { verb: 'keep', to: id, begun } : { verb, to: id };

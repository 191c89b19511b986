import type { Snapshot, SnapshotItem } from '../course/snapshot.js';
import { titleKey } from '../course/title.js';
import type { Choices } from '../schemas/choices.js';

/** The thing of another source that comes in the place of one that stands in both. */
export interface Overlap {
  readonly source: string;
  readonly item: string;
}

/** By source and item: what goes before it. */
export type Overlaps = ReadonlyMap<string, ReadonlyMap<string, Overlap>>;

/**
 * Things that stand in two sources of one plan, by content or by kind and title. The earlier source goes first, unless
 * a person chose the later one's by itself.
 *
 * @param sources  in their order of precedence
 * @see docs/rules.md, "Several sources"
 */
export function overlapsOf(sources: readonly Snapshot[], { items: chosen = {} }: Choices): Overlaps {
  const overlaps = new Map<string, Map<string, Overlap>>(sources.map(({ course }) => [course.id, new Map()]));
  const byHash = new Map<string, Overlap>();
  const byTitle = new Map<string, Overlap>();
  for (const { course, items } of sources) {
    const own: (readonly [SnapshotItem, Overlap])[] = [];
    const taken = new Set<Overlap>();
    for (const item of items) {
      // A rule goes with what it reads and guards.
      if (item.kind === 'rule') continue;
      const standing = [byHash.get(item.contentHash), byTitle.get(titleKey(item))].find(
        (each) => each !== undefined && !taken.has(each),
      );
      const here = { source: course.id, item: item.id };
      if (standing === undefined) own.push([item, here]);
      else {
        taken.add(standing);
        const prefersThis = chosen[item.id] === 'bring' && chosen[standing.item] !== 'bring';
        if (prefersThis) overlaps.get(standing.source)!.set(standing.item, here);
        else overlaps.get(course.id)!.set(item.id, standing);
      }
    }
    // Only what stood in an earlier source can overlap; equal things within one course are its own affair.
    for (const [item, here] of own) {
      byHash.set(item.contentHash, byHash.get(item.contentHash) ?? here);
      byTitle.set(titleKey(item), byTitle.get(titleKey(item)) ?? here);
    }
  }
  return overlaps;
}

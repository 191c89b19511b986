import type { Snapshot, SnapshotItem } from '../../course/snapshot.js';
import type { Choices, Decisions } from '../../schemas/choices.js';
import type { PlanPolicy } from '../../schemas/planPolicy.js';
import { firstOf, overlapsOf } from './overlaps.js';
import { originKey, type Origin } from '../shapes/origin.js';
import type { Joined, JoinedGround, SourceGround } from '../shapes/joined.js';

/**
 * Several sources as one. What stands in two of them stands in it once, and what led to the one that stays behind leads
 * to the other. The head, the calendar and the class days are those of the first source.
 *
 * @param choices      which of several equal things a person preferred
 * @param keysSurvive  whether the same id in two sources is the same thing; else the later one's gets an id of its own
 * @see docs/rules.md, "Several sources"
 */
export function joinSources(
  grounds: readonly SourceGround[],
  choices: Pick<Choices, 'sources' | 'items'>,
  keysSurvive: boolean,
): JoinedGround {
  const [only] = grounds;
  if (grounds.length === 1) return only!;
  const sources = grounds.map(({ source }) => source);
  const overlaps = overlapsOf(sources, keysSurvive);
  const comesFor = new Map<string, Origin>();
  const placedLike = new Map<string, Origin>();
  for (const overlap of overlaps) {
    const first = firstOf(overlap, choices);
    for (const { course, item } of overlap) comesFor.set(originKey(course, item), first);
    placedLike.set(originKey(first.course, first.item), overlap[0]!);
  }
  const origins = new Map<string, Origin>();
  const ids = new Map<string, string>();
  const taken = new Set<string>();
  for (const { course, items } of sources) {
    for (const { id } of items) {
      const origin = { course: course.id, item: id };
      if (stands(origin, comesFor)) {
        const joinedId = taken.has(id) && !keysSurvive ? `${course.id}:${id}` : id;
        origins.set(joinedId, origin);
        ids.set(originKey(course.id, id), joinedId);
      }
    }
    for (const { id } of items) taken.add(id);
  }
  const others = new Map<string, Origin[]>();
  for (const overlap of overlaps) {
    const first = comesFor.get(originKey(overlap[0]!.course, overlap[0]!.item))!;
    const id = ids.get(originKey(first.course, first.item))!;
    const rest = overlap.filter((each) => each !== first);
    others.set(id, rest);
    for (const { course, item } of rest) ids.set(originKey(course, item), id);
  }
  const joined: Joined = { sources, origins, others, ids };
  return {
    joined,
    source: {
      ...sources[0]!,
      items: joinedItems(joined, placedLike),
      marks: sources.flatMap(({ course, marks }) => ofOrigin(marks, course.id, joined)),
    },
    findings: grounds.flatMap(({ source, findings }) =>
      ofOrigin(findings, source.course.id, joined).map((finding) =>
        finding.stays === undefined
          ? finding
          : { ...finding, stays: ids.get(originKey(source.course.id, finding.stays)) ?? finding.stays },
      ),
    ),
    lineage: grounds.flatMap(({ lineage }) => lineage),
  };
}

/** The policy of each source's dates: what a person decided, else what suits the pair. */
export function policiesInForce(
  sources: readonly {
    readonly source: Pick<Snapshot, 'course'>;
    readonly suggestion: { readonly proposed: { readonly policy: PlanPolicy } };
  }[],
  { policy, policies = {} }: Pick<Decisions, 'policy' | 'policies'>,
): { readonly policy: PlanPolicy; readonly policies: Readonly<Record<string, PlanPolicy>> } {
  const inForce = sources.map(({ source: { course }, suggestion }, index) => {
    const decided = index === 0 ? policy : policies[course.id];
    return [course.id, decided ?? suggestion.proposed.policy] as const;
  });
  return { policy: inForce[0]![1], policies: Object.fromEntries(inForce) };
}

/** Where a thing of the source, or of several joined ones, is from. */
export const originOf = ({ source, joined }: Pick<JoinedGround, 'source' | 'joined'>, id: string): Origin =>
  joined?.origins.get(id) ?? { course: source.course.id, item: id };

const stands = ({ course, item }: Origin, comesFor: ReadonlyMap<string, Origin>): boolean => {
  const first = comesFor.get(originKey(course, item));
  return first === undefined || (first.course === course && first.item === item);
};

/** What is said of things of one source, by the ids that they have now; not of those that stay behind. */
const ofOrigin = <Said extends { readonly item: string }>(
  said: readonly Said[],
  course: string,
  { ids, origins }: Joined,
): Said[] =>
  said.flatMap((each) => {
    const id = ids.get(originKey(course, each.item));
    const origin = id === undefined ? undefined : origins.get(id);
    if (origin?.course !== course || origin.item !== each.item) return [];
    return id === each.item ? each : { ...each, item: id! };
  });

/** Things of a later source stand behind those of the earlier ones; what comes for an earlier one's stands in its place. */
function joinedItems({ sources, ids, origins }: Joined, placedLike: ReadonlyMap<string, Origin>): SnapshotItem[] {
  const behind = new Map<string, number>();
  let last = 0;
  for (const { course, items } of sources) {
    behind.set(course.id, last);
    last += items.reduce((most, { position }) => Math.max(most, position ?? 0), 0);
  }
  const standing = new Map(
    sources.map(({ course, items }) => [course.id, new Map(items.map((item) => [item.id, item]))]),
  );
  return sources.flatMap(({ course, items }) =>
    items.flatMap((item): SnapshotItem | [] => {
      const at = originKey(course.id, item.id);
      const id = ids.get(at)!;
      const origin = origins.get(id)!;
      if (origin.course !== course.id || origin.item !== item.id) return [];
      const place = placedLike.get(at) ?? origin;
      const { parent, position } = standing.get(place.course)!.get(place.item)!;
      const idIn = (of: string, key: string): string => ids.get(originKey(of, key)) ?? key;
      const links = item.links?.some((link) => link.course === undefined && idIn(course.id, link.to) !== link.to)
        ? item.links.map((link) => (link.course === undefined ? { ...link, to: idIn(course.id, link.to) } : link))
        : item.links;
      return {
        ...item,
        id,
        ...(parent === undefined ? { parent: undefined } : { parent: idIn(place.course, parent) }),
        ...(position === undefined ? {} : { position: position + behind.get(place.course)! }),
        ...(links === undefined ? {} : { links }),
      };
    }),
  );
}

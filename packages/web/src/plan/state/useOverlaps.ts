import { firstOf, overlapsOf, type Decisions, type Overlap, type PlanSourceView } from '@yarin/core';
import { computed, type ComputedRef, type ShallowRef } from 'vue';

/** A thing that stands in several sources, and the course that it comes from. */
export interface OverlapInForce {
  readonly overlap: Overlap;
  readonly from: string;
}

/** What stands in several sources of a plan. `inForce` changes only when another one comes, not at every choice. */
export function useOverlaps(
  sources: ComputedRef<readonly PlanSourceView[]>,
  decisions: Readonly<ShallowRef<Decisions>>,
): {
  readonly all: ComputedRef<readonly OverlapInForce[]>;
  readonly inForce: ComputedRef<Readonly<Record<string, string>>>;
} {
  const overlaps = computed(() =>
    sources.value.length < 2
      ? []
      : overlapsOf(
          sources.value.map(({ source }) => source),
          true,
        ),
  );
  const all = computed(() =>
    overlaps.value.map((overlap) => ({ overlap, from: firstOf(overlap, decisions.value.choices).course })),
  );
  let last: Readonly<Record<string, string>> = {};
  const inForce = computed(() => {
    const next = Object.fromEntries(all.value.map(({ overlap, from }) => [overlap[0]!.item, from]));
    const names = Object.keys(next);
    const isSame = names.length === Object.keys(last).length && names.every((name) => next[name] === last[name]);
    if (!isSame) last = next;
    return last;
  });
  return { all, inForce };
}

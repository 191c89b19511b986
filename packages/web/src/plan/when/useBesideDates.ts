import type { PreviewDate } from '@yarin/core';
import { computed, type ComputedRef, type Ref } from 'vue';
import { momentWords } from '../../shared/readersDates.js';
import { usePlanStore } from '../state/planStore.js';
import { workOf, workWords } from './workWords.js';

interface Looked {
  /** While another rule is looked at: where dates go now that would go elsewhere, by id. */
  readonly goesNow: ComputedRef<ReadonlyMap<string, string | null>>;
  readonly trying: Readonly<Ref<readonly PreviewDate[] | null>>;
  readonly showsWork: Readonly<Ref<boolean>>;
}

/** What stands beside each date instead of why it goes there: where it goes now, or points and more. */
export function useBesideDates({ goesNow, trying, showsWork }: Looked) {
  const plan = usePlanStore();
  const byId = computed(() => new Map(plan.source.items.map((item) => [item.id, item])));

  function now({ id }: PreviewDate): string {
    const at = goesNow.value.get(id);
    if (at === undefined) return 'as now';
    return at === null ? 'now without a date' : `now ${momentWords(at)}`;
  }
  return computed((): ((date: PreviewDate) => string) | undefined => {
    if (trying.value !== null) return now;
    if (!showsWork.value) return undefined;
    const sets = plan.decisions.sets ?? {};
    const titleOf = (id: string): string => byId.value.get(id)?.title ?? '';
    return ({ item }) => {
      const work = workOf(byId.value.get(item)!, sets[item], (id) => byId.value.get(id));
      return work === undefined ? '' : workWords(work, titleOf);
    };
  });
}

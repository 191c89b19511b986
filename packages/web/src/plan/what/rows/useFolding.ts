import { computed, ref, watch, type Ref } from 'vue';
import { remembered } from '../../../shared/remembered.js';
import { isFolded, turned, type Folds } from './folding.js';
import { FOLDED_FIRST, type Grouping } from './grouping.js';

/** Which headings of a plan's pages are folded, for each way to look at them; it is remembered on this machine. */
export function useFolding(planId: string, grouping: Readonly<Ref<Grouping>>) {
  const kept = remembered<Partial<Record<Grouping, Folds>>>(`folds ${planId}`, {});
  const all = ref(kept.read());
  watch(all, (now) => kept.write(now));
  const folds = computed(
    (): Folds => all.value[grouping.value] ?? { all: FOLDED_FIRST.has(grouping.value), others: [] },
  );
  const set = (now: Folds): void => void (all.value = { ...all.value, [grouping.value]: now });
  return {
    /** All but those that somebody turned. */
    isAllFolded: computed(() => folds.value.all),
    isFolded: (key: string): boolean => isFolded(folds.value, key),
    turn: (key: string): void => set(turned(folds.value, key)),
    turnAll: (fold: boolean): void => set({ all: fold, others: [] }),
  };
}

import { computed } from 'vue';
import { usePlanStore } from '../../state/planStore.js';

/** What the new page holds, by where it is from: “210 come · 3 of its own”; together as many as it has rows. */
export function useTallies() {
  const plan = usePlanStore();
  return computed(() => {
    const { comes, own, takenOut, holds } = plan.totals;
    const there = holds - comes - own;
    return [
      ...(comes > 0 || there + own === 0 ? [`${comes} come`] : []),
      ...(there > 0 ? [`${there} ${plan.isDone ? 'brought' : there === 1 ? 'is there' : 'are there'}`] : []),
      ...(own > 0 ? [`${own} of its own`] : []),
      ...(takenOut > 0 ? [`${takenOut} taken out`] : []),
    ].join(' · ');
  });
}

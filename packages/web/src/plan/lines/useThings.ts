import { computed } from 'vue';
import { useRouter } from 'vue-router';
import { usePlanStore } from '../state/planStore.js';

/**
 * Things that a line of the plan names, by whichever id it has them: that of the old course or that of the new one. Each
 * leads to where something can be done about it: before the run into the plan, after it to the thing in the new course.
 */
export function useThings() {
  const plan = usePlanStore();
  const router = useRouter();
  const titles = computed(
    () =>
      new Map(
        [...plan.view!.shell.items, ...plan.preview!.items, ...plan.source.items].map((item) => [item.id, item.title]),
      ),
  );
  const lines = computed(() => {
    const byId = new Map(plan.preview!.lines.flatMap((line) => (line.to === null ? [] : [[line.to, line] as const])));
    for (const line of plan.preview!.lines) if (line.item !== null) byId.set(line.item, line);
    return byId;
  });

  function open(id: string): void {
    const line = lines.value.get(id);
    if (!plan.isDone && line !== undefined && line.item !== null)
      void router.push({ name: 'plan', params: { id: plan.view!.id, knot: 'what' }, query: { item: line.item } });
    else
      void router.push({
        name: 'course',
        params: { id: plan.view!.shell.course.id },
        query: { item: line?.to ?? id },
      });
  }
  return { open, titleOf: (id: string): string => titles.value.get(id) ?? 'something that is not here' };
}

import type { PlanSection, SectionsView } from '@yarin/core';
import { computed, ref, shallowRef } from 'vue';
import { sentenceOf } from '../../shared/api/client.js';
import { fetchSections, followInSections } from '../../shared/api/plans.js';
import { useAnnouncer } from '../../shared/announcer.js';
import { count, courseCode } from '../../shared/words.js';
import { usePlanStore } from '../state/planStore.js';
import { useRunStore } from '../state/runStore.js';

/** Parallel sections beside each other: what each would get, following this plan, and bringing into all of them. */
export function useSections() {
  const plan = usePlanStore();
  const runs = useRunStore();
  const { say } = useAnnouncer();
  const view = shallowRef<SectionsView | null>(null);
  const trouble = ref('');
  /** The section that is being brought into just now. */
  const bringing = ref('');

  const toBring = computed(() => (view.value?.sections ?? []).filter(({ right, toWrite }) => right.may && toWrite > 0));

  /** @param work  told whether this plan is saved as it is shown: nothing that somebody else decided is carried out unseen */
  async function attempt(work: (isAsShown: boolean) => Promise<void>): Promise<void> {
    trouble.value = '';
    try {
      await work(await plan.flush());
    } catch (error) {
      trouble.value = sentenceOf(error);
    }
  }
  const load = (): Promise<void> =>
    attempt(async () => {
      view.value = await fetchSections(plan.view!.id);
    });

  const follow = (sections: readonly PlanSection[]): Promise<void> =>
    attempt(async (isAsShown) => {
      if (!isAsShown) return;
      view.value = await followInSections(
        plan.view!.id,
        sections.map(({ shell }) => shell.id),
      );
      say(`${count(sections.length, 'section')} chooses as this plan does.`);
    });

  /** Brings into every section that lacks something, one after the other; each by its own plan, all or nothing. */
  const bringAll = (): Promise<void> =>
    attempt(async (isAsShown) => {
      if (!isAsShown) return;
      const without = toBring.value.filter(({ planId }) => planId === null);
      if (without.length > 0)
        view.value = await followInSections(
          plan.view!.id,
          without.map(({ shell }) => shell.id),
        );
      const failed: string[] = [];
      const sections = toBring.value;
      for (const { shell, planId } of sections) {
        bringing.value = shell.id;
        const { code, number, section } = shell;
        const state = await runs.bring(planId!, `${code} ${number} into ${section}`);
        if (state.is === 'failed') failed.push(`${courseCode(shell)}: ${state.problem.detail}`);
      }
      bringing.value = '';
      const id = plan.view!.id;
      await plan.load(id);
      view.value = await fetchSections(id);
      say(`${count(sections.length - failed.length, 'section')} brought.`);
      trouble.value = failed.join(' ');
    }).finally(() => void (bringing.value = ''));

  return { view, trouble, bringing, toBring, load, follow, bringAll };
}

import type { CourseSummary, PairView } from '@yarin/core';
import { computed, ref, shallowRef, watch, type Ref } from 'vue';
import { useRouter } from 'vue-router';
import { fetchPair } from '../shared/api/courses.js';
import { openPlan } from '../shared/api/plans.js';
import { sentenceOf } from '../shared/api/client.js';
import { usePlansInTurn } from '../shared/plansInTurn.js';
import { courseCode } from '../shared/words.js';
import { chosenAfter, type Press } from './chosen.js';

/** A shell with what could come before it, or an old course with where it could go, and what is chosen of that. */
export function usePair(side: Readonly<Ref<'into' | 'from'>>, id: Readonly<Ref<string>>) {
  const router = useRouter();
  const { goThrough } = usePlansInTurn();
  const view = shallowRef<PairView | null>(null);
  const failure = ref('');
  const trouble = ref('');
  const chosen = shallowRef<readonly CourseSummary[]>([]);
  const above = computed(
    () =>
      new Set([
        id.value,
        ...(view.value?.candidates ?? []).map(({ course }) => course.id),
        ...(view.value?.askable ?? []).map(({ course }) => course.id),
      ]),
  );

  function load(): void {
    failure.value = '';
    view.value = null;
    chosen.value = [];
    fetchPair(id.value, side.value === 'into' ? 'shell' : 'source').then(
      (found) => {
        view.value = found;
        const [first] = found.candidates;
        if (side.value === 'into' && found.verdict === 'one' && first !== undefined) chosen.value = [first.course];
      },
      (error: unknown) => void (failure.value = sentenceOf(error)),
    );
  }
  watch([side, id], load, { immediate: true });

  /** Several sources make one plan, in the order chosen; several shells one each, gone through one after the other. */
  async function open(others: readonly CourseSummary[]): Promise<void> {
    trouble.value = '';
    try {
      const plans: string[] = [];
      if (side.value === 'into')
        plans.push(
          (
            await openPlan(
              others.map((other) => other.id),
              id.value,
            )
          ).id,
        );
      else for (const shell of others) plans.push((await openPlan([id.value], shell.id)).id);
      goThrough(plans.length > 1 ? plans.map((plan, at) => ({ id: plan, name: courseCode(others[at]!) })) : []);
      await router.push({ name: 'plan', params: { id: plans[0] } });
    } catch (error) {
      trouble.value = sentenceOf(error);
    }
  }

  return {
    view,
    failure,
    trouble,
    chosen,
    above,
    load,
    open,
    press: (course: CourseSummary, press: Press): void =>
      void (chosen.value = chosenAfter(chosen.value, course, press)),
  };
}

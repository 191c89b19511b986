import type { SetUpView } from '@yarin/core';
import { computed, reactive, ref, shallowRef, watch, type Ref } from 'vue';
import { useRunStore } from '../plan/state/runStore.js';
import { fetchSetUp, openPlan, takeBackRun } from '../shared/api/plans.js';
import { sentenceOf } from '../shared/api/client.js';
import { useAnnouncer } from '../shared/announcer.js';
import { count, courseCode } from '../shared/words.js';

/** What came of one course. */
export type Outcome =
  | { readonly is: 'bringing' }
  | { readonly is: 'brought'; readonly runId: string; readonly planId: string }
  | { readonly is: 'takenBack' }
  | { readonly is: 'refused'; readonly why: string };

/** The gradebook set-up of a course, the courses that it goes into by itself, and what came of them. */
export function useSetUp(id: Readonly<Ref<string>>) {
  const runs = useRunStore();
  const { say } = useAnnouncer();
  const view = shallowRef<SetUpView | null>(null);
  const failure = ref('');
  const chosen = ref<readonly string[]>([]);
  const outcomes = reactive(new Map<string, Outcome>());
  const isBringing = computed(() => [...outcomes.values()].some(({ is }) => is === 'bringing'));

  async function load(): Promise<void> {
    failure.value = '';
    try {
      view.value = await fetchSetUp(id.value);
      // What is there by now has nothing to take any more.
      const open = new Set(view.value.into.filter(({ toWrite }) => toWrite > 0).map(({ course }) => course.id));
      chosen.value = chosen.value.filter((each) => open.has(each));
    } catch (error) {
      failure.value = sentenceOf(error);
    }
  }
  watch(
    id,
    () => {
      view.value = null;
      chosen.value = [];
      outcomes.clear();
      void load();
    },
    { immediate: true },
  );

  async function bringInto(courseId: string): Promise<Outcome> {
    const { id: planId } = await openPlan([id.value], courseId, 'gradebook');
    const code = courseCode(view.value!.into.find(({ course }) => course.id === courseId)!.course);
    const state = await runs.bring(planId, `the gradebook set-up into ${code}`);
    if (state.is === 'done' && state.outcome.runId !== null)
      return { is: 'brought', runId: state.outcome.runId, planId };
    return { is: 'refused', why: state.is === 'failed' ? state.problem.detail : 'Nothing of it was missing there.' };
  }

  /** One course after the other; what one refuses keeps none of the others from it. */
  async function bring(): Promise<void> {
    const into = chosen.value;
    for (const courseId of into) {
      outcomes.set(courseId, { is: 'bringing' });
      try {
        outcomes.set(courseId, await bringInto(courseId));
      } catch (error) {
        outcomes.set(courseId, { is: 'refused', why: sentenceOf(error) });
      }
    }
    const brought = into.filter((each) => outcomes.get(each)?.is === 'brought').length;
    await load();
    say(`The set-up stands in ${count(brought, 'course')}.`);
  }

  async function takeBack(courseId: string, runId: string): Promise<void> {
    try {
      await takeBackRun(runId);
      outcomes.set(courseId, { is: 'takenBack' });
      await load();
      say('Taken back.');
    } catch (error) {
      outcomes.set(courseId, { is: 'refused', why: sentenceOf(error) });
    }
  }

  return {
    view,
    failure,
    chosen,
    outcomes,
    isBringing,
    load,
    bring,
    takeBack,
    toggle(courseId: string): void {
      const others = chosen.value.filter((each) => each !== courseId);
      chosen.value = others.length < chosen.value.length ? others : [...others, courseId];
    },
  };
}

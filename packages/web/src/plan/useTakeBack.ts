import type { PlanView, RunView } from '@yarin/core';
import { ref, type ComputedRef, type Ref, type ShallowRef } from 'vue';
import { useAnnouncer } from '../shared/announcer.js';
import { ApiProblem, sentenceOf } from '../shared/api/client.js';
import { takeBackRun } from '../shared/api/plans.js';
import { count } from '../shared/words.js';

interface Taking {
  readonly view: Readonly<ShallowRef<PlanView | null>>;
  readonly lastRun: ComputedRef<RunView | null>;
  readonly trouble: Ref<string>;
  readonly reload: () => Promise<void>;
}

/** Titles of what was changed since a run, when that is why it was not taken back. */
export const changedIn = (error: unknown): string[] =>
  error instanceof ApiProblem
    ? (error.details.problems ?? []).flatMap(({ code, message }) => (code === 'changedSince' ? [message] : []))
    : [];

/** Takes the last run back, and asks what becomes of things that somebody changed since. */
export function useTakeBack({ view, lastRun, trouble, reload }: Taking) {
  const { announce } = useAnnouncer();
  const changedSince = ref<readonly string[]>([]);

  async function takeBack(changed?: 'stay' | 'go'): Promise<void> {
    if (view.value === null || lastRun.value === null) return;
    trouble.value = '';
    changedSince.value = [];
    try {
      const { things } = await takeBackRun(lastRun.value.id, changed);
      const stay = changed === 'stay' ? 'What was changed since stays.' : 'The shell is as it was.';
      announce(`${count(things, 'thing')} taken back. ${stay}`);
      await reload();
    } catch (error) {
      changedSince.value = changedIn(error);
      if (changedSince.value.length === 0) trouble.value = sentenceOf(error);
    }
  }
  return { takeBack, changedSince };
}

import type { Deed, PlanView, RunView } from '@yarin/core';
import { ref, type ComputedRef, type Ref, type ShallowRef } from 'vue';
import { useAnnouncer } from '../../shared/announcer.js';
import { ApiProblem, isConflict, sentenceOf } from '../../shared/api/client.js';
import { takeDeedBack } from '../../shared/api/courses.js';
import { takeBackRun, type PartOfRun } from '../../shared/api/plans.js';
import { count } from '../../shared/words.js';

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

/** Takes the last run back, whole or in part, asks what becomes of things that somebody changed since, and does again. */
export function useTakeBack({ view, lastRun, trouble, reload }: Taking) {
  const { say } = useAnnouncer();
  const changedSince = ref<readonly string[]>([]);
  /** What was asked about: the part of the run, all of it when nothing is named. */
  const asked = ref<PartOfRun>();

  /** Says why, and shows what stands when somebody else was faster. */
  async function refused(error: unknown): Promise<void> {
    trouble.value = sentenceOf(error);
    if (isConflict(error)) await reload();
  }

  async function takeBack(part?: PartOfRun, changed?: 'stay' | 'go'): Promise<void> {
    if (view.value === null || lastRun.value === null) return;
    trouble.value = '';
    changedSince.value = [];
    asked.value = part;
    try {
      const { things } = await takeBackRun(lastRun.value.id, changed, part);
      const stay =
        changed === 'stay' ? 'What was changed since stays.' : part === undefined ? 'The shell is as it was.' : '';
      await reload();
      const [deed] = lastRun.value?.takenBack ?? [];
      say(
        part?.dates === true
          ? `The dates of ${count(things, 'thing')} are taken back.`
          : `${count(things, 'thing is', 'things are')} taken back. ${stay}`,
        deed === undefined ? undefined : { words: 'do it again', act: () => doAgain(deed) },
      );
    } catch (error) {
      changedSince.value = changedIn(error);
      if (changedSince.value.length === 0) await refused(error);
    }
  }

  /** What was taken back comes again, as it stood then. */
  async function doAgain({ id }: Deed): Promise<void> {
    if (view.value === null) return;
    trouble.value = '';
    try {
      await takeDeedBack(view.value.shell.course.id, id);
      await reload();
      say('Done again, as it stood.');
    } catch (error) {
      await refused(error);
    }
  }
  return { takeBack, takeRestBack: (changed: 'stay' | 'go') => takeBack(asked.value, changed), changedSince, doAgain };
}

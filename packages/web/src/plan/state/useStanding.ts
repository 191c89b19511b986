import { computed, type Ref, type ShallowRef } from 'vue';
import type { Deed, PlanView } from '@yarin/core';
import { useAnnouncer } from '../../shared/announcer.js';
import { sentenceOf } from '../../shared/api/client.js';
import { fetchCourse, moveMoments, takeDeedBack } from '../../shared/api/courses.js';
import type { Moves } from '../../shared/dates/bulkMoves.js';
import { count } from '../../shared/words.js';

interface Standing {
  readonly view: Readonly<ShallowRef<PlanView | null>>;
  readonly trouble: Ref<string>;
  readonly reload: () => Promise<void>;
}

/** Dates that were brought: what is done about them is done in the new course, not in the plan, and put back there. */
export function useStanding({ view, trouble, reload }: Standing) {
  const { say } = useAnnouncer();
  /** What was moved since the last run and stands so, the latest first. */
  const fixes = computed(() => view.value?.runs.find(({ undoneAt }) => undoneAt === null)?.fixes ?? []);

  async function inCourse(act: (course: string) => Promise<void>): Promise<boolean> {
    trouble.value = '';
    try {
      await act(view.value!.shell.course.id);
      await reload();
      return true;
    } catch (error) {
      trouble.value = sentenceOf(error);
      return false;
    }
  }
  async function moveStanding(moves: Moves): Promise<void> {
    const isDone = await inCourse(async (course) => {
      const { summary } = await fetchCourse(course);
      await moveMoments(course, summary.version, moves, true);
    });
    const [fix] = fixes.value;
    if (!isDone || fix === undefined) return;
    const words = `${count(Object.keys(moves).length, 'date is', 'dates are')} moved in the new course.`;
    say(words, { words: 'put back', act: () => putBack(fix) });
  }
  async function putBack(fix: Deed): Promise<void> {
    if (await inCourse((course) => takeDeedBack(course, fix.id).then(() => undefined))) say(`Put back: ${fix.what}.`);
  }
  return { fixes, moveStanding, putBack };
}

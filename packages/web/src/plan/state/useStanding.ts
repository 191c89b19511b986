import { shallowRef, type Ref, type ShallowRef } from 'vue';
import type { PlanView } from '@yarin/core';
import { useAnnouncer } from '../../shared/announcer.js';
import { sentenceOf } from '../../shared/api/client.js';
import { fetchCourse, moveMoments } from '../../shared/api/courses.js';
import type { Moves } from '../../shared/dates/bulkMoves.js';
import { count } from '../../shared/words.js';

interface Standing {
  readonly view: Readonly<ShallowRef<PlanView | null>>;
  readonly trouble: Ref<string>;
  readonly reload: () => Promise<void>;
}

/** Dates that were brought: what is done about them is done in the new course, not in the plan. */
export function useStanding({ view, trouble, reload }: Standing) {
  const { say } = useAnnouncer();
  /** Where the dates stood that were moved last. */
  const movedFrom = shallowRef<Moves | null>(null);

  async function move(moves: Moves, said: string): Promise<void> {
    const { id } = view.value!.shell.course;
    trouble.value = '';
    try {
      const { summary } = await fetchCourse(id);
      const { before } = await moveMoments(id, summary.version, moves);
      await reload();
      movedFrom.value = before;
      const isBack = said === 'put back';
      say(
        `${count(Object.keys(moves).length, 'date')} ${said} in the new course.`,
        isBack ? undefined : { words: 'put back', act: putBackStanding },
      );
    } catch (error) {
      trouble.value = sentenceOf(error);
    }
  }
  async function putBackStanding(): Promise<void> {
    const moves = movedFrom.value;
    if (moves === null) return;
    await move(moves, 'put back');
    movedFrom.value = null;
  }
  return { movedFrom, moveStanding: (moves: Moves) => move(moves, 'moved'), putBackStanding };
}

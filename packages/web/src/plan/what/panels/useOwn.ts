import { canBeTakenOut, KIND_WORDS, parseDay, type SnapshotItem } from '@yarin/core';
import { computed } from 'vue';
import { dayWords } from '../../../shared/readersDates.js';
import { usePlanStore } from '../../state/planStore.js';

/** What only the shell has: nothing of the old course answers to it. */
export function useOwn() {
  const plan = usePlanStore();
  const own = computed(() => {
    const standing = new Map(plan.view!.shell.items.map((item) => [item.id, item]));
    return plan.preview!.lines.flatMap(({ verb, to, takenOut }) => {
      const item = verb === 'here' ? standing.get(to!) : undefined;
      if (item === undefined) return [];
      const { id, title } = item;
      const asked = plan.decisions.choices.takeOut?.[id] === true;
      return [{ id, title, said: saidOf(item), asked, out: takenOut === true, may: canBeTakenOut(item) }];
    });
  });
  /** What it is, and who made it. */
  function saidOf(item: SnapshotItem): string {
    const { kind, editedAt, editedBy } = item;
    const what = KIND_WORDS[kind].one;
    if (!canBeTakenOut(item))
      return `${what}, ${kind === 'courseSettings' ? 'of the course' : 'the college’s'}: it stays`;
    if (editedAt === undefined) return `${what}, stock that nobody edited`;
    const by = plan.view!.writers[editedBy ?? ''];
    return `${what}, ${by === undefined ? 'edited' : `by ${by},`} ${dayWords(parseDay(editedAt))}`;
  }
  return { own, saidOf };
}

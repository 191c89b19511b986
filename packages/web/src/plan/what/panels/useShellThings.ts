import { canBeTakenOut, KIND_WORDS, parseDay, type SnapshotItem, type Verb } from '@yarin/core';
import { computed } from 'vue';
import { dayWords } from '../../../shared/readersDates.js';
import { usePlanStore } from '../../state/planStore.js';

/** A thing of the shell that can be taken out with the run. */
export interface ShellThing {
  readonly id: string;
  readonly title: string;
  /** What it is, and who made it or changed it. */
  readonly said: string;
  /** A person asked for it to be taken out; it is, unless something that stays needs it. */
  readonly asked: boolean;
  readonly out: boolean;
  readonly may: boolean;
}

/** What stands in the shell and nothing of the old course answers to: what came before and left it, and what only the shell has. */
export function useShellThings() {
  const plan = usePlanStore();
  const standing = computed(() => new Map(plan.view!.shell.items.map((item) => [item.id, item])));
  const landed = computed(() => new Map(plan.ground!.lineage.map((entry) => [entry.item, entry])));
  const thingsOf = (wanted: Verb, saidOf: (item: SnapshotItem) => string) =>
    computed(() =>
      plan.preview!.lines.flatMap(({ verb, to, takenOut }): ShellThing[] => {
        const item = verb === wanted ? standing.value.get(to!) : undefined;
        if (item === undefined) return [];
        const { id, title } = item;
        const asked = plan.decisions.choices.takeOut?.[id] === true;
        return [{ id, title, said: saidOf(item), asked, out: takenOut === true, may: canBeTakenOut(item) }];
      }),
    );

  function saidOfGone({ id, kind, version, contentHash, begun }: SnapshotItem): string {
    if (begun) return `${KIND_WORDS[kind].one}, begun by learners: it stays`;
    const { landedHash, landedVersion = version } = landed.value.get(id)!;
    const isEdited = landedHash !== contentHash || landedVersion !== version;
    return isEdited ? `${KIND_WORDS[kind].one}, changed here since it came` : KIND_WORDS[kind].one;
  }
  function saidOfOwn(item: SnapshotItem): string {
    const { kind, editedAt, editedBy } = item;
    const what = KIND_WORDS[kind].one;
    if (item.begun) return `${what}, begun by learners: it stays`;
    if (!canBeTakenOut(item))
      return `${what}, ${kind === 'courseSettings' ? 'of the course' : 'the college’s'}: it stays`;
    if (editedAt === undefined) return `${what}, stock that nobody edited`;
    const by = plan.view!.writers[editedBy ?? ''];
    return `${what}, ${by === undefined ? 'edited' : `by ${by},`} ${dayWords(parseDay(editedAt))}`;
  }
  return { gone: thingsOf('gone', saidOfGone), own: thingsOf('here', saidOfOwn), saidOfOwn };
}

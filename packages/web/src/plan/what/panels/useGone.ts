import { KIND_WORDS } from '@yarin/core';
import { computed } from 'vue';
import { count } from '../../../shared/words.js';
import { useChoosing } from '../rows/useChoosing.js';
import { usePlanStore } from '../../state/planStore.js';

/** What an earlier run brought and is no longer in the old course, and whether it is taken out of the shell too. */
export function useGone() {
  const plan = usePlanStore();
  const { takeOut } = useChoosing();
  const gone = computed(() => {
    const standing = new Map(plan.view!.shell.items.map((item) => [item.id, item]));
    const asked = plan.decisions.choices.takeOut ?? {};
    const landed = new Map(plan.ground!.lineage.map((entry) => [entry.item, entry]));
    return plan.preview!.lines.flatMap(({ verb, to, takenOut }) => {
      const item = verb === 'gone' ? standing.get(to!) : undefined;
      if (item === undefined) return [];
      const { id, title, kind, version, contentHash } = item;
      const { landedHash, landedVersion = version } = landed.get(id)!;
      const isEdited = landedHash !== contentHash || landedVersion !== version;
      const said = isEdited ? `${KIND_WORDS[kind].one}, changed here since it came` : KIND_WORDS[kind].one;
      return [{ id, title, said, asked: asked[id] === true, out: takenOut === true }];
    });
  });
  const turn = (ids: readonly string[], out: boolean): void =>
    takeOut(ids, out, `${count(ids.length, 'thing')} that the old course has no more`);
  return { gone, turn };
}

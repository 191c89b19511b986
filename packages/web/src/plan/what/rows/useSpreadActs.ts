import { nextTick, type Ref } from 'vue';
import { useAnnouncer } from '../../../shared/announcer.js';
import { count, ofWords } from '../../../shared/words.js';
import { usePlanStore } from '../../state/planStore.js';
import type { NewRow, OldRow } from './spreadRow.js';
import { useChoosing } from './useChoosing.js';

/** The rows of both pages: those that are seen, and all of the old one. */
interface Pages {
  readonly allOld: Readonly<Ref<readonly OldRow[]>>;
  readonly left: Readonly<Ref<readonly OldRow[]>>;
  readonly right: Readonly<Ref<readonly NewRow[]>>;
}

/** What pressing a box of either page does, and what is said of it. */
export function useSpreadActs({ allOld, left, right }: Pages, locked: Readonly<Ref<ReadonlySet<string>>>) {
  const plan = usePlanStore();
  const { toggle, takeOut } = useChoosing();
  const { announce } = useAnnouncer();

  function act(row: OldRow): void {
    if (row.covers.every((id) => locked.value.has(id))) {
      announce(
        `${row.title}: the recipe “${plan.view!.standingRecipe!.name}” decides about it; an administrator can change that.`,
      );
      return;
    }
    toggle(row);
    void nextTick(() => {
      const now = allOld.value.find(({ key }) => key === row.key);
      announce(
        `${row.title}: ${now?.box === 'on' ? 'comes' : now?.box === 'part' ? 'comes in part' : 'stays behind'}. ${ofWords(plan.totals)} come.`,
      );
    });
  }
  function actOld(key: string): void {
    const row = left.value.find((each) => each.key === key);
    if (row !== undefined) act(row);
  }
  function actNew(key: string): void {
    const row = right.value.find((each) => each.key === key);
    if (row === undefined) return;
    if (row.box === undefined) {
      announce(`${row.title} comes from the old course, or is the college’s. Choose it on the left page.`);
      return;
    }
    const out = row.box === 'on';
    takeOut(
      row.covers,
      out,
      row.covers.length === 1 ? row.title : `${count(row.covers.length, 'thing')} of ${row.title}`,
    );
    void nextTick(() => {
      const now = right.value.find((each) => each.key === key)?.box;
      announce(
        `${row.title}: ${now === 'on' ? 'stays' : now === 'part' ? 'stays in part, since others need it' : 'is taken out with the run'}.`,
      );
    });
  }

  return { act, actOld, actNew };
}

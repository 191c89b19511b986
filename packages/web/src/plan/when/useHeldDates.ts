import { parseDay, type PreviewDate } from '@yarin/core';
import type { ComputedRef } from 'vue';
import { along, fallingOf, type Moves } from '../../shared/dates/bulkMoves.js';
import { asRead } from '../../shared/dates/readersDates.js';
import type { TermSheet } from '../../shared/dates/termSheet.js';
import { count } from '../../shared/words.js';
import { usePlanStore } from '../planStore.js';

/** Ends of a strand held over a day; with what is chosen, when that goes along. */
export type Held = readonly [ids: readonly string[], day: string, withChosen: boolean];

interface HeldDates {
  /** Its dates go to that day at their hour; all that is chosen goes as many days along. */
  movesOf(...held: Held): Moves;
  /** What is on the day; of several dates, before they are let go, how many would fall on unusual days. */
  wordsWhileHeld(...held: Held): string;
}

export function useHeldDates(of: {
  readonly all: ComputedRef<readonly PreviewDate[]>;
  readonly chosen: ComputedRef<readonly PreviewDate[]>;
  readonly sheet: ComputedRef<TermSheet>;
}): HeldDates {
  const plan = usePlanStore();
  function heldDates(ids: readonly string[], withChosen: boolean): readonly PreviewDate[] {
    const own = of.all.value.filter(({ id }) => ids.includes(id));
    return withChosen && own.length > 0 ? [...new Set([...own, ...of.chosen.value])] : own;
  }
  function movesOf(...[ids, day, withChosen]: Held): Moves {
    const dates = heldDates(ids, withChosen);
    const [first] = dates;
    if (first !== undefined && withChosen) return along(dates, first, day);
    return Object.fromEntries(dates.map(({ id, from, to }) => [id, `${day}${(to ?? from).slice(10)}`]));
  }
  return {
    movesOf,
    wordsWhileHeld(...held) {
      const dates = heldDates(held[0], held[2]);
      if (dates.length < 2) return of.sheet.value.wordsFor(parseDay(held[1]));
      const { ids, words } = fallingOf(dates, movesOf(...held), plan.view!.shell);
      return `${count(dates.length, 'date')}${ids.length === 0 ? '' : `, of them ${asRead(words)}`}`;
    },
  };
}

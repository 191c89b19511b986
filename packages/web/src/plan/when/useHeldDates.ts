import { parseDay, weekStartOf, type Day, type PreviewDate } from '@yarin/core';
import type { ComputedRef } from 'vue';
import { along, fallingOf, type Moves } from '../../shared/dates/bulkMoves.js';
import { asRead } from '../../shared/readersDates.js';
import { termSheet, type TermSheet } from '../../shared/dates/termSheet.js';
import { count } from '../../shared/words.js';
import { usePlanStore } from '../state/planStore.js';

/** Ends of a strand held over a day; with what is chosen, when that goes along. */
export type Held = readonly [ids: readonly string[], day: string, withChosen: boolean];

interface HeldDates {
  /** Its dates go to that day at their hour; all that is chosen goes as many days along. */
  movesOf(...held: Held): Moves;
  /** What is on the day; of several, before they are let go, how many would fall on unusual days and what the day would hold. */
  wordsWhileHeld(...held: Held): string;
}

export function useHeldDates(of: {
  readonly all: ComputedRef<readonly PreviewDate[]>;
  readonly chosen: ComputedRef<readonly PreviewDate[]>;
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
  let lastSheet: { readonly key: string; readonly of: readonly PreviewDate[]; readonly sheet: TermSheet } | undefined;
  /** The term without what is held, one for as long as the same is held over its days. */
  function sheetWithout(dates: readonly PreviewDate[]): TermSheet {
    const without = dates.map(({ id }) => id);
    const key = without.join(' ');
    if (lastSheet?.key !== key || lastSheet.of !== of.all.value)
      lastSheet = { key, of: of.all.value, sheet: termSheet(plan.view!.shell, of.all.value, { without }) };
    return lastSheet.sheet;
  }
  return {
    movesOf,
    wordsWhileHeld(...held) {
      const dates = heldDates(held[0], held[2]);
      const sheet = sheetWithout(dates);
      const day = parseDay(held[1]);
      if (dates.length < 2) return sheet.wordsFor(day);
      const moves = movesOf(...held);
      const { ids, words } = fallingOf(dates, moves, plan.view!.shell);
      const load = loadWith(sheet, day, dates, moves);
      return [
        `${count(dates.length, 'date')}${ids.length === 0 ? '' : `, of them ${asRead(words)}`}`,
        ...(load.week === 0 ? [] : [`${count(load.day, 'deadline')} that day, ${load.week} that week`]),
      ].join(' · ');
    },
  };
}

/** Graded work of a day and its week when what is held has moved there. */
function loadWith(sheet: TermSheet, day: Day, held: readonly PreviewDate[], moves: Moves) {
  const dues = held.flatMap(({ id, role, graded, to }) => {
    const at = moves[id] ?? to;
    return role === 'due' && graded && at !== null ? [parseDay(at)] : [];
  });
  const week = (each: Day): Day => weekStartOf(each, sheet.weekStartsOn);
  const standing = sheet.loadOn(day);
  return {
    day: standing.day + dues.filter((each) => each === day).length,
    week: standing.week + dues.filter((each) => week(each) === week(day)).length,
  };
}

import {
  indexCalendar,
  parseDay,
  type Calendar,
  type CalendarIndex,
  type Flag,
  type PreviewDate,
  type SnapshotItem,
} from '@yarin/core';
import { computed, shallowRef } from 'vue';
import type { Moves } from '../../shared/dates/bulkMoves.js';
import { useUndo } from '../../shared/useUndo.js';

const NONE: readonly Flag[] = [];

/** What is to be seen of a day on the calendar alone. */
function flagsOn(index: CalendarIndex, day: number): readonly Flag[] {
  if (!index.isInside(day)) return ['outsideTerm'];
  return index.isClosed(day) ? ['closure'] : NONE;
}

/** The dates of a course with what somebody moves before it is saved; every step can be undone. */
export function useDateDraft(items: () => readonly SnapshotItem[], calendar: () => Calendar) {
  const moves = shallowRef<Moves>({});
  const undoing = useUndo<Moves>();

  const dates = computed((): PreviewDate[] => {
    const index = indexCalendar(calendar(), calendar().weekStartsOn ?? 1);
    return items().flatMap(({ id: item, kind, title, moments = [] }) =>
      moments.map(({ id, role, at, for: section }): PreviewDate => {
        const to = moves.value[id] ?? at;
        const isMoved = to !== at;
        const rule = isMoved ? 'byHand' : 'keep';
        const flags = isMoved ? flagsOn(index, parseDay(to)) : NONE;
        return {
          id,
          item,
          kind,
          title,
          role,
          from: at,
          to,
          rule,
          steps: [],
          flags,
          graded: false,
          ...(section === undefined ? {} : { for: section }),
        };
      }),
    );
  });
  const changed = computed((): Moves =>
    Object.fromEntries(dates.value.flatMap(({ id, from, to }) => (to !== from ? [[id, to!]] : []))),
  );

  function set(next: Moves, what: string): void {
    undoing.note(moves.value, what);
    moves.value = next;
  }
  return {
    dates,
    /** By moment: only those that go elsewhere than they stand. */
    changed,
    move: (more: Moves, what: string): void => set({ ...moves.value, ...more }, what),
    asItWas(ids: ReadonlySet<string>): void {
      set(Object.fromEntries(Object.entries(moves.value).filter(([id]) => !ids.has(id))), 'as it was');
    },
    forget(): void {
      moves.value = {};
      undoing.forget();
    },
    undo(): void {
      const step = undoing.undo(moves.value);
      if (step !== undefined) moves.value = step.state;
    },
    redo(): void {
      const step = undoing.redo(moves.value);
      if (step !== undefined) moves.value = step.state;
    },
    undoable: undoing.undoable,
    redoable: undoing.redoable,
  };
}

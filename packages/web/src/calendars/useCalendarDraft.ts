import { checkCalendar, type Calendar, type Problem } from '@yarin/core';
import { computed, shallowRef } from 'vue';
import { useAnnouncer } from '../shared/announcer.js';
import { useUndo } from '../shared/useUndo.js';

/**
 * A calendar that somebody works on: nothing is saved until they say so, and every step can be undone.
 *
 * @param holding  the calendar as it will hold, when more than the draft makes it up
 */
export function useCalendarDraft(saved: () => Calendar, holding: (draft: Calendar) => Calendar = (draft) => draft) {
  const draft = shallowRef<Calendar>(saved());
  const undoing = useUndo<Calendar>();
  const { announce } = useAnnouncer();
  /** The last one that was sound, so that there is always something to look at. */
  let lastSound = holding(draft.value);

  const effective = computed(() => holding(draft.value));
  const problems = computed<readonly Problem[]>(() =>
    checkCalendar(effective.value, '', effective.value.weekStartsOn ?? 1),
  );
  const shown = computed(() => {
    if (problems.value.length === 0) lastSound = effective.value;
    return lastSound;
  });
  const isChanged = computed(() => JSON.stringify(draft.value) !== JSON.stringify(saved()));

  /** @param what  what was done, as it is said where it can be undone */
  function change(next: Calendar, what: string): void {
    undoing.note(draft.value, what);
    draft.value = next;
    announce(`${what}.`);
  }
  function step(to: { readonly state: Calendar; readonly what: string } | undefined, said: string): void {
    if (to === undefined) return;
    draft.value = to.state;
    announce(`${said}: ${to.what}.`);
  }
  return {
    draft,
    effective,
    /** What the strip shows: the draft as it will hold, or the last sound one. */
    shown,
    problems,
    isChanged,
    change,
    undo: () => step(undoing.undo(draft.value), 'Undone'),
    redo: () => step(undoing.redo(draft.value), 'Done again'),
    undoable: undoing.undoable,
    redoable: undoing.redoable,
    /** Begins anew from what is saved. */
    begin(): void {
      draft.value = saved();
      undoing.forget();
    },
  };
}

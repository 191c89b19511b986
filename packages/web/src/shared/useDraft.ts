import { computed, shallowRef } from 'vue';
import { useAnnouncer } from './announcer.js';
import { useUndo } from './useUndo.js';

/** Something that a person works on: nothing is saved until they say so, and every step can be undone. */
export function useDraft<State>(saved: () => State) {
  const draft = shallowRef<State>(saved());
  const undoing = useUndo<State>();
  const { announce } = useAnnouncer();

  function step(to: { readonly state: State; readonly what: string } | undefined, said: string): void {
    if (to === undefined) return;
    draft.value = to.state;
    announce(`${said}: ${to.what}.`);
  }
  return {
    draft,
    isChanged: computed(() => JSON.stringify(draft.value) !== JSON.stringify(saved())),
    /** @param what  what was done, as it is said where it can be undone */
    change(next: State, what: string): void {
      undoing.note(draft.value, what);
      draft.value = next;
      announce(`${what}.`);
    },
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

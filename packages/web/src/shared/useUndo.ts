import { computed, shallowRef } from 'vue';

/** A state to go to, and what is undone or done again by going there. */
export interface Step<State> {
  readonly state: State;
  readonly what: string;
}

const MOST_STEPS = 200;

/** What was done and can be undone, and what was undone and can be done again. States are kept whole; they share what they have in common. */
export function useUndo<State>() {
  const past = shallowRef<readonly Step<State>[]>([]);
  const future = shallowRef<readonly Step<State>[]>([]);

  return {
    /** What would be undone next, in words; empty when there is nothing. */
    undoable: computed(() => past.value.at(-1)?.what ?? ''),
    redoable: computed(() => future.value.at(-1)?.what ?? ''),
    /** Notes that something is about to be done to a state. */
    note(state: State, what: string): void {
      past.value = [...past.value.slice(1 - MOST_STEPS), { state, what }];
      future.value = [];
    },
    /** @returns the state before the last thing that was done */
    undo(now: State): Step<State> | undefined {
      const step = past.value.at(-1);
      if (step === undefined) return undefined;
      past.value = past.value.slice(0, -1);
      future.value = [...future.value, { state: now, what: step.what }];
      return step;
    },
    redo(now: State): Step<State> | undefined {
      const step = future.value.at(-1);
      if (step === undefined) return undefined;
      future.value = future.value.slice(0, -1);
      past.value = [...past.value, { state: now, what: step.what }];
      return step;
    },
    /** Something else changed meanwhile: it stays so in every state that is gone to. */
    through(change: (state: State) => State): void {
      const changed = ({ state, what }: Step<State>): Step<State> => ({ state: change(state), what });
      past.value = past.value.map(changed);
      future.value = future.value.map(changed);
    },
    forget(): void {
      past.value = [];
      future.value = [];
    },
  };
}

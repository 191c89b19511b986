import { applyDecisionChanges, type DecisionChange, type Decisions } from '@yarin/core';
import type { Ref } from 'vue';
import { useAnnouncer } from '../../shared/announcer.js';
import { useUndo } from '../../shared/useUndo.js';
import { count } from '../../shared/words.js';

/** What of a plan can be undone: what was decided, and from which courses it brings. */
interface PlanState {
  readonly decisions: Decisions;
  readonly sources: readonly string[];
}

/** What undoing needs of a plan. */
interface Undoable {
  readonly decisions: Readonly<Ref<Decisions>>;
  /** Ids of the courses that it brings from, in their order. */
  sources(): readonly string[];
  nameOf(course: string): string;
  apply(decisions: Decisions): void;
  /** Has it bring from other courses; whether that was saved. */
  changeTo(sources: readonly string[]): Promise<boolean>;
  /** “208 of 236 come”. */
  comeWords(): string;
}

/** What was done in a plan, step by step back and forth again: choices, dates and the courses that it brings from. */
export function usePlanUndo({ decisions, sources, nameOf, apply, changeTo, comeWords }: Undoable) {
  const steps = useUndo<PlanState>();
  const { announce } = useAnnouncer();
  const now = (): PlanState => ({ decisions: decisions.value, sources: sources() });

  /** Goes to a state: the courses first, since what is decided is about them. */
  async function goTo(state: PlanState): Promise<boolean> {
    if (state.sources.join() !== sources().join() && !(await changeTo(state.sources))) return false;
    apply(state.decisions);
    return true;
  }

  async function undo(): Promise<void> {
    const step = steps.undo(now());
    if (step === undefined) return;
    if (await goTo(step.state)) announce(`Undone: ${step.what}. ${comeWords()}.`);
    // It could not be gone to: it can still be undone.
    else steps.redo(step.state);
  }

  async function redo(): Promise<void> {
    const step = steps.redo(now());
    if (step === undefined) return;
    if (await goTo(step.state)) announce(`Done again: ${step.what}. ${comeWords()}.`);
    else steps.undo(step.state);
  }

  /** Says from which courses the plan brings, the one that goes before the others first. */
  async function bringFrom(ids: readonly string[]): Promise<void> {
    const before = now();
    if (!(await changeTo(ids))) return;
    steps.note(before, sourceWords(before.sources, ids));
    announce(`${count(ids.length, 'course')} to bring from. ${comeWords()}.`);
  }
  function sourceWords(before: readonly string[], after: readonly string[]): string {
    const more = after.find((id) => !before.includes(id));
    if (more !== undefined) return `bring from ${nameOf(more)} too`;
    return before.length > after.length ? 'bring from fewer courses' : 'another order of the courses';
  }

  return {
    undo,
    redo,
    bringFrom,
    /** Notes that something is about to be decided. */
    note: (what: string): void => steps.note(now(), what),
    /** Somebody else decided something meanwhile: it stays so in every state that is gone to. */
    through: (theirs: readonly DecisionChange[]): void =>
      steps.through((state) => ({ ...state, decisions: applyDecisionChanges(state.decisions, theirs) })),
    forget: steps.forget,
    undoable: steps.undoable,
    redoable: steps.redoable,
  };
}

import {
  applyDecisionChanges,
  decidedBeside,
  decisionChanges,
  type DecisionChange,
  type Decisions,
  type PlanView,
} from '@yarin/core';
import { ref, type Ref } from 'vue';
import { isConflict, sentenceOf } from '../../shared/api/client.js';
import { fetchPlan, saveDecisions } from '../../shared/api/plans.js';
import { count } from '../../shared/words.js';

export const NOTHING_DECIDED: Decisions = { choices: {}, byHand: {}, settled: {} };

/** Letters of the changes that are sent at once. */
const LARGEST_PART = 500_000;

function inParts(changes: readonly DecisionChange[]): DecisionChange[][] {
  const parts: DecisionChange[][] = [];
  let letters = Infinity;
  for (const change of changes) {
    const length = JSON.stringify(change).length;
    if (letters + length > LARGEST_PART) {
      parts.push([]);
      letters = 0;
    }
    parts.at(-1)!.push(change);
    letters += length;
  }
  return parts;
}

interface SavedPlan {
  readonly decisions: Ref<Decisions>;
  readonly trouble: Ref<string>;
  /** Shows the plan as it was loaded anew, with what somebody else decided. */
  takeIn(view: PlanView, theirs: readonly DecisionChange[]): void;
}

/** Saves what is decided, entry by entry; what somebody else decided at the same time holds beside it. */
export function useSaving({ decisions, trouble, takeIn }: SavedPlan) {
  const saving = ref<'saved' | 'saving' | 'failed'>('saved');
  let version = 0;
  /** What the server holds at that version. */
  let saved = NOTHING_DECIDED;
  let isWaiting = false;
  let saves: Promise<void> = Promise.resolve();
  /** How often decisions of somebody else came in. */
  let takenIn = 0;

  /** The plan as the server holds it; what is not saved is let go. */
  function begin(view: PlanView): void {
    version = view.version;
    saved = view.decisions;
    decisions.value = view.decisions;
    saving.value = 'saved';
  }

  async function save(id: string): Promise<void> {
    try {
      for (const part of inParts(decisionChanges(saved, decisions.value))) {
        version = (await saveDecisions(id, version, part)).version;
        saved = applyDecisionChanges(saved, part);
      }
    } catch (error) {
      if (isConflict(error)) return joinTheirs(id);
      fail(error);
    }
  }

  function fail(error: unknown): void {
    saving.value = 'failed';
    trouble.value = sentenceOf(error);
  }

  /** Loads what somebody else decided, and saves what was decided here beside it. */
  async function joinTheirs(id: string): Promise<void> {
    try {
      const view = await fetchPlan(id);
      const mine = decisionChanges(saved, decisions.value);
      const theirs = decisionChanges(saved, view.decisions);
      const { kept, met } = decidedBeside(mine, theirs);
      takenIn++;
      takeIn(view, theirs);
      begin(view);
      decisions.value = applyDecisionChanges(view.decisions, kept);
      saving.value = 'saving';
      isWaiting = kept.length > 0;
      trouble.value =
        met.length === 0
          ? 'Somebody else decided in this plan meanwhile; what you decided holds beside it.'
          : `Somebody else decided in this plan meanwhile. Where it was the same, theirs holds; ${count(met.length, 'decision')} of yours ${met.length === 1 ? 'does' : 'do'} not. Look at them again.`;
    } catch (error) {
      fail(error);
    }
  }

  /** Saves as long as something waits to be saved, once the change is shown; what came meanwhile together. */
  async function saveWaiting(id: string): Promise<void> {
    while (isWaiting) {
      await new Promise((shown) => setTimeout(shown));
      isWaiting = false;
      await save(id);
    }
    if (saving.value === 'saving') saving.value = 'saved';
  }

  return {
    saving,
    begin,
    /** The version of the plan that the page shows. */
    version: (): number => version,
    /** Notes that something was decided. */
    saveSoon(id: string): void {
      if (saving.value === 'saving' && isWaiting) return;
      isWaiting = true;
      saves = saving.value === 'saving' ? saves : saveWaiting(id);
      saving.value = 'saving';
    },
    /** Shows the plan as it stands by now. What is decided while it is fetched goes first: it is not shown then. */
    async hear(id: string): Promise<void> {
      const before = version;
      if (saving.value !== 'saved') return;
      const view = await fetchPlan(id);
      if (saving.value !== 'saved' || version !== before) return;
      const theirs = decisionChanges(saved, view.decisions);
      takeIn(view, theirs);
      begin(view);
      if (theirs.length === 0) return;
      takenIn++;
      trouble.value = 'Somebody else decided in this plan meanwhile.';
    },
    /** Saves at once what waits to be saved: the page is being left. */
    leave(id: string): void {
      if (!isWaiting) return;
      isWaiting = false;
      void save(id);
    },
    /** Waits until everything decided so far is saved; whether it could be, with nothing from somebody else beside it. */
    async flush(): Promise<boolean> {
      const before = takenIn;
      await saves;
      return saving.value !== 'failed' && takenIn === before;
    },
  };
}

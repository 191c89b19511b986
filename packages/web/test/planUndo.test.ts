import { describe, expect, it } from '@jest/globals';
import type { Decisions } from '@yarin/core';
import { ref } from 'vue';
import { usePlanUndo } from '../src/plan/state/usePlanUndo.js';

const leaving = (...kinds: string[]): Decisions => ({
  choices: { kinds: Object.fromEntries(kinds.map((kind) => [kind, 'leave' as const])) },
  byHand: {},
  settled: {},
});

function aPlan() {
  const decisions = ref(leaving());
  let sources: readonly string[] = ['a'];
  let saves = true;
  const plan = usePlanUndo({
    decisions,
    sources: () => sources,
    nameOf: (course) => course.toUpperCase(),
    apply: (next) => (decisions.value = next),
    changeTo: (ids) => {
      if (saves) sources = ids;
      return Promise.resolve(saves);
    },
    comeWords: () => '1 of 2 come',
  });
  return {
    plan,
    leave(kind: string) {
      plan.note(`leave ${kind}`);
      decisions.value = leaving(kind);
    },
    saving: (can: boolean) => (saves = can),
    stands: () => [Object.keys(decisions.value.choices.kinds!).join(), sources.join()],
  };
}

describe('undoing in a plan', () => {
  it('goes back over choices and courses in their order, and forth again', async () => {
    const { plan, leave, stands } = aPlan();
    leave('quiz');
    await plan.bringFrom(['a', 'b']);
    leave('page');
    expect(plan.undoable.value).toBe('leave page');
    await plan.undo();
    expect(plan.undoable.value).toBe('bring from B too');
    await plan.undo();
    expect(stands()).toEqual(['quiz', 'a']);
    await plan.undo();
    expect(stands()).toEqual(['', 'a']);
    for (let step = 0; step < 3; step++) await plan.redo();
    expect(stands()).toEqual(['page', 'a,b']);
  });
  it('what could not be saved is still there to be undone', async () => {
    const { plan, saving, stands } = aPlan();
    await plan.bringFrom(['a', 'b']);
    saving(false);
    await plan.undo();
    expect([plan.undoable.value, ...stands()]).toEqual(['bring from B too', '', 'a,b']);
    saving(true);
    await plan.undo();
    expect(stands()).toEqual(['', 'a']);
    saving(false);
    await plan.redo();
    expect([plan.redoable.value, ...stands()]).toEqual(['bring from B too', '', 'a']);
  });
  it('of courses that could not be changed nothing is noted', async () => {
    const { plan, saving } = aPlan();
    saving(false);
    await plan.bringFrom(['a', 'b']);
    expect(plan.undoable.value).toBe('');
  });
});

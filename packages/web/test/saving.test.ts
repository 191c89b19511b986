import { afterEach, beforeEach, describe, expect, it } from '@jest/globals';
import { applyDecisionChanges, type DecisionChange, type Decisions, type PlanView } from '@yarin/core';
import { ref } from 'vue';
import { NOTHING_DECIDED, useSaving } from '../src/plan/state/useSaving.js';
import { useUndo } from '../src/shared/useUndo.js';

/** A server that holds one plan, as far as saving goes. */
class HeldPlan {
  version = 1;
  decisions = NOTHING_DECIDED;
  /** Bytes of each request that saved something. */
  readonly saved: number[] = [];

  decide(changes: readonly DecisionChange[]): void {
    this.decisions = applyDecisionChanges(this.decisions, changes);
    this.version++;
  }
  readonly view = (): PlanView => ({ id: 'plan', version: this.version, decisions: this.decisions }) as PlanView;

  readonly answer = async (_address: unknown, { method, body }: RequestInit = {}): Promise<Response> => {
    if (method === 'GET') return Response.json(this.view());
    const { version, changes } = JSON.parse(String(body)) as { version: number; changes: DecisionChange[] };
    if (version !== this.version) return Response.json({ status: 409, detail: 'changed' }, { status: 409 });
    this.saved.push(String(body).length);
    this.decide(changes);
    return Response.json({ version: this.version });
  };
}

describe('what is decided on a page', () => {
  const asked = globalThis.fetch;
  let held: HeldPlan;
  const decisions = ref<Decisions>(NOTHING_DECIDED);
  const trouble = ref('');
  let saver: ReturnType<typeof useSaving>;
  let undoing: ReturnType<typeof useUndo<Decisions>>;
  beforeEach(() => {
    held = new HeldPlan();
    globalThis.fetch = held.answer as typeof fetch;
    trouble.value = '';
    undoing = useUndo<Decisions>();
    saver = useSaving({
      decisions,
      trouble,
      takeIn: (_, theirs) => undoing.through((state) => applyDecisionChanges(state, theirs)),
    });
    saver.begin(held.view());
  });
  afterEach(() => {
    globalThis.fetch = asked;
  });
  const decide = (change: Partial<Decisions>): void => {
    decisions.value = { ...decisions.value, ...change };
    saver.saveSoon('plan');
  };

  it('is saved, what was decided meanwhile together with it', async () => {
    decide({ byHand: { quiz: '2027-02-09T14:00' } });
    decide({ byHand: { quiz: '2027-02-09T14:00', lab: '2027-02-11T14:00' } });
    expect(saver.saving.value).toBe('saving');
    expect(await saver.flush()).toBe(true);
    expect([held.decisions, held.version, saver.version()]).toEqual([decisions.value, 2, 2]);
    expect(saver.saving.value).toBe('saved');
  });

  it('holds beside what somebody else decided, which is shown before anything is brought', async () => {
    held.decide([{ at: ['choices', 'kinds', 'survey'], to: 'leave' }]);
    decide({ byHand: { quiz: '2027-02-09T14:00' } });
    expect(await saver.flush()).toBe(false);
    expect(held.decisions).toEqual({
      choices: { kinds: { survey: 'leave' } },
      byHand: { quiz: '2027-02-09T14:00' },
      settled: {},
    });
    expect(decisions.value).toEqual(held.decisions);
    expect(trouble.value).toBe('Somebody else decided in this plan meanwhile; what you decided holds beside it.');
    expect(await saver.flush()).toBe(true);
  });

  it('is not lost while the page hears what became of the plan elsewhere, and nobody is said to have decided it', async () => {
    const answer = globalThis.fetch;
    let arrive: () => void = () => undefined;
    globalThis.fetch = (async (address: string, init: RequestInit = {}) => {
      const response = await answer(address, init);
      if (init.method === 'GET') await new Promise<void>((done) => (arrive = done));
      return response;
    }) as typeof fetch;
    const heard = saver.hear('plan');
    decide({ byHand: { quiz: '2027-02-09T14:00' } });
    await saver.flush();
    arrive();
    await heard;
    expect([decisions.value.byHand, held.decisions.byHand]).toEqual([
      { quiz: '2027-02-09T14:00' },
      { quiz: '2027-02-09T14:00' },
    ]);
    expect([saver.version(), trouble.value]).toEqual([2, '']);
  });

  it('of somebody else is shown when the page hears of it', async () => {
    held.decide([{ at: ['choices', 'kinds', 'survey'], to: 'leave' }]);
    await saver.hear('plan');
    expect(decisions.value.choices).toEqual({ kinds: { survey: 'leave' } });
    expect([saver.version(), trouble.value]).toEqual([2, 'Somebody else decided in this plan meanwhile.']);
  });

  it('is saved at once when the page is left', async () => {
    decide({ byHand: { quiz: '2027-02-09T14:00' } });
    saver.leave('plan');
    expect(held.version).toBe(2);
    await saver.flush();
    expect(held.decisions.byHand).toEqual({ quiz: '2027-02-09T14:00' });
  });

  it('is undone without what somebody else decided, which stays', async () => {
    held.decide([{ at: ['choices', 'kinds', 'survey'], to: 'leave' }]);
    undoing.note(decisions.value, 'move Quiz 3');
    decide({ byHand: { quiz: '2027-02-09T14:00' } });
    await saver.flush();
    decide(undoing.undo(decisions.value)!.state);
    expect(await saver.flush()).toBe(true);
    expect(held.decisions).toEqual({ choices: { kinds: { survey: 'leave' } }, byHand: {}, settled: {} });
  });

  it('gives way where somebody else decided the same otherwise, and says so', async () => {
    held.decide([{ at: ['byHand', 'quiz'], to: '2027-02-10T09:00' }]);
    decide({ byHand: { quiz: '2027-02-09T14:00', lab: '2027-02-11T14:00' } });
    await saver.flush();
    expect(held.decisions.byHand).toEqual({ quiz: '2027-02-10T09:00', lab: '2027-02-11T14:00' });
    expect(trouble.value).toBe(
      'Somebody else decided in this plan meanwhile. Where it was the same, theirs holds; 1 decision of yours does not. Look at them again.',
    );
  });

  it('goes in parts when it is long, each small enough to be taken', async () => {
    const text = 'x'.repeat(390_000);
    decide({ answers: { one: { body: { text } }, two: { body: { text } }, three: { body: { text } } } });
    expect(await saver.flush()).toBe(true);
    expect(held.saved).toHaveLength(3);
    expect(Math.max(...held.saved)).toBeLessThan(500_000);
    expect(held.decisions).toEqual(decisions.value);
  });

  it('is kept on the page when the server can’t be reached, and saved with the next decision', async () => {
    globalThis.fetch = () => Promise.reject(new Error('no network'));
    decide({ byHand: { quiz: '2027-02-09T14:00' } });
    expect(await saver.flush()).toBe(false);
    expect([saver.saving.value, decisions.value.byHand]).toEqual(['failed', { quiz: '2027-02-09T14:00' }]);
    globalThis.fetch = held.answer as typeof fetch;
    decide({ settled: { lab: 'as it is' } });
    expect(await saver.flush()).toBe(true);
    expect(held.decisions).toEqual(decisions.value);
  });
});

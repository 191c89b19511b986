import {
  indexPlan,
  type PlanDecided,
  type PlanGround,
  type PlanIndex,
  type PolicyEffect,
  type Preview,
  type Review,
} from '@yarin/core';
import { computed, onScopeDispose, shallowRef, watch, type ComputedRef, type ShallowRef } from 'vue';
import {
  changedBy,
  effectOn,
  shownAtOnce,
  workOut,
  type Asked,
  type AskedPolicy,
  type Worked,
  type WorkedOut,
} from './workedPlan.js';

/** From this many things on a plan is worked out in a worker, and what was chosen shows before it is done. */
const LARGE = 1500;
const READY_AFTER = 12;
const READY_PAUSE_MS = 60;

interface WorkedPlan {
  readonly worked: Readonly<ShallowRef<Worked | null>>;
  readonly index: ComputedRef<PlanIndex | null>;
  /** What another policy would do to the plan as it is; `undefined` when that can't be said any more. */
  effectOf(of: AskedPolicy): Promise<PolicyEffect | undefined>;
}

/**
 * The plan worked out anew at every decision. Of a large course, which things come and where dates go is computed at once
 * on the page; the new course as it will be follows from a worker.
 */
export function useWorkedPlan(ground: ComputedRef<PlanGround | null>, decided: ComputedRef<PlanDecided>): WorkedPlan {
  const worked = shallowRef<Worked | null>(null);
  const index = computed(() => (ground.value === null ? null : indexPlan(ground.value)));
  let worker: Worker | undefined;
  let asked = 0;
  let effectsAsked = 0;
  /** What was shown of the last decision before the worker's answer. */
  let atOnce: Partial<Preview & Review> = {};
  /** What the worker's answers are told against: its last one, whether or not it was shown. */
  let known: (Preview & Review) | undefined;

  /** Chooses some times while nobody waits for it, so that the first press is as quick as the next ones. */
  function beReady(on: PlanIndex, times = READY_AFTER): void {
    if (times === 0 || index.value !== on) return;
    setTimeout(() => {
      shownAtOnce(on, decided.value);
      beReady(on, times - 1);
    }, READY_PAUSE_MS);
  }

  const waiting: Asked[] = [];
  /** Asks the worker once the page has shown what was decided: side by side both would take longer. */
  function ask(message: Asked): void {
    if (waiting.push(message) === 1) setTimeout(() => waiting.splice(0).forEach((each) => worker?.postMessage(each)));
  }
  /** Effects that were asked for; one at a time, so that what was decided meanwhile is not kept waiting. */
  const awaited = new Map<number, (effect: PolicyEffect | undefined) => void>();
  function stop(): void {
    worker?.terminate();
    worker = undefined;
    known = undefined;
    waiting.length = 0;
    for (const answer of awaited.values()) answer(undefined);
    awaited.clear();
  }
  async function effectOf(of: AskedPolicy): Promise<PolicyEffect | undefined> {
    if (worker !== undefined)
      return new Promise((resolve) => {
        awaited.set(++effectsAsked, resolve);
        ask({ is: 'effect', asked: effectsAsked, of });
      });
    // The page shows the last change first.
    await new Promise((shown) => setTimeout(shown));
    return index.value === null || worked.value?.ok !== true
      ? undefined
      : effectOn(index.value, decided.value, worked.value.value, of);
  }

  function start(on: PlanGround): void {
    worker = new Worker(new URL('./planWorker.ts', import.meta.url), { type: 'module' });
    worker.addEventListener('message', ({ data }: MessageEvent<WorkedOut>) => heard(data));
    // Without a worker the page does it itself; slower, but never wrong.
    worker.addEventListener('error', () => {
      stop();
      workAnew();
    });
    known = worked.value?.ok ? worked.value.value : undefined;
    ask({ is: 'sides', ground: on, decided: decided.value });
  }

  function heard(answer: WorkedOut): void {
    if ('effect' in answer) {
      awaited.get(answer.asked)?.(answer.effect);
      awaited.delete(answer.asked);
      return;
    }
    if ('problems' in answer) {
      if (answer.asked === asked) worked.value = { ok: false, problems: answer.problems };
      return;
    }
    if (known === undefined) return;
    known = { ...known, ...changedBy(known, answer.change) };
    if (answer.asked !== asked || index.value === null) return;
    worked.value = { ok: true, value: { ...known, ...atOnce } };
  }

  function workAnew(): void {
    if (index.value === null) {
      worked.value = null;
      return;
    }
    asked++;
    const shown = worked.value;
    if (worker !== undefined) ask({ is: 'decided', asked, decided: decided.value });
    if (worker === undefined || shown?.ok !== true) {
      atOnce = {};
      worked.value = workOut(index.value, decided.value);
    } else {
      atOnce = shownAtOnce(index.value, decided.value);
      worked.value = { ok: true, value: { ...shown.value, ...atOnce } };
    }
  }

  watch(
    index,
    (now) => {
      stop();
      worked.value = null;
      workAnew();
      const isLarge = now !== null && now.ground.source.items.length + now.ground.shell.items.length >= LARGE;
      if (isLarge && worked.value !== null) {
        start(now.ground);
        beReady(now);
      }
    },
    { immediate: true, flush: 'sync' },
  );
  watch(decided, workAnew, { flush: 'sync' });
  onScopeDispose(stop);
  return { worked, index, effectOf };
}

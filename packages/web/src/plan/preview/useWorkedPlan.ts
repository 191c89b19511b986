import {
  indexPlan,
  planChosen,
  type PlanDecided,
  type PlanGround,
  type PlanIndex,
  type Preview,
  type Review,
} from '@yarin/core';
import { computed, onScopeDispose, shallowRef, watch, type ComputedRef, type ShallowRef } from 'vue';
import { changedBy, workOut, type Asked, type Worked, type WorkedOut } from './workedPlan.js';

/** From this many things on a plan is worked out in a worker, and what was chosen shows before it is done. */
const LARGE = 1500;
const READY_AFTER = 12;
const READY_PAUSE_MS = 60;

/**
 * The plan worked out anew at every decision. Of a large course, which things come is computed at once on the page; the
 * new course with its dates follows from a worker.
 */
export function useWorkedPlan(
  ground: ComputedRef<PlanGround | null>,
  decided: ComputedRef<PlanDecided>,
): { readonly worked: Readonly<ShallowRef<Worked | null>>; readonly index: ComputedRef<PlanIndex | null> } {
  const worked = shallowRef<Worked | null>(null);
  const index = computed(() => (ground.value === null ? null : indexPlan(ground.value)));
  let worker: Worker | undefined;
  let asked = 0;
  /** What the worker's answers are told against: its last one, whether or not it was shown. */
  let known: (Preview & Review) | undefined;

  /** Chooses some times while nobody waits for it, so that the first press is as quick as the next ones. */
  function beReady(on: PlanIndex, times = READY_AFTER): void {
    if (times === 0 || index.value !== on) return;
    setTimeout(() => {
      planChosen(on, decided.value.decisions);
      beReady(on, times - 1);
    }, READY_PAUSE_MS);
  }

  const ask = (message: Asked): void => worker?.postMessage(message);
  function stop(): void {
    worker?.terminate();
    worker = undefined;
    known = undefined;
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
    if ('problems' in answer) {
      if (answer.asked === asked) worked.value = { ok: false, problems: answer.problems };
      return;
    }
    if (known === undefined) return;
    known = { ...known, ...changedBy(known, answer.change) };
    if (answer.asked !== asked || index.value === null) return;
    worked.value = { ok: true, value: { ...known, ...planChosen(index.value, decided.value.decisions) } };
  }

  function workAnew(): void {
    if (index.value === null) {
      worked.value = null;
      return;
    }
    asked++;
    const shown = worked.value;
    if (worker === undefined || shown?.ok !== true) worked.value = workOut(index.value, decided.value);
    else {
      worked.value = { ok: true, value: { ...shown.value, ...planChosen(index.value, decided.value.decisions) } };
      ask({ is: 'decided', asked, decided: decided.value });
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
  return { worked, index };
}

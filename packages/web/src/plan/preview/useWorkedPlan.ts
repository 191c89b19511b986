import { indexPlan, planChosen, type PlanDecided, type PlanGround } from '@yarin/core';
import { computed, onScopeDispose, shallowRef, watch, type ComputedRef, type ShallowRef } from 'vue';
import { workOut, type Asked, type Worked, type WorkedOut } from './workedPlan.js';

/** From this many things on a plan is worked out in a worker, and what was chosen shows before it is done. */
const LARGE = 1500;

/**
 * The plan worked out anew at every decision. Of a large course, which things come is computed at once on the page; the
 * new course with its dates follows from a worker.
 */
export function useWorkedPlan(
  ground: ComputedRef<PlanGround | null>,
  decided: ComputedRef<PlanDecided>,
): Readonly<ShallowRef<Worked | null>> {
  const worked = shallowRef<Worked | null>(null);
  const index = computed(() => (ground.value === null ? null : indexPlan(ground.value)));
  let worker: Worker | undefined;
  let asked = 0;

  function ask(message: Asked): void {
    worker?.postMessage(message);
  }
  function start(on: PlanGround): void {
    worker?.terminate();
    worker = new Worker(new URL('./planWorker.ts', import.meta.url), { type: 'module' });
    worker.addEventListener('message', ({ data }: MessageEvent<WorkedOut>) => {
      if (data.asked === asked) worked.value = data.result;
    });
    // Without a worker the page does it itself; slower, but never wrong.
    worker.addEventListener('error', () => {
      worker?.terminate();
      worker = undefined;
      if (index.value !== null) worked.value = workOut(index.value, decided.value);
    });
    ask({ is: 'sides', ground: on });
  }

  function workAnew(): void {
    if (index.value === null) {
      worked.value = null;
      return;
    }
    asked++;
    if (worker === undefined || worked.value?.ok !== true) worked.value = workOut(index.value, decided.value);
    else {
      const chosen = planChosen(index.value, decided.value.decisions);
      worked.value = { ok: true, value: { ...worked.value.value, ...chosen } };
      ask({ is: 'decided', asked, decided: decided.value });
    }
  }

  watch(
    index,
    (now) => {
      worker?.terminate();
      worker = undefined;
      worked.value = null;
      workAnew();
      if (now !== null && now.ground.source.items.length + now.ground.shell.items.length >= LARGE) start(now.ground);
    },
    { immediate: true, flush: 'sync' },
  );
  watch(decided, workAnew, { flush: 'sync' });
  onScopeDispose(() => worker?.terminate());
  return worked;
}

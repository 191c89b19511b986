import { indexPlan, type PlanDecided, type PlanIndex, type Preview, type Review } from '@yarin/core';
import { changeFrom, effectOn, workOut, type Asked, type WorkedOut } from './workedPlan.js';

// Works plans of large courses out beside the page, so that it never stands still. The sides come once, then decisions;
// each answer is what changed from the one before.
interface Known {
  readonly index: PlanIndex;
  decided: PlanDecided;
  last: Preview & Review;
}
let known: Known | undefined;

self.addEventListener('message', ({ data }: MessageEvent<Asked>) => {
  if (data.is === 'sides') {
    const index = indexPlan(data.ground);
    const begun = workOut(index, data.decided);
    known = begun.ok ? { index, decided: data.decided, last: begun.value } : undefined;
    beReady(known);
    return;
  }
  if (known === undefined) throw new Error('Something was asked before the sides that it is about.');
  self.postMessage(answerTo(known, data));
});

const READY_AFTER = 6;

/** Works the same out some times while nobody waits, so that the first decision is as quick as the next ones. */
function beReady(on: Known | undefined, times = READY_AFTER): void {
  if (on === undefined || on !== known || times === 0) return;
  workOut(on.index, on.decided);
  setTimeout(() => beReady(on, times - 1));
}

function answerTo(on: Known, asked: Exclude<Asked, { is: 'sides' }>): WorkedOut {
  if (asked.is === 'effect') return { asked: asked.asked, effect: effectOn(on.index, on.decided, on.last, asked.of) };
  const worked = workOut(on.index, asked.decided);
  if (!worked.ok) return { asked: asked.asked, problems: worked.problems };
  const change = changeFrom(on.last, worked.value);
  on.decided = asked.decided;
  on.last = worked.value;
  return { asked: asked.asked, change };
}

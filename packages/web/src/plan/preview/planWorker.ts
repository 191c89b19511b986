import { indexPlan, type PlanDecided, type PlanIndex, type Preview, type Review } from '@yarin/core';
import { changeFrom, workOut, type Asked, type WorkedOut } from './workedPlan.js';

// Works plans of large courses out beside the page, so that it never stands still. The sides come once, then decisions;
// each answer is what changed from the one before.
let index: PlanIndex | undefined;
let last: (Preview & Review) | undefined;

self.addEventListener('message', ({ data }: MessageEvent<Asked>) => {
  if (data.is === 'sides') {
    index = indexPlan(data.ground);
    const begun = workOut(index, data.decided);
    last = begun.ok ? begun.value : undefined;
  } else self.postMessage(answerTo(data.asked, data.decided));
});

function answerTo(asked: number, decided: PlanDecided): WorkedOut {
  if (index === undefined || last === undefined)
    throw new Error('Decisions came before the sides that they are about.');
  const worked = workOut(index, decided);
  if (!worked.ok) return { asked, problems: worked.problems };
  const change = changeFrom(last, worked.value);
  last = worked.value;
  return { asked, change };
}

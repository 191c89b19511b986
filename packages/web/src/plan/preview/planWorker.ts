import { indexPlan, type PlanIndex } from '@yarin/core';
import { workOut, type Asked, type WorkedOut } from './workedPlan.js';

// Works plans of large courses out beside the page, so that it never stands still. The sides come once, then decisions.
let index: PlanIndex | undefined;

self.addEventListener('message', ({ data }: MessageEvent<Asked>) => {
  if (data.is === 'sides') {
    index = indexPlan(data.ground);
    return;
  }
  if (index === undefined) throw new Error('Decisions came before the sides that they are about.');
  const answer: WorkedOut = { asked: data.asked, result: workOut(index, data.decided) };
  self.postMessage(answer);
});

import type { PlanTotals, RunCounts, RunView } from '@yarin/core';
import { count, listed } from '../../shared/words.js';

/** What the runs of a plan that stand have brought, each thing once, of what the old course held at the last of them. */
export function broughtBy(runs: readonly Pick<RunView, 'counts'>[]): Pick<PlanTotals, 'comes' | 'of'> {
  const of = Object.values(runs[0]?.counts.byKind ?? {}).reduce((sum, { source }) => sum + source, 0);
  return { comes: runs.reduce((sum, { counts: { things, updated = 0 } }) => sum + things - updated, 0), of };
}

/** “210 things brought: 203 added, 5 joined with what the shell had and 2 places kept; 134 dates moved”. */
export function runWords({ things, added, changed, places, updated = 0, takenOut = 0, dates }: RunCounts): string {
  const joined = changed - updated;
  const parts = [
    ...(added > places ? [`${added - places} added`] : []),
    ...(joined > 0 ? [`${joined} joined with what the shell had`] : []),
    ...(updated > 0 ? [`${updated} brought up to date`] : []),
    ...(places > 0 ? [`${count(places, 'place')} kept`] : []),
  ];
  const brought = things === 0 ? [] : [`${count(things, 'thing')} brought: ${listed(parts)}`];
  const out = takenOut === 0 ? [] : [`${count(takenOut, 'thing')} taken out`];
  return `${[...brought, ...out].join(', ')}; ${count(dates, 'date')} moved`;
}

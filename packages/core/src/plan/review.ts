import { doubtCauses, type DoubtCause } from '../retime/causes.js';
import { looseEndsOf, type LooseEnd } from './looseEnds.js';
import type { PlanInput, Preview } from './preview.js';

/** What a person should look at before or after a run; nothing of it holds the run up. */
export interface Review {
  readonly causes: readonly DoubtCause[];
  readonly looseEnds: readonly LooseEnd[];
}

/** Gathers the doubts of a preview by cause, and what would be left over after it. */
export function reviewPlan(
  { source, shell, findings, decisions, policy }: PlanInput,
  { dates, items, lines, broken }: Preview,
): Review {
  const terms = { old: source.calendar, new: shell.calendar, weekdays: policy.weekdays ?? {} };
  return {
    causes: doubtCauses(dates, terms, decisions.settled),
    looseEnds: looseEndsOf({ course: shell.course, items }, [{ source, findings, lines, broken }]),
  };
}

import { doubtCauses, type DoubtCause } from '../retime/causes.js';
import { classesWithoutEvent } from './classSeries.js';
import { looseEndsOf, type LooseEnd } from './looseEnds.js';
import { originOf } from './joinSources.js';
import type { PlanInput, Preview } from './preview.js';

/** What a person should look at before or after a run; nothing of it holds the run up. */
export interface Review {
  readonly causes: readonly DoubtCause[];
  readonly looseEnds: readonly LooseEnd[];
}

/** Gathers the doubts of a preview by cause, and what would be left over after it. */
export function reviewPlan(
  { source, joined, shell, findings, decisions, policy, policies = {} }: PlanInput,
  { dates, items, lines, broken }: Preview,
): Review {
  const parts = (joined?.sources ?? [source]).map(({ course, calendar }) => ({
    old: calendar,
    new: shell.calendar,
    meetings: shell.meetings,
    weekdays: (policies[course.id] ?? policy).weekdays ?? {},
    moments:
      joined === undefined
        ? dates
        : dates.filter(({ item }) => originOf({ source, joined }, item).course === course.id),
    ...(joined === undefined ? {} : { course: course.id }),
  }));
  return {
    causes: doubtCauses(parts, decisions.settled),
    looseEnds: [
      ...looseEndsOf({ course: shell.course, items }, [{ source, findings, lines, broken }]),
      ...classesWithoutEvent({ source, shell, joined }, dates),
    ],
  };
}

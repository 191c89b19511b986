import { succeed, type Result } from '../problem.js';
import { isDoubtful } from '../retime/flags.js';
import type { PlanPolicy } from '../schemas/planPolicy.js';
import { inSection } from './dates.js';
import { datesOn, type PlanDecided, type PlanIndex, type PreviewDate } from './preview.js';
import { differing } from './sharedShell.js';

/** What another policy would do to the dates of a plan. */
export interface PolicyEffect {
  /** Dates that would go elsewhere than now, or have none. */
  readonly differs: number;
  /** Dates in doubt under it. */
  readonly doubts: number;
}

/**
 * What a policy would do, before it is taken.
 *
 * @param now     the dates of the plan as they go now
 * @param course  the source whose dates would go by the policy
 * @returns       the effect; or the problems of the calendars
 */
export function policyEffect(
  index: PlanIndex,
  decided: PlanDecided,
  now: readonly PreviewDate[],
  course: string,
  policy: PlanPolicy,
): Result<PolicyEffect> {
  const then = datesOn(index, { ...decided, policies: { ...decided.policies, [course]: policy } });
  if (!then.ok) return then;
  return succeed({
    differs: differing(now.map(inSection), then.value.map(inSection)),
    doubts: then.value.filter(({ flags }) => isDoubtful(flags)).length,
  });
}

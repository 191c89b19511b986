import { succeed, type Result } from '../problem.js';
import { isDoubtful } from '../retime/flags.js';
import type { PlanPolicy } from '../schemas/planPolicy.js';
import { differing } from './sharedShell.js';
import { inSection } from './dates.js';
import { datesOn, type PlanDecided, type PlanIndex, type PreviewDate } from './preview.js';

/** What another policy would do to the dates of a plan. */
export interface PolicyEffect {
  readonly policy: PlanPolicy;
  /** Dates that would go elsewhere than now, or have none. */
  readonly differs: number;
  /** Dates in doubt under it. */
  readonly doubts: number;
}

/**
 * What each of these policies would do, before one is taken.
 *
 * @param course  the source whose dates would go by it
 * @returns       one effect a policy, in their order; or the problems of the calendars
 */
export function policyEffects(
  index: PlanIndex,
  decided: PlanDecided,
  course: string,
  policies: readonly PlanPolicy[],
): Result<PolicyEffect[]> {
  const now = datesOn(index, decided);
  if (!now.ok) return now;
  const standing = now.value.map(inSection);
  const effects: PolicyEffect[] = [];
  for (const policy of policies) {
    const dates = datesOn(index, { ...decided, policies: { ...decided.policies, [course]: policy } });
    if (!dates.ok) return dates;
    effects.push({
      policy,
      differs: differing(standing, dates.value.map(inSection)),
      doubts: doubtsAmong(dates.value),
    });
  }
  return succeed(effects);
}

const doubtsAmong = (dates: readonly PreviewDate[]): number => dates.filter(({ flags }) => isDoubtful(flags)).length;

import { succeed, type Result } from '../problem.js';
import { FLAGS, isDoubtful, type Flag } from '../names/flags.js';
import type { PlanPolicy } from '../schemas/planPolicy.js';
import { inSection } from './dates/dates.js';
import { datesOn } from './preview.js';
import type { PlanDecided, PlanIndex, PreviewDate } from './shapes/preview.js';
import { differing } from './dates/sharedShell.js';

/** How many dates more (above 0) or fewer are flagged so. */
export type FlagChanges = Readonly<Partial<Record<Flag, number>>>;

/** What another policy would do to the dates of a plan. */
export interface PolicyEffect {
  /** Dates that would go elsewhere than now, or have none. */
  readonly differs: number;
  /** Dates in doubt under it. */
  readonly doubts: number;
  /** What is better (fewer) and worse (more) under it, flag by flag. */
  readonly changes: FlagChanges;
  /** All dates of the plan as they would go. */
  readonly dates: readonly PreviewDate[];
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
    changes: flagChanges(now, then.value),
    dates: then.value,
  });
}

function flagChanges(now: readonly PreviewDate[], then: readonly PreviewDate[]): FlagChanges {
  const counts = (dates: readonly PreviewDate[], flag: Flag): number =>
    dates.reduce((sum, { flags }) => sum + (flags.includes(flag) ? 1 : 0), 0);
  return Object.fromEntries(
    FLAGS.map((flag) => [flag, counts(then, flag) - counts(now, flag)] as const).filter(([, change]) => change !== 0),
  );
}

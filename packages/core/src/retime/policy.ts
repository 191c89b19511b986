import type { Weekday } from '../calendar/day.js';
import type { Landing, NarrowPolicy, Policy, RetimeMoment, RuleName } from '../schemas/retimeJob.js';

/** The four values that move a date. Equal values are one object, so that policies can be compared by identity. */
export interface ResolvedPolicy {
  readonly rule: RuleName;
  /** Where it is absent, what is tied to a class and the rest have each their own. */
  readonly landing: Landing | undefined;
  readonly hour: 'follow' | 'keep';
  /** New weekday by old weekday, 1 to 7, where one is named; index 0 is not used. */
  readonly weekdays: readonly (Weekday | undefined)[];
}

export interface PolicyOf {
  readonly policy: ResolvedPolicy;
  /** A policy narrower than the plan's names the rule. */
  readonly ruleIsNarrow: boolean;
}

export interface PolicyResolver {
  readonly plan: ResolvedPolicy;
  /** All that `of` can name. */
  readonly all: Iterable<ResolvedPolicy>;
  of(moment: RetimeMoment): PolicyOf;
}

/**
 * Finds the policy of a moment: item before unit (the nearest one) before kind before plan. What the narrower one
 * does not say comes from the plan's.
 *
 * @see docs/rules.md, "Policies"
 */
export function policyResolver(policy: Policy): PolicyResolver {
  const known = new Map<string, ResolvedPolicy>();
  const resolve = (narrow: NarrowPolicy): ResolvedPolicy => {
    const map = narrow.weekdays ?? policy.weekdays ?? {};
    const weekdays = [0, 1, 2, 3, 4, 5, 6, 7].map((weekday) => map[String(weekday)]);
    const resolved: ResolvedPolicy = {
      rule: narrow.rule ?? policy.rule ?? 'week',
      landing: narrow.landing ?? policy.landing,
      hour: narrow.hour ?? policy.hour ?? 'follow',
      weekdays,
    };
    const key = `${resolved.rule} ${resolved.landing} ${resolved.hour} ${weekdays.join()}`;
    return known.get(key) ?? (known.set(key, resolved), resolved);
  };
  const prepare = (narrow: Readonly<Record<string, NarrowPolicy>> | undefined): ReadonlyMap<string, PolicyOf> =>
    new Map(
      Object.entries(narrow ?? {}).map(([key, value]) => [
        key,
        { policy: resolve(value), ruleIsNarrow: value.rule !== undefined },
      ]),
    );
  const byItem = prepare(policy.byItem);
  const byUnit = prepare(policy.byUnit);
  const byKind = prepare(policy.byKind);
  const plan: PolicyOf = { policy: resolve({}), ruleIsNarrow: false };

  const ofUnit = (unit: RetimeMoment['unit']): PolicyOf | undefined => {
    if (unit === undefined || byUnit.size === 0) return undefined;
    if (typeof unit === 'string') return byUnit.get(unit);
    for (const each of unit) {
      const found = byUnit.get(each);
      if (found !== undefined) return found;
    }
    return undefined;
  };
  return {
    plan: plan.policy,
    all: known.values(),
    of: (moment) =>
      (byItem.size > 0 && moment.item !== undefined ? byItem.get(moment.item) : undefined) ??
      ofUnit(moment.unit) ??
      (byKind.size > 0 && moment.kind !== undefined ? byKind.get(moment.kind) : undefined) ??
      plan,
  };
}

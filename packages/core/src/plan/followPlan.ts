import type { Choices, Decisions } from '../schemas/choices.js';
import type { PlanPolicy } from '../schemas/planPolicy.js';

/** Choices that name things of the shell, and so hold for one shell alone. */
const OF_ONE_SHELL: readonly (keyof Choices)[] = ['equivalents', 'takeOut'];

const withoutShell = (choices: Choices): Choices =>
  Object.fromEntries(
    Object.entries(choices).filter(([name]) => !OF_ONE_SHELL.includes(name as keyof Choices)),
  ) as Choices;
const ofShell = (choices: Choices): Choices =>
  Object.fromEntries(
    Object.entries(choices).filter(([name]) => OF_ONE_SHELL.includes(name as keyof Choices)),
  ) as Choices;

/** The rule of another section with the class-day map of one's own. */
function policyFor(followed: PlanPolicy | undefined, proposed: PlanPolicy): PlanPolicy | undefined {
  if (followed === undefined) return undefined;
  const { weekdays: _weekdays, sections: _sections, ...rule } = followed;
  const { weekdays, sections } = proposed;
  return { ...rule, ...(weekdays && { weekdays }), ...(sections && { sections }) };
}

/**
 * The decisions of a parallel section that follows another one: what comes, by which rules, and what is set for work, as the
 * other has it. The
 * class-day map, dates set by hand, what is fine as it is and what refers to the shell stay its own.
 *
 * @param own       what was decided for the section so far
 * @param proposed  the policy that suits the section
 * @see docs/rules.md, "Parallel sections"
 */
export function followPlan(followed: Decisions, own: Decisions | undefined, proposed: PlanPolicy): Decisions {
  const kept: Decisions = own ?? { choices: {}, byHand: {}, settled: {} };
  const { policy: _policy, policies: _policies, sets: _sets, ...rest } = kept;
  const policy = policyFor(followed.policy, proposed);
  return {
    ...rest,
    choices: { ...withoutShell(followed.choices), ...ofShell(kept.choices) },
    ...(policy === undefined ? {} : { policy }),
    ...(followed.policies === undefined ? {} : { policies: followed.policies }),
    ...(followed.sets === undefined ? {} : { sets: followed.sets }),
    ...(followed.recipe === undefined ? {} : { recipe: followed.recipe }),
  };
}

/** Whether a section chooses as the other one does, whatever its dates. */
export function followsPlan(followed: Decisions, own: Decisions, proposed: PlanPolicy): boolean {
  const { choices, policy, policies, sets } = followPlan(followed, own, proposed);
  return (
    sorted(choices) === sorted(own.choices) &&
    sorted(policy ?? {}) === sorted(own.policy ?? {}) &&
    sorted(policies ?? {}) === sorted(own.policies ?? {}) &&
    sorted(sets ?? {}) === sorted(own.sets ?? {})
  );
}

/** A value as text, whatever the order of its names. */
const sorted = (value: unknown): string =>
  JSON.stringify(value, (_, each: unknown) =>
    each !== null && typeof each === 'object' && !Array.isArray(each)
      ? Object.fromEntries(Object.entries(each).sort(([a], [b]) => (a < b ? -1 : 1)))
      : each,
  );

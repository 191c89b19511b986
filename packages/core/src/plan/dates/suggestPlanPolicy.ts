import { choose } from '../../choose/choose.js';
import type { Finding } from '../../choose/findings/finding.js';
import type { Snapshot } from '../../course/snapshot.js';
import { succeed, type Result } from '../../problem.js';
import { isDoubtful } from '../../names/flags.js';
import {
  mapWords,
  policyOptions,
  policyWords,
  proposePolicy,
  suggestPolicy,
  type PolicyOption,
  type PolicySuggestion,
} from '../../retime/suggestPolicy.js';
import type { PlanPolicy } from '../../schemas/planPolicy.js';
import { retimeJobOf } from './dates.js';
import {
  differing,
  jobFor,
  retimeForSections,
  sectionsIn,
  type DateInSection,
  type PlanRetimeJob,
  type RetimedFor,
} from './sharedShell.js';

/**
 * Proposes the policy of a plan. It looks at what comes by default, so that the proposal does not change while a person
 * chooses, nor after a run.
 */
export function suggestPlanPolicy(
  source: Snapshot,
  shell: Snapshot,
  findings: readonly Finding[],
): Result<PolicySuggestion<PlanPolicy>> {
  const byDefault = choose({ source, findings, choices: {}, isMet: () => false });
  const comes = (at: number): boolean => byDefault.list[at]!.bring || byDefault.list[at]!.place;
  return suggestForSections(retimeJobOf(source, shell, comes, { policy: {}, byHand: {}, now: undefined }));
}

/** The proposed policy by itself, which follows from the terms alone. */
export function proposePlanPolicy(source: Snapshot, shell: Snapshot): Result<PlanPolicy> {
  const proposal = proposalFor(retimeJobOf(source, shell, () => false, { policy: {}, byHand: {}, now: undefined }));
  return proposal.ok ? succeed(proposal.value.policy) : proposal;
}

interface Proposal {
  readonly policy: PlanPolicy;
  /** The same where every weekday stays, when it has a map. */
  readonly withoutMaps: PlanPolicy | undefined;
  readonly reason: string;
}

/** @returns the problems of the calendars, when they are not sound */
function proposalFor(job: PlanRetimeJob): Result<Proposal> {
  const sound = retimeForSections({ ...job, moments: [], policy: {} }, []);
  if (!sound.ok) return sound;
  const names = sectionsIn(job.destination.meetings ?? []);
  const proposals = (names.length === 0 ? [undefined] : names).map((section) => {
    const { source, destination } = section === undefined ? job : jobFor({ ...job, policy: {} }, section, []);
    return proposePolicy(source, destination);
  });
  const { policy: first, reason } = proposals[0]!;
  const maps = proposals.map(({ policy }) => policy.weekdays);
  const isMapped = maps.some((map) => Object.keys(map).length > 0);
  if (names.length === 0)
    return succeed({ policy: first, withoutMaps: isMapped ? { ...first, weekdays: {} } : undefined, reason });
  const sections = Object.fromEntries(names.map((name, at) => [name, maps[at]!]));
  const none = Object.fromEntries(names.map((name) => [name, {}]));
  const withoutMaps: PlanPolicy = { rule: first.rule, weekdays: {}, sections: none };
  return succeed({
    policy: { ...first, sections },
    withoutMaps: isMapped ? withoutMaps : undefined,
    reason,
  });
}

/**
 * Proposes the policy of a shell that several sections share: for each the class-day map of its own class days, all by the
 * rule that suits the first; beside it the same without maps, and the other rules with them.
 *
 * @param job  a job whose `policy` is not looked at
 * @see docs/rules.md, "Sections that share a shell"
 */
function suggestForSections(job: PlanRetimeJob): Result<PolicySuggestion<PlanPolicy>> {
  if (sectionsIn(job.destination.meetings ?? []).length === 0) return suggestPolicy(job);
  const proposal = proposalFor(job);
  if (!proposal.ok) return proposal;
  const { policy: suits, withoutMaps, reason } = proposal.value;
  const options = policyOptions<PlanPolicy>(suits, withoutMaps);
  let proposed: readonly RetimedFor[] | undefined;
  const tried: PolicyOption<PlanPolicy>[] = [];
  for (const policy of options) {
    const retimed = retimeForSections({ ...job, policy }, []);
    if (!retimed.ok) return retimed;
    proposed ??= retimed.value;
    tried.push({
      policy,
      words: policyWords(policy, planMapWords(policy)),
      doubts: retimed.value.filter(({ flags }) => isDoubtful(flags)).length,
      differs: differing(proposed.map(inSection), retimed.value.map(inSection)),
    });
  }
  const [best, ...others] = tried;
  return succeed({ proposed: best!, reason, others });
}

const inSection = ({ at, section, to }: RetimedFor): DateInSection => ({ moment: at, section, to });

/** The class-day map of a policy in words; in a shared shell that of each section. Empty where weekdays stay. */
export function planMapWords({ weekdays = {}, sections = {} }: PlanPolicy): string {
  const bySection = Object.entries(sections).sort(([a], [b]) => (a < b ? -1 : 1));
  if (bySection.every(([, map]) => Object.keys(map).length === 0) && bySection.length > 0) return '';
  if (bySection.length === 0) return mapWords(weekdays);
  return bySection.map(([section, map]) => `${section}: ${mapWords(map) || 'same weekday'}`).join('; ');
}

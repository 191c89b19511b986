import { choose } from '../choose/choose.js';
import type { Finding } from '../choose/finding.js';
import type { Snapshot } from '../course/snapshot.js';
import { succeed, type Result } from '../problem.js';
import { isDoubtful } from '../retime/flags.js';
import {
  mapWords,
  policyOptions,
  policyWords,
  proposePolicy,
  suggestPolicy,
  type PolicyOption,
  type PolicySuggestion,
} from '../retime/suggestPolicy.js';
import type { PlanPolicy } from '../schemas/planPolicy.js';
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

/**
 * Proposes the policy of a shell that several sections share: for each the class-day map of its own class days, all by the
 * rule that suits the first; beside it the same without maps, and the other rules with them.
 *
 * @param job  a job whose `policy` is not looked at
 * @see docs/rules.md, "Sections that share a shell"
 */
function suggestForSections(job: PlanRetimeJob): Result<PolicySuggestion<PlanPolicy>> {
  const names = sectionsIn(job.destination.meetings ?? []);
  if (names.length === 0) return suggestPolicy(job);
  const sound = retimeForSections({ ...job, policy: {} }, []);
  if (!sound.ok) return sound;
  const proposals = names.map((section) => {
    const { source, destination } = jobFor({ ...job, policy: {} }, section, []);
    return proposePolicy(source, destination);
  });
  const { policy: first, reason } = proposals[0]!;
  const sections = Object.fromEntries(names.map((name, at) => [name, proposals[at]!.policy.weekdays]));
  const none = Object.fromEntries(names.map((name) => [name, {}]));
  const isMapped = Object.values(sections).some((map) => Object.keys(map).length > 0);
  const withoutMaps: PlanPolicy = { rule: first.rule, weekdays: {}, sections: none };
  const options = policyOptions<PlanPolicy>({ ...first, sections }, isMapped ? withoutMaps : undefined);
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

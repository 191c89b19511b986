import { choose } from '../choose/choose.js';
import type { Finding } from '../choose/finding.js';
import type { Snapshot } from '../course/snapshot.js';
import { succeed, type Result } from '../problem.js';
import { isDoubtful } from '../retime/flags.js';
import {
  mapWords,
  policyWords,
  suggestionReason,
  suggestPolicy,
  type PolicyOption,
  type PolicySuggestion,
} from '../retime/suggestPolicy.js';
import type { RuleName, WeekdayMap } from '../schemas/retimeJob.js';
import type { PlanPolicy } from '../schemas/planPolicy.js';
import { retimeJobOf } from './dates.js';
import {
  concerning,
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
 * Proposes the policy of a shell that several sections share: for each the class-day map that leaves its dates the fewest
 * doubts, all by the rule that suits the first; beside it the same weekday for all.
 *
 * @param job  a job whose `policy` is not looked at
 * @see docs/rules.md, "Sections that share a shell"
 */
function suggestForSections(job: PlanRetimeJob): Result<PolicySuggestion<PlanPolicy>> {
  const names = sectionsIn(job.destination.meetings ?? []);
  if (names.length === 0) return suggestPolicy(job);
  const suggested: PolicySuggestion[] = [];
  for (const section of names) {
    const each = suggestPolicy(jobFor({ ...job, policy: {} }, section, concerning(job, section)));
    if (!each.ok) return each;
    suggested.push(each.value);
  }
  const { rule = 'week' } = suggested[0]!.proposed.policy;
  const maps = suggested.map((each) => bestMap(each, rule));
  const inAll = (mapOf: (at: number) => WeekdayMap): PlanPolicy => ({
    rule,
    weekdays: mapOf(0),
    sections: Object.fromEntries(names.map((name, at) => [name, mapOf(at)])),
  });
  const tried = [inAll((at) => maps[at]!), inAll(() => ({}))];
  const options: PolicyOption<PlanPolicy>[] = [];
  let proposed: readonly RetimedFor[] | undefined;
  for (const policy of tried) {
    const retimed = retimeForSections({ ...job, policy }, []);
    if (!retimed.ok) return retimed;
    proposed ??= retimed.value;
    options.push({
      policy,
      words: policyWords(policy, planMapWords(policy)),
      doubts: retimed.value.filter(({ flags }) => isDoubtful(flags)).length,
      differs: differing(proposed.map(inSection), retimed.value.map(inSection)),
    });
  }
  const [best, plain] = options as [PolicyOption<PlanPolicy>, PolicyOption<PlanPolicy>];
  const isPlain = maps.every((map) => Object.keys(map).length === 0);
  return succeed({
    proposed: best,
    reason: suggestionReason(best.doubts, isPlain ? undefined : plain.doubts),
    others: isPlain ? [] : [plain],
  });
}

const inSection = ({ at, section, to }: RetimedFor): DateInSection => ({ moment: at, section, to });

/** The map that leaves the fewest doubts under a rule, the first of equals. */
function bestMap({ proposed, others }: PolicySuggestion, rule: RuleName): WeekdayMap {
  const byRule = [proposed, ...others].filter(({ policy }) => policy.rule === rule);
  const best = byRule.reduce<PolicyOption | undefined>(
    (least, each) => (least === undefined || each.doubts < least.doubts ? each : least),
    undefined,
  );
  return best?.policy.weekdays ?? {};
}

/** The class-day map of a policy in words; in a shared shell that of each section. Empty where weekdays stay. */
export function planMapWords({ weekdays = {}, sections = {} }: PlanPolicy): string {
  const bySection = Object.entries(sections).sort(([a], [b]) => (a < b ? -1 : 1));
  if (bySection.every(([, map]) => Object.keys(map).length === 0) && bySection.length > 0) return '';
  if (bySection.length === 0) return mapWords(weekdays);
  return bySection.map(([section, map]) => `${section}: ${mapWords(map) || 'same weekday'}`).join('; ');
}

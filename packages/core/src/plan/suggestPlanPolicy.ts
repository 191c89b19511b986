import { choose } from '../choose/choose.js';
import type { Finding } from '../choose/finding.js';
import type { Snapshot } from '../course/snapshot.js';
import type { Result } from '../problem.js';
import { suggestPolicy, type PolicySuggestion } from '../retime/suggestPolicy.js';
import { retimeJobOf } from './dates.js';
import { meetingsFor, sectionsIn } from './sharedShell.js';

/**
 * Proposes the policy of a plan. It looks at what comes by default, so that the proposal does not change while a person
 * chooses, nor after a run.
 */
export function suggestPlanPolicy(
  source: Snapshot,
  shell: Snapshot,
  findings: readonly Finding[],
): Result<PolicySuggestion> {
  const byDefault = choose({ source, findings, choices: {}, isMet: () => false });
  const comes = (at: number): boolean => byDefault.list[at]!.bring || byDefault.list[at]!.place;
  // Sections that share a shell have a map each; the one that is proposed is that of the first.
  const [first] = sectionsIn(shell.meetings);
  const meetings = first === undefined ? shell.meetings : meetingsFor(shell.meetings, first);
  return suggestPolicy(retimeJobOf(source, { ...shell, meetings }, comes, { policy: {}, byHand: {}, now: undefined }));
}

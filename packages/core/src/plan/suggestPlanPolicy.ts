import { choose } from '../choose/choose.js';
import type { Finding } from '../choose/finding.js';
import type { Snapshot } from '../course/snapshot.js';
import type { Result } from '../problem.js';
import { suggestPolicy, type PolicySuggestion } from '../retime/suggestPolicy.js';
import { retimeJobOf } from './dates.js';

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
  return suggestPolicy(retimeJobOf(source, shell, comes, { policy: {}, byHand: {}, now: undefined }));
}

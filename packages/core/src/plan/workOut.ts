import { choose } from '../choose/choose.js';
import { succeed, type Result } from '../problem.js';
import { suggestPolicy, type PolicySuggestion } from '../retime/suggestPolicy.js';
import type { Policy } from '../schemas/retimeJob.js';
import { previewPlan, retimeJobOf, type PlanInput, type Preview } from './preview.js';

export interface WorkedOut {
  readonly suggestion: PolicySuggestion;
  /** The policy in force: the person's, else the proposed one. */
  readonly policy: Policy;
  readonly preview: Preview;
}

/**
 * Works a plan out from the decisions alone. The proposed policy looks at what comes by default, so that it does not
 * change while a person chooses, nor after a run.
 */
export function workOut(input: Omit<PlanInput, 'policy'>): Result<WorkedOut> {
  const { source, shell, findings, decisions } = input;
  const byDefault = choose({ source, findings, choices: {}, isMet: () => false });
  const job = retimeJobOf(source, shell, (id) => byDefault.get(id)!.bring || byDefault.get(id)!.place, {
    policy: {},
    byHand: {},
    now: undefined,
  });
  const suggestion = suggestPolicy(job);
  if (!suggestion.ok) return suggestion;
  const policy = decisions.policy ?? suggestion.value.proposed.policy;
  const preview = previewPlan({ ...input, policy });
  return preview.ok ? succeed({ suggestion: suggestion.value, policy, preview: preview.value }) : preview;
}

import type { ChoiceDecisions, Decision, Why } from './decision.js';

const LEADS_ON: readonly Why['reason'][] = ['neededBy', 'parentOf'];

/**
 * Why a thing comes, up to what was chosen: a picture by the page that shows it, the page by its unit.
 *
 * @returns the reason, then the reason of what that names, and so on; never in a circle
 * @see docs/rules.md, "Choosing"
 */
export function chainOf(decisions: ChoiceDecisions, { why: first }: Decision): readonly Why[] {
  if (first.length === 0 || !LEADS_ON.includes(first[0]!.reason)) return first;
  const chain = [...first];
  const seen = new Set<string>();
  for (let at = first[0]!.item; at !== undefined && !seen.has(at);) {
    seen.add(at);
    const [why] = decisions.get(at)?.why ?? [];
    if (why === undefined) break;
    chain.push(why);
    at = LEADS_ON.includes(why.reason) ? why.item : undefined;
  }
  return chain;
}

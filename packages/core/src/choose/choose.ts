import { isWork } from '../names/kinds.js';
import type { Snapshot } from '../course/snapshot.js';
import type { Choices } from '../schemas/choices.js';
import { indexChoices, type ChoiceIndex } from './choiceIndex.js';
import type { ChoiceDecisions, Decision } from './decision.js';
import type { Finding } from './findings/finding.js';
import { closeNeeds } from './needs.js';
import { ownDecisions } from './ownDecision.js';
import { settleRules } from './rules.js';
import { leaveWhatGoesWithWork } from './whatGoesWithWork.js';

export interface ChooseInput {
  readonly source: Snapshot;
  readonly findings: readonly Finding[];
  readonly choices: Choices;
  /** Whether the shell has something that answers to this item. */
  readonly isMet: (id: string) => boolean;
}

/**
 * Decides for every item of a course whether it comes: by what a person chose, the narrowest winning, else by its mark
 * or its findings; then pulls in what the chosen must have, and lets rules come when all their ends do.
 *
 * @see docs/rules.md, "Choosing"
 */
export const choose = ({ source, findings, choices, isMet }: ChooseInput): ChoiceDecisions =>
  chooseOn(indexChoices(source, findings), choices, (at) => isMet(source.items[at]!.id));

/**
 * The same on a course that is indexed already: what a toggle costs.
 *
 * @param isMet  by the place of an item in the snapshot
 */
export function chooseOn(index: ChoiceIndex, choices: Choices, isMet: (at: number) => boolean): ChoiceDecisions {
  const { source, placeOf } = index;
  const own = ownDecisions(index, choices, isMet);
  const list: Decision[] = [];
  for (let at = 0; at < source.items.length; at++) {
    const decision = own(at);
    list.push(keepsPlace(at, decision, index, choices) ? withPlace(decision) : decision);
  }
  leaveWhatGoesWithWork(index, list);
  // Rules wait for their ends, and pull nothing in before that.
  const rules = index.rules.map(({ at }) => [at, list[at]!] as const);
  for (const [at, decision] of rules) list[at] = { ...decision, bring: false };
  closeNeeds(index, list, isMet);
  for (const [at, decision] of rules) list[at] = decision;
  closeNeeds(index, list, isMet, settleRules(index, list, isMet));
  return {
    list,
    get: (id) => {
      const at = placeOf.get(id);
      return at === undefined ? undefined : list[at];
    },
  };
}

/** Outside work that only the finding leaves keeps its place; what a person leaves does not. */
function keepsPlace(at: number, { by, why }: Decision, { source, findings }: ChoiceIndex, choices: Choices): boolean {
  if (by !== 'leave') return false;
  const { id, kind } = source.items[at]!;
  return (
    isWork(kind) &&
    choices.places?.[id] !== false &&
    why[0]?.reason === 'finding' &&
    findings[at]!.some(({ finding }) => finding === 'heldOutside')
  );
}

const withPlace = (decision: Decision): Decision => ({
  ...decision,
  place: true,
  why: [...decision.why, { reason: 'keepsPlace' }],
});

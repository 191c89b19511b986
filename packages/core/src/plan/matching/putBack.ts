import type { ChoiceIndex } from '../../choose/choiceIndex.js';
import type { ChoiceDecisions } from '../../choose/decision.js';
import type { Choices } from '../../schemas/choices.js';
import { isTakenOutByHand, type Match } from '../shapes/matches.js';

const NONE: ReadonlySet<number> = new Set();

/**
 * What came before, was taken out of the shell by hand, and comes again because a person asked for it; with it the headings
 * around it and what it must have, where they were taken out as well.
 *
 * @param matchAt  what each item of the source is matched with, by its place
 * @returns        places of the source's items
 * @see docs/rules.md, "Verbs"
 */
export function putBackAt(
  { placeOf, parent, musts }: ChoiceIndex,
  matchAt: readonly Match[],
  { list }: ChoiceDecisions,
  { putBack }: Choices,
): ReadonlySet<number> {
  if (putBack === undefined) return NONE;
  const isOutAt = (at: number): boolean => at >= 0 && isTakenOutByHand(matchAt[at]!);
  const asked = Object.entries(putBack).flatMap(([id, isAsked]) => (isAsked ? [placeOf.get(id) ?? -1] : []));
  const back = new Set(asked.filter((at) => isOutAt(at) && list[at]!.bring));
  for (const at of back) for (const need of [parent[at]!, ...musts[at]!]) if (isOutAt(need)) back.add(need);
  return back;
}

import type { ChoiceIndex } from './choiceIndex.js';
import type { Decision } from './decision.js';

/** It is not in the new course: neither brought, nor its place kept, nor there already. */
const isGone = ({ bring, place, why }: Decision): boolean => !bring && !place && why[0]?.reason !== 'standsThere';

/**
 * A line of the gradebook all whose work stays behind stays too, so that nothing empty counts in the new course; unless it
 * was chosen by itself or by its kind. What of its work is needed after all brings it again.
 *
 * @param decisions  by place, of everything what it is by itself; changed in place
 * @see docs/rules.md, "Choosing"
 */
export function leaveLinesOfLeftWork({ source, lines }: ChoiceIndex, decisions: Decision[]): void {
  for (const { at, work } of lines) {
    const line = decisions[at]!;
    if (!line.bring || line.why[0]?.reason !== 'all' || !work.every((each) => isGone(decisions[each]!))) continue;
    const why = [{ reason: 'workStays', item: source.items[work[0]!]!.id }] as const;
    decisions[at] = { bring: false, why, by: undefined, place: false, met: false };
  }
}

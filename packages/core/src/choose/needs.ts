import type { ChoiceIndex } from './choiceIndex.js';
import type { Decision, Why } from './decision.js';

/** Reasons by which a person left a thing on purpose; `all` is where choosing a few begins. */
const ON_PURPOSE: readonly Why['reason'][] = ['item', 'unit', 'kind', 'mark'];

const leftOnPurpose = ({ why, by }: Decision): Why | undefined => {
  const [first] = why;
  if (first === undefined) return undefined;
  return ON_PURPOSE.includes(first.reason) || (first.reason === 'finding' && by === undefined) ? first : undefined;
};

const isLeftDouble = ({ bring, by, why }: Decision): boolean =>
  !bring && by === 'leave' && why[0]?.finding === 'double';

/**
 * Brings what the brought must have, transitively, and the headings around it; what the shell has is not copied. Meets
 * circles and targets that are missing without harm, and comes to the same whatever the order of the items.
 *
 * @param decisions  by place; changed in place
 * @param from       places whose needs are looked at; of all that comes when absent
 */
export function closeNeeds(
  { source, parent, musts, gradedIn, along, standIn }: ChoiceIndex,
  decisions: Decision[],
  isMet: (at: number) => boolean,
  from?: readonly number[],
): void {
  const queue: number[] = [];
  if (from !== undefined) queue.push(...from);
  else
    for (let at = 0; at < decisions.length; at++) {
      const { bring, place } = decisions[at]!;
      if (bring || place) queue.push(at);
    }
  const need = (at: number, by: number, reason: 'neededBy' | 'parentOf'): void => {
    const decision = decisions[at]!;
    if (decision.met) return;
    if (decision.bring) {
      // A heading that came for a child only, and now is needed itself, comes whole.
      if (reason === 'neededBy' && decision.why[0]?.reason === 'parentOf')
        decisions[at] = { ...decision, why: [{ reason, item: source.items[by]!.id }] };
      return;
    }
    const other = isLeftDouble(decision) ? standIn[at]! : -1;
    if (other >= 0 && other !== at) {
      if (decision.standIn !== undefined) return;
      decisions[at] = { ...decision, standIn: source.items[other]!.id };
      need(other, by, reason);
      return;
    }
    if (isMet(at)) {
      decisions[at] = { ...decision, met: true };
      return;
    }
    const leftBy = reason === 'neededBy' ? leftOnPurpose(decision) : undefined;
    const why = [{ reason, item: source.items[by]!.id }];
    decisions[at] = {
      ...decision,
      bring: true,
      place: false,
      why,
      ...(leftBy === undefined ? {} : { leftBy }),
    };
    queue.push(at);
  };
  /** Where a few things were chosen, their rubrics and outcomes cost nothing: they come, unless somebody left them. */
  const goAlong = (at: number, by: number): void => {
    const decision = decisions[at]!;
    if (decision.bring || decision.met || decision.why[0]?.reason !== 'all') return;
    if (isMet(at)) decisions[at] = { ...decision, met: true };
    else {
      decisions[at] = { ...decision, bring: true, why: [{ reason: 'goesWith', item: source.items[by]!.id }] };
      queue.push(at);
    }
  };
  for (let next = 0; next < queue.length; next++) {
    const at = queue[next]!;
    if (parent[at]! >= 0) need(parent[at]!, at, 'parentOf');
    // A place that is kept needs its line in the gradebook, and nothing else.
    const needed = decisions[at]!.bring ? musts[at]! : gradedIn[at]!;
    for (let link = 0; link < needed.length; link++) need(needed[link]!, at, 'neededBy');
    if (decisions[at]!.bring) for (const each of along[at]!) goAlong(each, at);
  }
}

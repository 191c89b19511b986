import type { ChoiceIndex } from './choiceIndex.js';
import type { Decision } from './decision.js';

const NOT_YET = { bring: false, by: undefined, place: false, met: false } as const;

/** A heading that comes only for a child is no item that a rule could guard or read. */
export const isComing = ({ bring, why }: Decision): boolean => bring && why[0]?.reason !== 'parentOf';

/**
 * A rule is not chosen: it comes when all its ends do, unless it is a double or a person left it by itself. A rule can
 * be the end of another, so this goes on until none changes any more. One that names no ends goes by itself.
 *
 * @param decisions  by place, of the rules what they are by themselves; changed in place
 * @returns          the places of the rules that come
 * @see docs/rules.md, "Rules"
 */
export function settleRules(
  { rules, placeOf }: ChoiceIndex,
  decisions: Decision[],
  isMet: (at: number) => boolean,
): number[] {
  const isRule = new Set(rules.map(({ at }) => at));
  const waiting = rules.filter(({ at, ends }) => ends.length > 0 && !isLeftByItself(decisions[at]!));
  for (const { at } of waiting) decisions[at] = { ...NOT_YET, why: [{ reason: 'endMissing' }] };
  const comes = (at: number): boolean => {
    if (at < 0) return false;
    const { standIn } = decisions[at]!;
    return isComing(decisions[standIn === undefined ? at : placeOf.get(standIn)!]!);
  };
  const isThere = (at: number): boolean => at >= 0 && (comes(at) || (isMet(at) && !isRule.has(at)));
  for (let changed = true; changed;) {
    changed = false;
    for (const { at, ends } of waiting) {
      // What the shell has counts, but a rule whose ends all stand there already is not brought for nothing.
      if (decisions[at]!.bring || !ends.every(isThere) || !ends.some(comes)) continue;
      decisions[at] = { ...NOT_YET, bring: true, why: [{ reason: 'ends' }] };
      changed = true;
    }
  }
  for (const { at, ends, ids } of waiting) {
    if (decisions[at]!.bring) continue;
    const missing = ends.findIndex((end) => !isThere(end));
    decisions[at] = { ...NOT_YET, why: [{ reason: 'endMissing', item: ids[Math.max(missing, 0)]! }] };
  }
  return rules.flatMap(({ at }) => (decisions[at]!.bring ? [at] : []));
}

const isLeftByItself = ({ bring, why: [first] }: Decision): boolean =>
  !bring && (first?.reason === 'item' || first?.reason === 'mark' || first?.finding === 'double');

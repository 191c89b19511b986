import type { SnapshotItem } from '../course/snapshot.js';
import { groupBy } from '../groupBy.js';
import type { Choices } from '../schemas/choices.js';
import type { ChoiceIndex } from './choiceIndex.js';
import type { ChoiceDecisions, Why } from './decision.js';
import { landingStates } from './landingStates.js';
import { isComing } from './rules.js';

/** A choice that would break something, with what it takes to answer it. */
export type BrokenNeed =
  | {
      /** Left by a person and needed by what comes: it comes all the same until somebody answers. */
      readonly is: 'neededButLeft';
      readonly item: string;
      /** What left it. */
      readonly leftBy: Why;
      /** Everything that would have to stay too, the direct ones first. */
      readonly neededBy: readonly string[];
      /** Things of the shell that could serve in its place. */
      readonly equivalents: readonly string[];
    }
  | {
      /** What a rule guards comes and what it reads does not: it would open without its condition. */
      readonly is: 'ruleStays';
      readonly rule: string;
      readonly guards: string;
      readonly reads: string;
    };

export type NeededButLeft = Extract<BrokenNeed, { is: 'neededButLeft' }>;

/**
 * What was left and is needed, together where one choice left it: a kind, a unit, a finding.
 *
 * @param kindOf  by the id of an item
 */
export const neededByCause = (
  broken: readonly BrokenNeed[],
  kindOf: (item: string) => string | undefined,
): ReadonlyMap<string, readonly NeededButLeft[]> =>
  groupBy(
    broken.filter((each) => each.is === 'neededButLeft'),
    ({ item, leftBy: { reason, item: unit, finding } }) =>
      reason === 'item' || reason === 'mark' ? item : `${reason} ${unit ?? finding ?? kindOf(item)}`,
  );

const MOST_EQUIVALENTS = 20;

/**
 * What a plan's choices would break, worst first: rules whose guarded end comes alone, then what was left and is needed.
 *
 * @param isMet  whether the shell has something that answers to the item at a place
 * @see docs/rules.md, "Choosing"
 */
export function brokenNeeds(
  index: ChoiceIndex,
  decisions: ChoiceDecisions,
  choices: Choices,
  shell: readonly SnapshotItem[],
  isMet: (at: number) => boolean,
): BrokenNeed[] {
  return [...rulesThatStay(index, decisions, choices, isMet), ...neededButLeft(index, decisions, shell)];
}

function rulesThatStay(
  { source, rules, placeOf }: ChoiceIndex,
  { list }: ChoiceDecisions,
  choices: Choices,
  isMet: (at: number) => boolean,
): BrokenNeed[] {
  const { letOpen } = choices;
  const stateOf = landingStates(source, choices);
  const placeAt = (id: string): number => placeOf.get(id) ?? -1;
  const comes = (at: number): boolean => at >= 0 && isComing(list[at]!);
  const isThere = (at: number): boolean => comes(at) || (at >= 0 && isMet(at));
  return rules.flatMap(({ at }): BrokenNeed[] => {
    const { id, links = [] } = source.items[at]!;
    if (list[at]!.why[0]?.reason !== 'endMissing' || letOpen?.[id] === true) return [];
    const ends = (type: string): string[] => links.filter((link) => link.type === type).map(({ to }) => to);
    const guards = ends('guards').find((end) => comes(placeAt(end)));
    const reads = ends('reads').find((end) => !isThere(placeAt(end)));
    if (guards === undefined || reads === undefined) return [];
    // However it lands hidden, nobody gets in before somebody opens it.
    if (stateOf(source.items[placeAt(guards)]!) === 'hidden') return [];
    return [{ is: 'ruleStays', rule: id, guards, reads }];
  });
}

function neededButLeft(
  { source, musts }: ChoiceIndex,
  { list }: ChoiceDecisions,
  shell: readonly SnapshotItem[],
): BrokenNeed[] {
  const left = list.flatMap(({ leftBy }, at) => (leftBy === undefined ? [] : [at]));
  if (left.length === 0) return [];
  const needing = new Map<number, number[]>();
  musts.forEach((targets, at) => {
    if (!list[at]!.bring) return;
    for (const target of targets) needing.set(target, [...(needing.get(target) ?? []), at]);
  });
  return left.map((at): BrokenNeed => {
    const queue = [at];
    for (const each of queue)
      for (const needer of needing.get(each) ?? []) if (!queue.includes(needer)) queue.push(needer);
    const { id, kind } = source.items[at]!;
    const equivalents = shell.filter((item) => item.kind === kind).slice(0, MOST_EQUIVALENTS);
    return {
      is: 'neededButLeft',
      item: id,
      leftBy: list[at]!.leftBy!,
      neededBy: queue.slice(1).map((each) => source.items[each]!.id),
      equivalents: equivalents.map((item) => item.id),
    };
  });
}

import type { Kind } from '../names/kinds.js';
import type { BringOrLeave, Choices, Turn } from '../schemas/choices.js';
import type { ChoiceIndex } from './choiceIndex.js';
import type { Decision, Why } from './decision.js';
import type { Finding, FindingDefault } from './findings/finding.js';
import type { FindingName } from '../names/findings.js';

const SEVEREST_FIRST = ['leave', 'ask', 'join', 'reword', 'bring'] as const satisfies readonly (
  FindingDefault | Turn
)[];

const decided = (bring: boolean, why: Why, by?: FindingDefault): Decision => ({
  bring,
  why: [why],
  by,
  place: false,
  met: false,
});

/** Most things of a course are decided alike; those decisions are made once and shared. */
const SHARED = {
  item: {
    bring: decided(true, { reason: 'item' }),
    leave: decided(false, { reason: 'item' }),
    reword: { ...decided(true, { reason: 'item' }), reword: true },
  },
  kind: { bring: decided(true, { reason: 'kind' }), leave: decided(false, { reason: 'kind' }) },
  all: { bring: decided(true, { reason: 'all' }), leave: decided(false, { reason: 'all' }) },
  mark: { bring: decided(true, { reason: 'mark' }), leave: decided(false, { reason: 'mark' }) },
} as const;
const STANDS_THERE = decided(false, { reason: 'standsThere' });

/**
 * What becomes of each item by itself, before anything needs it: the choice of the item; its mark; its findings, when a
 * person turned one; the nearest unit; the kind; all. To bring by unit, kind or all turns no finding.
 *
 * @param isMet  whether the shell has something that answers to the item at a place
 * @returns      the decision of the item at a place
 * @see docs/rules.md, "Choosing"
 */
export function ownDecisions(
  index: ChoiceIndex,
  choices: Choices,
  isMet: (at: number) => boolean,
): (at: number) => Decision {
  const { source, marks, findings: found } = index;
  const byUnit = unitDecisions(index, choices);
  const byFinding = findingDecisions(choices);
  const byItem = byPlace(index, choices.items);
  const { findings: turned, onlyLacking } = choices;
  return (at) => {
    const own = byItem.get(at);
    if (own !== undefined) return SHARED.item[own];
    const mark = marks[at];
    if (mark === 'never') return SHARED.mark.leave;
    // Another mark beats every finding: the thing comes unless a unit, its kind or all is left.
    const findings = mark === undefined ? found[at] : undefined;
    if (findings !== undefined && turned !== undefined && findings.some((each) => turned[each.finding] !== undefined))
      return byFinding(source.items[at]!.kind, findings);
    const broad = byUnit(at) ?? byKindOrAll(source.items[at]!.kind, choices);
    if (broad !== undefined && !broad.bring) return broad;
    if (onlyLacking === true && isMet(at)) return STANDS_THERE;
    if (findings !== undefined) return byFinding(source.items[at]!.kind, findings);
    return broad ?? (mark === undefined ? SHARED.all.bring : SHARED.mark.bring);
  };
}

/** Choices by the places of what they name; looking a place up is what a toggle does most. */
function byPlace<Choice extends Turn>(
  { placeOf }: ChoiceIndex,
  choices: Readonly<Record<string, Choice>> | undefined,
): ReadonlyMap<number, Choice> {
  const places = new Map<number, Choice>();
  for (const [id, choice] of Object.entries(choices ?? {})) {
    const at = placeOf.get(id);
    if (at !== undefined) places.set(at, choice);
  }
  return places;
}

/** The nearest unit that was chosen, the item itself being the nearest when it is one. */
function unitDecisions(index: ChoiceIndex, { units }: Choices): (at: number) => Decision | undefined {
  const { source, parent } = index;
  const decisions = new Map<number, Decision>();
  for (const [at, choice] of byPlace(index, units))
    decisions.set(at, decided(choice === 'bring', { reason: 'unit', item: source.items[at]!.id }));
  if (decisions.size === 0) return () => undefined;
  return (at) => {
    // No chain of units is longer than the course has items; a circle ends there.
    for (let unit = at, steps = 0; unit >= 0 && steps <= parent.length; unit = parent[unit]!, steps++) {
      const decision = decisions.get(unit);
      if (decision !== undefined) return decision;
    }
    return undefined;
  };
}

function byKindOrAll(kind: Kind, { kinds, all }: Choices): Decision | undefined {
  const byKind: BringOrLeave | undefined = kinds?.[kind];
  if (byKind !== undefined) return SHARED.kind[byKind];
  return all === undefined ? undefined : SHARED.all[all];
}

/** Of several findings the first of leave, ask, join, reword, bring decides; turning one leaves the others as they are. */
function findingDecisions({ findings: turned }: Choices): (kind: Kind, findings: readonly Finding[]) => Decision {
  const made = new Map<string, Decision>();
  const decisionOf = (finding: FindingName, what: FindingDefault | Turn, bring: boolean): Decision => {
    const by = turned?.[finding] === undefined ? (what as FindingDefault) : undefined;
    const key = `${finding} ${what} ${bring}`;
    let decision = made.get(key);
    if (decision === undefined) {
      decision = decided(bring, { reason: 'finding', finding }, by);
      if (what === 'reword') decision = { ...decision, reword: true };
      made.set(key, decision);
    }
    return decision;
  };
  const outcome = (each: Finding): FindingDefault | Turn => turned?.[each.finding] ?? each.default;
  return (kind, findings) => {
    for (const what of SEVEREST_FIRST) {
      const decisive = findings.find((each) => outcome(each) === what);
      if (decisive === undefined) continue;
      const leaves = what === 'leave' || (what === 'ask' && (kind === 'announcement' || kind === 'event'));
      return decisionOf(decisive.finding, what, !leaves);
    }
    return SHARED.all.bring;
  };
}

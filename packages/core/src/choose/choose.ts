import { isWork } from '../course/kinds.js';
import { isMust } from '../course/links.js';
import type { Snapshot, SnapshotItem } from '../course/snapshot.js';
import type { BringOrLeave, Choices } from '../schemas/choices.js';
import type { Finding, FindingDefault, FindingName } from './finding.js';

/** Why an item comes or stays. `item` is what needs it, what it is the parent of, or the end that a rule lacks. */
export interface Why {
  readonly reason:
    | 'item'
    | 'unit'
    | 'kind'
    | 'all'
    | 'mark'
    | 'finding'
    | 'neededBy'
    | 'parentOf'
    | 'ends'
    | 'endMissing'
    | 'keepsPlace';
  readonly item?: string;
  readonly finding?: FindingName;
}

export interface Decision {
  readonly bring: boolean;
  readonly why: readonly Why[];
  /** By a finding that nobody has turned: what it makes of the item. */
  readonly by: FindingDefault | undefined;
  /** Left outside work that keeps its title, points and dates as a draft. */
  readonly place: boolean;
  /** Only the heading or the target was needed; the shell has it already, so nothing is copied. */
  readonly met: boolean;
}

export interface ChooseInput {
  readonly source: Snapshot;
  readonly findings: readonly Finding[];
  readonly choices: Choices;
  /** Whether the shell has something that answers to this item. */
  readonly isMet: (id: string) => boolean;
}

const SEVEREST_FIRST: readonly FindingDefault[] = ['leave', 'ask', 'join', 'bring'];

const NOTHING_FOUND: readonly Finding[] = [];

interface Own {
  readonly bring: boolean;
  readonly why: Why;
  readonly by: FindingDefault | undefined;
}

/**
 * Decides for every item of a course whether it comes: by what a person chose, the narrowest winning, else by its mark,
 * else by its findings; then pulls in what the chosen must have, and lets rules come when all their ends do.
 *
 * @returns one decision an item, by its id
 * @see docs/rules.md, "Choosing"
 */
export function choose({ source, findings, choices, isMet }: ChooseInput): ReadonlyMap<string, Decision> {
  const items = new Map(source.items.map((item) => [item.id, item]));
  const byItem = new Map<string, Finding[]>();
  for (const finding of findings) {
    const known = byItem.get(finding.item);
    if (known === undefined) byItem.set(finding.item, [finding]);
    else known.push(finding);
  }
  const marks = new Map(source.marks.map((mark) => [mark.item, mark]));

  const decisions = new Map<string, Decision>();
  const own = (item: SnapshotItem): Decision => {
    const { bring, why, by } = ownDecision(
      item,
      items,
      byItem.get(item.id) ?? NOTHING_FOUND,
      marks.get(item.id)?.mark === 'never',
      choices,
    );
    return { bring, why: [why], by, place: false, met: false };
  };
  const rules: SnapshotItem[] = [];
  for (const item of source.items) {
    if (item.kind === 'rule') {
      rules.push(item);
      continue;
    }
    const decision = own(item);
    const place = keepsPlace(item, decision, byItem, choices);
    decisions.set(item.id, place ? { ...decision, place, why: [...decision.why, { reason: 'keepsPlace' }] } : decision);
  }
  closeNeeds(items, decisions, isMet);
  for (const rule of rules) {
    const decision = own(rule);
    decisions.set(rule.id, decision.bring ? ruleDecision(rule, decisions, isMet) : decision);
  }
  if (rules.length > 0) closeNeeds(items, decisions, isMet);
  return decisions;
}

function ownDecision(
  item: SnapshotItem,
  items: ReadonlyMap<string, SnapshotItem>,
  findings: readonly Finding[],
  isNever: boolean,
  choices: Choices,
): Own {
  const chosen = (choice: BringOrLeave, why: Why): Own => ({ bring: choice === 'bring', why, by: undefined });
  const byItem = choices.items?.[item.id];
  if (byItem !== undefined) return chosen(byItem, { reason: 'item' });
  if (isNever) return chosen('leave', { reason: 'mark' });
  const turned = findings.filter(({ finding }) => choices.findings?.[finding] !== undefined);
  if (turned.length > 0) {
    const left = turned.find(({ finding }) => choices.findings?.[finding] === 'leave') ?? turned[0]!;
    return chosen(choices.findings![left.finding]!, { reason: 'finding', finding: left.finding });
  }
  for (
    let unit = item.parent, steps = 0;
    unit !== undefined && steps < items.size;
    unit = items.get(unit)?.parent, steps++
  ) {
    const byUnit = choices.units?.[unit];
    if (byUnit !== undefined) return chosen(byUnit, { reason: 'unit', item: unit });
  }
  const ofUnit = choices.units?.[item.id];
  if (ofUnit !== undefined) return chosen(ofUnit, { reason: 'unit', item: item.id });
  const byKind = choices.kinds?.[item.kind];
  if (byKind !== undefined) return chosen(byKind, { reason: 'kind' });
  if (choices.all === 'leave') return chosen('leave', { reason: 'all' });
  for (const what of SEVEREST_FIRST) {
    const finding = findings.find((each) => each.default === what);
    if (finding === undefined) continue;
    const leaves = what === 'leave' || (what === 'ask' && (item.kind === 'announcement' || item.kind === 'event'));
    return { bring: !leaves, why: { reason: 'finding', finding: finding.finding }, by: what };
  }
  return chosen('bring', { reason: 'all' });
}

/** Outside work that only the finding leaves keeps its place; what a person leaves does not. */
function keepsPlace(
  item: SnapshotItem,
  decision: Decision,
  byItem: ReadonlyMap<string, readonly Finding[]>,
  choices: Choices,
): boolean {
  return (
    decision.by === 'leave' &&
    isWork(item.kind) &&
    choices.places?.[item.id] !== false &&
    (byItem.get(item.id) ?? NOTHING_FOUND).some(({ finding }) => finding === 'heldOutside')
  );
}

/** Brings what the brought must have, transitively, and the headings around it; what the shell has is not copied. */
function closeNeeds(
  items: ReadonlyMap<string, SnapshotItem>,
  decisions: Map<string, Decision>,
  isMet: (id: string) => boolean,
): void {
  const queue: string[] = [];
  for (const [id, { bring, place }] of decisions) if (bring || place) queue.push(id);
  const need = (id: string, why: Why): void => {
    const decision = decisions.get(id);
    if (decision === undefined || decision.bring || decision.met) return;
    decisions.set(id, isMet(id) ? { ...decision, met: true } : { ...decision, bring: true, place: false, why: [why] });
    queue.push(id);
  };
  for (let id = queue.pop(); id !== undefined; id = queue.pop()) {
    const item = items.get(id)!;
    const decision = decisions.get(id)!;
    if (item.parent !== undefined) need(item.parent, { reason: 'parentOf', item: id });
    for (const link of item.links ?? []) {
      if (link.course !== undefined || !isMust(link.type)) continue;
      if (decision.place && link.type !== 'gradedIn') continue;
      need(link.to, { reason: 'neededBy', item: id });
    }
  }
}

function ruleDecision(
  rule: SnapshotItem,
  decisions: ReadonlyMap<string, Decision>,
  isMet: (id: string) => boolean,
): Decision {
  const missing = (rule.links ?? [])
    .filter(({ type }) => type === 'reads' || type === 'guards')
    .find(({ to }) => {
      const end = decisions.get(to);
      return end === undefined || !(isComing(end) || isMet(to));
    });
  return missing === undefined
    ? { bring: true, why: [{ reason: 'ends' }], by: undefined, place: false, met: false }
    : { bring: false, why: [{ reason: 'endMissing', item: missing.to }], by: undefined, place: false, met: false };
}

/** A heading that comes only for a child is no item that a rule could guard or read. */
const isComing = ({ bring, why }: Decision): boolean => bring && why[0]?.reason !== 'parentOf';

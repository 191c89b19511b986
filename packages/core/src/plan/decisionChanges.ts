import type { Decisions } from '../schemas/choices.js';

/**
 * One decision, taken or taken back: where it stands among the decisions of a plan (`['byHand', 'q3-due']`), and what is
 * decided there; without `to` it is not decided any more.
 */
export interface DecisionChange {
  readonly at: readonly string[];
  readonly to?: unknown;
}

type Entries = Readonly<Record<string, unknown>>;

const isEntries = (value: unknown): value is Entries =>
  typeof value === 'object' && value !== null && !Array.isArray(value);

/**
 * What leads from some decisions to others, each entry by itself: two people who decide different things change
 * different entries, and a plan with long texts is not sent whole for one short answer.
 */
export function decisionChanges(before: Decisions, after: Decisions): readonly DecisionChange[] {
  return changesBetween(before, after, []);
}

function changesBetween(before: Entries, after: Entries, under: readonly string[]): DecisionChange[] {
  const changes: DecisionChange[] = [];
  for (const [name, was] of Object.entries(before))
    if (was !== undefined && !has(after, name)) changes.push({ at: [...under, name] });
  for (const [name, is] of Object.entries(after)) {
    if (is === undefined) continue;
    const at = [...under, name];
    const was = has(before, name) ? before[name] : undefined;
    // Also where nothing was decided before: two who decide the first of its kind don't meet.
    if (isEntries(is) && (isEntries(was) || Object.keys(is).length > 0))
      changes.push(...changesBetween(isEntries(was) ? was : {}, is, at));
    else if (JSON.stringify(was) !== JSON.stringify(is)) changes.push({ at, to: is });
  }
  return changes;
}

const has = (entries: Entries, name: string): boolean => Object.hasOwn(entries, name) && entries[name] !== undefined;

/**
 * Decisions with changes made to them, one after the other; `decisions` stay as they are. What comes out of changes that
 * somebody sent may be none, and is checked like any other.
 */
export function applyDecisionChanges(decisions: Decisions, changes: readonly DecisionChange[]): Decisions {
  const copies = new Set<unknown>();
  /** Copied once, however many of its entries change. */
  const own = (entries: Entries): Record<string, unknown> => {
    if (copies.has(entries)) return entries;
    const copy = { ...entries };
    copies.add(copy);
    return copy;
  };
  const changed = own(decisions);
  for (const { at, to } of changes) {
    let inside = changed;
    for (const name of at.slice(0, -1)) {
      const inner = Object.hasOwn(inside, name) ? inside[name] : undefined;
      const next = own(isEntries(inner) ? inner : {});
      if (next !== inner) setEntry(inside, name, next);
      inside = next;
    }
    const last = at[at.length - 1]!;
    if (to === undefined) Reflect.deleteProperty(inside, last);
    else setEntry(inside, last, to);
  }
  return changed as Decisions;
}

/** An entry of its own, whatever its name: assigned, this one name would be no entry. */
function setEntry(entries: Record<string, unknown>, name: string, value: unknown): void {
  if (name !== '__proto__') entries[name] = value;
  else Object.defineProperty(entries, name, { value, writable: true, enumerable: true, configurable: true });
}

/** Names for an entry and for everything that it stands in, the entry last. */
const namesOf = ({ at }: DecisionChange): string[] => at.map((_, depth) => JSON.stringify(at.slice(0, depth + 1)));

/** What of some changes still holds beside changes that somebody else made meanwhile, and what meets one of those. */
export interface DecidedBeside {
  readonly kept: readonly DecisionChange[];
  readonly met: readonly DecisionChange[];
}

/** Parts changes by whether somebody else decided the same meanwhile; where both decided alike nothing meets. */
export function decidedBeside(mine: readonly DecisionChange[], theirs: readonly DecisionChange[]): DecidedBeside {
  const same = new Set(theirs.map((change) => JSON.stringify(change)));
  const open = mine.filter((change) => !same.has(JSON.stringify(change)));
  const changed = new Set(theirs.map((change) => namesOf(change).at(-1)!));
  const holding = new Set(theirs.flatMap(namesOf));
  /** About the same entry as one of theirs, or one of the two about what the other stands in. */
  const isMet = (change: DecisionChange): boolean => {
    const names = namesOf(change);
    return names.some((name) => changed.has(name)) || holding.has(names.at(-1)!);
  };
  return { kept: open.filter((change) => !isMet(change)), met: open.filter(isMet) };
}

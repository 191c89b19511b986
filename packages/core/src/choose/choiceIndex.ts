import { isMust } from '../names/links.js';
import type { Snapshot, SnapshotItem } from '../course/snapshot.js';
import type { Mark } from '../schemas/course.js';
import type { Finding } from './findings/finding.js';
import { eventsNamingWork, gradedLines, type ForWork } from './whatGoesWithWork.js';

/** Ends of a rule, by their places; -1 for one that is not there. */
export interface RuleEnds {
  readonly at: number;
  readonly ends: readonly number[];
  /** The ids behind `ends`. */
  readonly ids: readonly string[];
}

/**
 * A course indexed once for choosing. Items are known by their place in the snapshot, so that a toggle walks arrays of
 * numbers and builds nothing but its result.
 */
export interface ChoiceIndex {
  readonly source: Snapshot;
  /** Place of an item by its id. */
  readonly placeOf: ReadonlyMap<string, number>;
  /** Place of the unit that an item stands in; -1 when it is in none. */
  readonly parent: Int32Array;
  readonly findings: readonly (readonly Finding[] | undefined)[];
  readonly marks: readonly Mark['mark'][];
  /** Places of what an item must have, and of the line and category that a place that is kept needs. */
  readonly musts: readonly Int32Array[];
  readonly gradedIn: readonly Int32Array[];
  /** Places of the rubric that work is scored by, and of the outcomes that it or a rubric is aligned to. */
  readonly along: readonly Int32Array[];
  readonly rules: readonly RuleEnds[];
  /** What is there for work of the course alone. */
  readonly forWork: readonly ForWork[];
  /** Of a double that findings leave: the place of the one that stays; -1 of everything else. */
  readonly standIn: Int32Array;
}

const NONE = new Int32Array(0);

export function indexChoices(source: Snapshot, findings: readonly Finding[]): ChoiceIndex {
  const { items } = source;
  const placeOf = new Map(items.map(({ id }, place) => [id, place]));
  const place = (id: string | undefined): number => (id === undefined ? -1 : (placeOf.get(id) ?? -1));
  const found: Finding[][] = [];
  const standIn = new Int32Array(items.length).fill(-1);
  for (const finding of findings) {
    const at = place(finding.item);
    if (at < 0) continue;
    (found[at] ??= []).push(finding);
    if (finding.stays !== undefined) standIn[at] = place(finding.stays);
  }
  const marks: Mark['mark'][] = [];
  for (const { item, mark } of source.marks) if (place(item) >= 0) marks[place(item)] = mark;
  const targets = (
    { links }: SnapshotItem,
    wanted: (type: NonNullable<SnapshotItem['links']>[number]['type']) => boolean,
  ): Int32Array => {
    if (links === undefined || links.length === 0) return NONE;
    const places = links.filter(({ type, course }) => course === undefined && wanted(type)).map(({ to }) => place(to));
    const there = places.filter((at) => at >= 0);
    return there.length === 0 ? NONE : Int32Array.from(there);
  };
  const gradedIn = items.map((item) => targets(item, (type) => type === 'gradedIn'));
  return {
    source,
    placeOf,
    parent: Int32Array.from(items, ({ parent }) => place(parent)),
    findings: Array.from(items, (_, at) => found[at]),
    marks: Array.from(items, (_, at) => marks[at]),
    musts: items.map((item) => targets(item, isMust)),
    gradedIn,
    along: items.map((item) => targets(item, (type) => type === 'scored' || type === 'aligned')),
    forWork: [...gradedLines(items, gradedIn), ...eventsNamingWork(items)],
    rules: items.flatMap((item, at) => (item.kind === 'rule' ? [endsOf(item, at, place)] : [])),
    standIn,
  };
}

function endsOf({ links = [] }: SnapshotItem, at: number, place: (id: string) => number): RuleEnds {
  const ids = links
    .filter(({ type, course }) => (type === 'reads' || type === 'guards') && course === undefined)
    .map(({ to }) => to);
  return { at, ids, ends: ids.map(place) };
}

import { contentHash } from './contentHash.js';
import { outlineOf } from './outline.js';
import { ownState, type SnapshotItem } from './snapshot.js';
import { titleKey } from './title.js';

/** In what two things that answer to each other may differ. Dates of two terms always do, and are not told. */
export const COMPARED = ['title', 'text', 'points', 'settings', 'state'] as const;
export type Compared = (typeof COMPARED)[number];

/** A thing of one course, of another, or of both. */
export interface ComparedRow {
  readonly left: SnapshotItem | undefined;
  readonly right: SnapshotItem | undefined;
  /** How deep it is nested, where it stands at the left, else at the right. */
  readonly depth: number;
  /** Empty for what is alike, and for what only one of them has. */
  readonly differs: readonly Compared[];
}

/**
 * Two courses beside each other, thing by thing: what has one key, then what is equal in content, then in kind and title.
 * In the order of the left one's outline; what only the right one has stands behind what it follows there.
 *
 * @see docs/rules.md, "Two courses beside each other"
 */
export function compareCourses(left: readonly SnapshotItem[], right: readonly SnapshotItem[]): ComparedRow[] {
  const rightOf = answering(left, right);
  const leftOf = new Map([...rightOf].map(([key, { id }]) => [id, key]));
  const onlyRight = new Map<string | undefined, ComparedRow[]>();
  let behind: string | undefined;
  for (const row of outlineOf(right)) {
    if (row.row === 'area') continue;
    const answers = leftOf.get(row.item.id);
    if (answers !== undefined) behind = answers;
    else {
      const list = onlyRight.get(behind) ?? [];
      onlyRight.set(behind, list);
      list.push({ left: undefined, right: row.item, depth: row.depth, differs: [] });
    }
  }
  const rows: ComparedRow[] = [...(onlyRight.get(undefined) ?? [])];
  for (const row of outlineOf(left)) {
    if (row.row === 'area') continue;
    const there = rightOf.get(row.item.id);
    const differs = there === undefined ? [] : differing(row.item, there);
    rows.push({ left: row.item, right: there, depth: row.depth, differs }, ...(onlyRight.get(row.item.id) ?? []));
  }
  return rows;
}

/** What of the right course answers to each thing of the left one, by its key. */
function answering(left: readonly SnapshotItem[], right: readonly SnapshotItem[]): Map<string, SnapshotItem> {
  const found = new Map<string, SnapshotItem>();
  const taken = new Set<string>();
  for (const keyOf of [({ id }: SnapshotItem) => id, ({ contentHash: hash }: SnapshotItem) => hash, titleKey]) {
    const free = new Map<string, SnapshotItem[]>();
    for (const item of right) {
      if (taken.has(item.id)) continue;
      const list = free.get(keyOf(item));
      if (list === undefined) free.set(keyOf(item), [item]);
      else list.push(item);
    }
    for (const item of left) {
      const there = found.has(item.id) ? undefined : free.get(keyOf(item))?.shift();
      if (there === undefined) continue;
      found.set(item.id, there);
      taken.add(there.id);
    }
  }
  return found;
}

function differing(left: SnapshotItem, right: SnapshotItem): Compared[] {
  const differs: Readonly<Record<Compared, boolean>> = {
    title: left.title !== right.title,
    text: left.bodyHash !== right.bodyHash,
    points: left.points !== right.points,
    settings: settingsHash(left) !== settingsHash(right),
    state: ownState(left) !== ownState(right),
  };
  return COMPARED.filter((field) => differs[field]);
}

const settingsHash = ({ kind, details }: SnapshotItem): string =>
  contentHash({ id: '', kind, title: '', details }, undefined);

import {
  FINDING_WORDS,
  groupBy,
  isOpened,
  KIND_SENTENCES,
  KIND_WORDS,
  KINDS,
  outlineOf,
  ownState,
  type FindingName,
  type ItemState,
  type Kind,
  type SnapshotItem,
} from '@yarin/core';

/** By what the things of a page stand together. */
export type Grouping = 'outline' | 'kind' | 'category' | 'state' | 'finding' | 'change' | 'source';
/** By these, units hold what stands in them. */
export const NESTED: ReadonlySet<Grouping> = new Set(['outline', 'source']);
/** By these, one line stands for each heading until somebody opens it. */
export const FOLDED_FIRST: ReadonlySet<Grouping> = new Set(['kind', 'category', 'state', 'change']);

/** A name that things stand under, and its place among the others. */
export interface Under {
  readonly name: string;
  readonly place: number;
}

/** What the things of a page are told apart by. */
export interface Apart<Each> {
  /** The first finding of an item; things without one stand last when grouped by finding. */
  readonly findingOf: (item: Each) => FindingName | undefined;
  /** The course that an item is from. */
  readonly sourceOf: (item: Each) => Under;
  /** The category of the gradebook that work is graded in. */
  readonly categoryOf: (item: Each) => Under | undefined;
  /** What became of an item since it was brought. */
  readonly changeOf: (item: Each) => Under;
}

/** A heading with what stands under it, or a thing with how deep it is nested. */
export type Grouped<Each> =
  | {
      readonly heading: string;
      readonly says: string;
      readonly kind: Kind | undefined;
      readonly finding: FindingName | undefined;
      readonly items: readonly Each[];
    }
  | { readonly heading: undefined; readonly item: Each; readonly depth: number };

const capital = (words: string): string => words[0]!.toUpperCase() + words.slice(1);

const SET_UP: ReadonlySet<Kind> = new Set(['gradeCategory', 'lineItem', 'scoreScale']);
const GRADEBOOK = { name: 'Gradebook set-up', place: -1 };
const UNGRADED = { name: 'In no category', place: Infinity };

const STATES: Readonly<Record<ItemState, Under>> = {
  open: { name: 'Open', place: 0 },
  draft: { name: 'Draft', place: 1 },
  hidden: { name: 'Hidden', place: 2 },
};
const UNOPENED = { name: 'Nothing that learners open', place: 3 };

/** The rows of a page. */
export function grouped<Each extends SnapshotItem>(
  items: readonly Each[],
  grouping: Grouping,
  { findingOf, sourceOf, categoryOf, changeOf }: Apart<Each>,
): Grouped<Each>[] {
  const outline = outlineOf(items);
  if (grouping === 'outline')
    return outline.map((row) =>
      row.row === 'area'
        ? { heading: row.area, says: '', kind: undefined, finding: undefined, items: row.items }
        : { heading: undefined, item: row.item, depth: row.depth },
    );
  const nested = outline.flatMap((row) => (row.row === 'item' ? [row] : []));
  const inOrder = nested.map(({ item }) => item);
  switch (grouping) {
    case 'source': {
      const depthOf = new Map(nested.map(({ item, depth }) => [item, depth]));
      return byName(inOrder, sourceOf).map((row) =>
        row.heading === undefined ? { ...row, depth: 1 + (depthOf.get(row.item) ?? 0) } : row,
      );
    }
    case 'category':
      return byName(inOrder, (item) => (SET_UP.has(item.kind) ? GRADEBOOK : (categoryOf(item) ?? UNGRADED)));
    case 'state':
      return byName(inOrder, (item) => (isOpened(item.kind) ? STATES[ownState(item)] : UNOPENED));
    case 'change':
      return byName(inOrder, changeOf);
    case 'kind': {
      const byKind = groupBy(inOrder, ({ kind }) => kind);
      return KINDS.flatMap((kind) =>
        under(byKind.get(kind), { heading: capital(KIND_WORDS[kind].many), says: KIND_SENTENCES[kind], kind }),
      );
    }
    case 'finding': {
      const byFinding = groupBy(inOrder, findingOf);
      const names = Object.keys(FINDING_WORDS) as FindingName[];
      return [
        ...names.flatMap((name) =>
          under(byFinding.get(name), { heading: capital(FINDING_WORDS[name]), finding: name }),
        ),
        ...under(byFinding.get(undefined), { heading: 'Nothing found' }),
      ];
    }
  }
}

interface Heading {
  readonly heading: string;
  readonly says?: string;
  readonly kind?: Kind;
  readonly finding?: FindingName;
}

function byName<Each>(items: readonly Each[], nameOf: (item: Each) => Under): Grouped<Each>[] {
  const groups = [...groupBy(items, (item) => nameOf(item).name).values()];
  groups.sort(([a], [b]) => nameOf(a!).place - nameOf(b!).place);
  return groups.flatMap((group) => under(group, { heading: nameOf(group[0]!).name }));
}

function under<Each>(
  items: readonly Each[] | undefined,
  { heading, says = '', kind, finding }: Heading,
): Grouped<Each>[] {
  if (items === undefined) return [];
  return [{ heading, says, kind, finding, items }, ...items.map((item) => ({ heading: undefined, item, depth: 1 }))];
}

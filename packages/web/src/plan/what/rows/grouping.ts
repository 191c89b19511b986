import {
  FINDING_WORDS,
  groupBy,
  KIND_SENTENCES,
  KIND_WORDS,
  KINDS,
  outlineOf,
  type FindingName,
  type Kind,
  type SnapshotItem,
} from '@yarin/core';

/** By what the things of a page stand together. */
export type Grouping = 'outline' | 'kind' | 'finding' | 'source';
export const GROUPINGS: readonly Grouping[] = ['outline', 'kind', 'finding', 'source'];
/** By these, units hold what stands in them. */
export const NESTED: ReadonlySet<Grouping> = new Set(['outline', 'source']);

/** What the things of a page are told apart by. */
interface Apart<Each> {
  /** The first finding of an item; things without one stand last when grouped by finding. */
  readonly findingOf: (item: Each) => FindingName | undefined;
  /** The course that an item is from, and its place among the courses. */
  readonly sourceOf: (item: Each) => { readonly name: string; readonly place: number };
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

/** The rows of a page. */
export function grouped<Each extends SnapshotItem>(
  items: readonly Each[],
  grouping: Grouping,
  { findingOf, sourceOf }: Apart<Each>,
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
  if (grouping === 'source') {
    const depthOf = new Map(nested.map(({ item, depth }) => [item, depth]));
    const groups = [...groupBy(inOrder, (item) => sourceOf(item).name).values()];
    groups.sort(([a], [b]) => sourceOf(a!).place - sourceOf(b!).place);
    return groups.flatMap((group) =>
      under(group, { heading: sourceOf(group[0]!).name }).map((row) =>
        row.heading === undefined ? { ...row, depth: 1 + (depthOf.get(row.item) ?? 0) } : row,
      ),
    );
  }
  if (grouping === 'kind') {
    const byKind = groupBy(inOrder, ({ kind }) => kind);
    return KINDS.flatMap((kind) =>
      under(byKind.get(kind), { heading: capital(KIND_WORDS[kind].many), says: KIND_SENTENCES[kind], kind }),
    );
  }
  const byFinding = groupBy(inOrder, findingOf);
  const names = Object.keys(FINDING_WORDS) as FindingName[];
  return [
    ...names.flatMap((name) => under(byFinding.get(name), { heading: capital(FINDING_WORDS[name]), finding: name })),
    ...under(byFinding.get(undefined), { heading: 'Nothing found' }),
  ];
}

interface Heading {
  readonly heading: string;
  readonly says?: string;
  readonly kind?: Kind;
  readonly finding?: FindingName;
}

function under<Each>(
  items: readonly Each[] | undefined,
  { heading, says = '', kind, finding }: Heading,
): Grouped<Each>[] {
  if (items === undefined) return [];
  return [{ heading, says, kind, finding, items }, ...items.map((item) => ({ heading: undefined, item, depth: 1 }))];
}

import {
  isOpened,
  KIND_WORDS,
  ownState,
  staysBehind,
  totalsOf,
  type Finding,
  type FindingName,
  type Match,
  type PlanLine,
  type Preview,
  type Snapshot,
  type SnapshotItem,
} from '@yarin/core';
import { dateWords, MARK_NOTES, noteOf, strandOf } from './rowWords.js';
import { categoriesOf } from './categories.js';
import { changeOf } from './changes.js';
import { grouped, NESTED, type Apart, type Grouping } from './grouping.js';
import type { FromOf } from './placesFrom.js';
import { boxOf, type OldRow, type RowBase } from './spreadRow.js';

/** The first finding of each item, by which it stands when the pages are grouped by finding. */
export function firstFindings(findings: readonly Finding[]): ReadonlyMap<string, FindingName> {
  const first = new Map<string, FindingName>();
  for (const { item, finding } of findings) if (!first.has(item)) first.set(item, finding);
  return first;
}

/** Of what learners open: that they can't yet. */
export function closedState(item: Pick<SnapshotItem, 'kind' | 'state' | 'stateBefore'>): RowBase['state'] {
  const state = isOpened(item.kind) ? ownState(item) : 'open';
  return state === 'open' ? undefined : state;
}

/** For every unit itself and all that stands in it, in any depth; by place. */
function coveredBy({ items }: Snapshot): (at: number) => number[] {
  const places = new Map(items.map(({ id }, at) => [id, at]));
  const children = new Map<number, number[]>();
  items.forEach(({ parent }, at) => {
    const unit = parent === undefined ? undefined : places.get(parent);
    if (unit === undefined) return;
    const known = children.get(unit);
    if (known === undefined) children.set(unit, [at]);
    else known.push(at);
  });
  return (unit) => {
    const covered = new Set([unit]);
    for (const at of covered) for (const child of children.get(at) ?? []) covered.add(child);
    return [...covered];
  };
}

const ONLY_SOURCE = { name: '', place: 0 };
export const sourceBy =
  (fromOf: FromOf | undefined) =>
  ({ id }: Pick<SnapshotItem, 'id'>) =>
    fromOf?.(id) ?? ONLY_SOURCE;

/** A row of the old page without what choosing changes. */
interface LaidRow extends Omit<OldRow, 'box' | 'tally' | 'note' | 'strand' | 'to'> {
  /** Places of what it covers. */
  readonly places: readonly number[];
  readonly note: string;
  /** Under the heading of a finding: the words, dates or counts that show it. */
  readonly evidence: string | undefined;
  /** Only an administrator decides about it. */
  readonly isLocked: boolean;
}

/** The old page laid out once: which rows stand on it, and what each covers. */
export interface OldLayout {
  readonly source: Snapshot;
  readonly titles: ReadonlyMap<string, string>;
  readonly rows: readonly LaidRow[];
}

/** What a page says beside its things. */
interface Beside {
  /** Things about which only an administrator decides. */
  readonly locked?: ReadonlySet<string>;
  /** Of several sources: where each thing is from. */
  readonly fromOf?: FromOf | undefined;
  /** What each thing is matched with in the shell. */
  readonly matchOf?: ((id: string) => Match | undefined) | undefined;
  /** Things of the shell that an earlier run brought. */
  readonly brought?: ReadonlySet<string> | undefined;
}

/** Whether an item of the old course was brought before: as what stands there, or as what was taken out since. */
export const wasBrought = (match: Match | undefined, brought: ReadonlySet<string> = new Set()): boolean =>
  match !== undefined && match.verb !== 'add' && (match.to === null || brought.has(match.to));

export function layOldPage(
  source: Snapshot,
  findings: readonly Finding[],
  grouping: Grouping,
  { locked = new Set(), fromOf, matchOf, brought }: Beside = {},
): OldLayout {
  const places = new Map(source.items.map(({ id }, at) => [id, at]));
  const marks = new Map(source.marks.map((mark) => [mark.item, mark]));
  const first = firstFindings(findings);
  const evidenceOf = new Map(findings.map(({ item, finding, evidence }) => [`${item} ${finding}`, evidence]));
  const within = coveredBy(source);
  const idsAt = (covered: readonly number[]): string[] => covered.map((at) => source.items[at]!.id);
  const categoryOf = categoriesOf(source.items);
  const groups: Apart<SnapshotItem> = {
    findingOf: ({ id }) => first.get(id),
    sourceOf: sourceBy(fromOf),
    categoryOf,
    changeOf: ({ id }) => changeOf(matchOf?.(id) ?? { verb: 'add' }, wasBrought(matchOf?.(id), brought)),
  };
  const rows = grouped(source.items, grouping, groups).map((row): LaidRow => {
    if (row.heading !== undefined) {
      const covered = row.items.map(({ id }) => places.get(id)!);
      return {
        key: `area ${row.heading}`,
        title: row.heading,
        depth: 0,
        isHeading: true,
        state: undefined,
        also: '',
        from: undefined,
        item: undefined,
        ofKind: row.kind,
        ofFinding: row.finding,
        places: covered,
        covers: idsAt(covered),
        note: row.says,
        evidence: undefined,
        isLocked: false,
        kind: '',
        date: '',
      };
    }
    const { item, depth } = row;
    const at = places.get(item.id)!;
    const isUnit = item.kind === 'unit' && NESTED.has(grouping);
    const covered = isUnit ? within(at) : [at];
    const mark = marks.get(item.id);
    return {
      key: item.id,
      title: item.title,
      depth,
      isHeading: isUnit,
      state: closedState(item),
      also: categoryOf(item)?.name ?? '',
      from: fromOf?.(item.id),
      item,
      ofKind: undefined,
      ofFinding: undefined,
      places: covered,
      covers: idsAt(covered),
      isLocked: locked.has(item.id),
      note: mark?.mark !== undefined ? MARK_NOTES[mark.mark] : mark?.note !== undefined ? 'your note' : '',
      evidence: grouping === 'finding' ? evidenceOf.get(`${item.id} ${first.get(item.id) ?? ''}`) : undefined,
      kind: KIND_WORDS[item.kind].one,
      date: dateWords(item.moments),
    };
  });
  return { source, titles: new Map(source.items.map(({ id, title }) => [id, title])), rows };
}

/** The old page: every thing as it was, with whether it comes and why not. Lines of the source come first, in its order. */
export function oldRows({ titles, rows }: OldLayout, { lines, broken }: Pick<Preview, 'lines' | 'broken'>): OldRow[] {
  const isBroken = new Set(broken.map((each) => (each.is === 'neededButLeft' ? each.item : each.rule)));
  const titleOf = (id: string | undefined): string => titles.get(id ?? '') ?? 'something that is not here';
  return rows.map((row): OldRow => {
    const { places, item } = row;
    let coming = 0;
    for (const at of places) if (!staysBehind(lines[at]!)) coming++;
    const line = item === undefined ? undefined : lines[places[0]!]!;
    const tally = row.isHeading ? tallyOf(places.map((at) => lines[at]!)) : '';
    return {
      key: row.key,
      title: row.title,
      depth: row.depth,
      isHeading: row.isHeading,
      state: row.state,
      also: row.also,
      tally,
      from: row.from,
      item,
      ofKind: row.ofKind,
      ofFinding: row.ofFinding,
      covers: row.covers,
      date: row.date,
      box: boxOf(coming, places.length),
      note: line === undefined ? row.note : (betterNote(row, line) ?? noteOf(line, row.note, titleOf)),
      kind: line === undefined ? tally : row.kind,
      strand: line === undefined ? (coming > 0 ? 'comes' : 'stays') : strandOf(line, isBroken.has(item!.id)),
      to: line === undefined ? null : line.to,
    };
  });
}

/** “17 of 19”, “7 of 9, 2 there”, “19 of 19 there”: what comes, and what stands in the new course already. */
function tallyOf(lines: readonly PlanLine[]): string {
  const { comes, stands, of } = totalsOf(lines, lines.length);
  if (comes === 0 && stands > 0) return `${stands} of ${of} there`;
  return stands === 0 ? `${comes} of ${of}` : `${comes} of ${of}, ${stands} there`;
}

/** What says more than the reason: that only the college decides; under the heading of a finding, its evidence. */
const betterNote = ({ evidence, isLocked }: LaidRow, { why: [why] }: PlanLine): string | undefined =>
  isLocked ? 'decided by the college' : why?.reason === 'finding' ? evidence : undefined;

import {
  KIND_WORDS,
  staysBehind,
  type Finding,
  type FindingName,
  type Kind,
  type PlanLine,
  type Preview,
  type PreviewItem,
  type Review,
  type Snapshot,
  type SnapshotItem,
} from '@yarin/core';
import { dateWords, MARK_NOTES, noteOf, strandOf, type StrandStyle } from './rowWords.js';
import { grouped, NESTED, type Grouping } from './grouping.js';
import type { FromOf } from './placesFrom.js';

export type BoxState = 'on' | 'off' | 'part';

export interface RowBase {
  readonly key: string;
  readonly title: string;
  readonly depth: number;
  readonly isHeading: boolean;
  /** Of several sources: where it is from. */
  readonly from: { readonly words: string; readonly isOther: boolean } | undefined;
}

/** A row of the old page. Headings of areas, kinds and findings have no item of their own. */
export interface OldRow extends RowBase {
  readonly item: SnapshotItem | undefined;
  /** Of a heading of a kind: the kind. */
  readonly ofKind: Kind | undefined;
  /** Of a heading of a finding: the finding. */
  readonly ofFinding: FindingName | undefined;
  /** The items that choosing this row chooses: itself and all that stands in it. */
  readonly covers: readonly string[];
  readonly box: BoxState;
  readonly note: string;
  readonly kind: string;
  readonly date: string;
  readonly strand: StrandStyle | undefined;
  readonly to: string | null;
}

/** A row of the new page. */
export interface NewRow extends RowBase {
  readonly item: PreviewItem | undefined;
  readonly kind: string;
  readonly date: string;
  readonly tone: 'moved' | 'in-doubt' | 'here';
}

/** The first finding of each item, by which it stands when the pages are grouped by finding. */
function firstFindings(findings: readonly Finding[]): ReadonlyMap<string, FindingName> {
  const first = new Map<string, FindingName>();
  for (const { item, finding } of findings) if (!first.has(item)) first.set(item, finding);
  return first;
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

/** Under which heading things stand when they stand by source. */
const SHELL_ITSELF = { name: 'the shell’s own', place: Infinity };
const ONLY_SOURCE = { name: '', place: 0 };
const sourceBy =
  (fromOf: FromOf | undefined) =>
  ({ id }: Pick<SnapshotItem, 'id'>) =>
    fromOf?.(id) ?? ONLY_SOURCE;

const nameOnly = (from: ReturnType<FromOf> | undefined): RowBase['from'] =>
  from === undefined ? undefined : { words: from.name, isOther: from.isOther };

/** A row of the old page without what choosing changes. */
interface LaidRow extends Omit<OldRow, 'box' | 'note' | 'strand' | 'to'> {
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
}

export function layOldPage(
  source: Snapshot,
  findings: readonly Finding[],
  grouping: Grouping,
  { locked = new Set(), fromOf }: Beside = {},
): OldLayout {
  const places = new Map(source.items.map(({ id }, at) => [id, at]));
  const marks = new Map(source.marks.map((mark) => [mark.item, mark]));
  const first = firstFindings(findings);
  const evidenceOf = new Map(findings.map(({ item, finding, evidence }) => [`${item} ${finding}`, evidence]));
  const within = coveredBy(source);
  const idsAt = (covered: readonly number[]): string[] => covered.map((at) => source.items[at]!.id);
  const groups = { findingOf: ({ id }: SnapshotItem) => first.get(id), sourceOf: sourceBy(fromOf) };
  const rows = grouped(source.items, grouping, groups).map((row): LaidRow => {
    if (row.heading !== undefined) {
      const covered = row.items.map(({ id }) => places.get(id)!);
      return {
        key: `area ${row.heading}`,
        title: row.heading,
        depth: 0,
        isHeading: true,
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
    return {
      key: row.key,
      title: row.title,
      depth: row.depth,
      isHeading: row.isHeading,
      from: row.from,
      item,
      ofKind: row.ofKind,
      ofFinding: row.ofFinding,
      covers: row.covers,
      date: row.date,
      box: coming === places.length ? 'on' : coming === 0 ? 'off' : 'part',
      note: line === undefined ? row.note : (betterNote(row, line) ?? noteOf(line, row.note, titleOf)),
      kind: line === undefined ? `${coming} of ${places.length}` : row.kind,
      strand: line === undefined ? undefined : strandOf(line, isBroken.has(item!.id)),
      to: line === undefined ? null : line.to,
    };
  });
}

/** What says more than the reason: that only the college decides; under the heading of a finding, its evidence. */
const betterNote = ({ evidence, isLocked }: LaidRow, { why: [why] }: PlanLine): string | undefined =>
  isLocked ? 'decided by the college' : why?.reason === 'finding' ? evidence : undefined;

/** The new page: the course as it will be after the run, with what the shell holds. */
export function newRows(
  items: readonly PreviewItem[],
  causes: Review['causes'],
  grouping: Grouping,
  findings: readonly Finding[] = [],
  fromOf?: FromOf,
): NewRow[] {
  const doubtful = new Set(causes.flatMap(({ moments }) => moments.map(({ id }) => id)));
  const first = firstFindings(findings);
  const sourceOf = sourceBy(fromOf);
  const groups = {
    findingOf: ({ from }: PreviewItem) => first.get(from ?? ''),
    sourceOf: ({ from }: PreviewItem) => (from === undefined ? SHELL_ITSELF : sourceOf({ id: from })),
  };
  return grouped(items, grouping, groups).map((row): NewRow => {
    if (row.heading !== undefined)
      return {
        key: `area ${row.heading}`,
        title: row.heading,
        depth: 0,
        isHeading: true,
        from: undefined,
        item: undefined,
        kind: String(row.items.length),
        date: '',
        tone: 'here',
      };
    const { item, depth } = row;
    const isNew = item.isWritten;
    const date = item.isPlace ? 'place kept' : dateWords(item.moments);
    const isDoubtful = (item.moments ?? []).some(({ id }) => doubtful.has(id));
    return {
      key: item.id,
      title: item.title,
      depth,
      isHeading: item.kind === 'unit' && NESTED.has(grouping),
      from: nameOnly(item.from === undefined ? undefined : fromOf?.(item.from)),
      item,
      kind: KIND_WORDS[item.kind].one,
      date: item.verb === 'join' && date === '' ? 'joins' : isNew ? date : date || 'here already',
      tone: isDoubtful && isNew ? 'in-doubt' : isNew ? 'moved' : 'here',
    };
  });
}

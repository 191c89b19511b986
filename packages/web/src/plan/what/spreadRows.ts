import {
  dayWords,
  FINDING_WORDS,
  isWritten,
  KIND_WORDS,
  parseDay,
  type Finding,
  type FindingName,
  type Kind,
  type Moment,
  type PlanLine,
  type Preview,
  type PreviewItem,
  type Review,
  type Snapshot,
  type SnapshotItem,
} from '@yarin/core';
import { grouped, type Grouping } from './grouping.js';

export type BoxState = 'on' | 'off' | 'part';
/** How a strand is drawn: it comes, stays behind, keeps its place, joins what is there, or needs a decision. */
export type StrandStyle = 'comes' | 'stays' | 'place' | 'joins' | 'needs';

interface RowBase {
  readonly key: string;
  readonly title: string;
  readonly depth: number;
  readonly isHeading: boolean;
}

/** A row of the old page. Headings of areas, kinds and findings have no item of their own. */
export interface OldRow extends RowBase {
  readonly item: SnapshotItem | undefined;
  /** Of a heading of a kind: the kind. */
  readonly ofKind: Kind | undefined;
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

const SHOWN_ROLES: readonly (readonly [Moment['role'], string])[] = [
  ['due', 'due'],
  ['posts', 'posts'],
  ['starts', ''],
  ['opens', 'opens'],
];

/** The date that tells most about a thing: “due Mon 9 Feb”. */
function dateWords(moments: readonly Moment[] = []): string {
  for (const [role, word] of SHOWN_ROLES) {
    const moment = moments.find((each) => each.role === role);
    if (moment !== undefined) return `${word} ${dayWords(parseDay(moment.at))}`.trim();
  }
  return '';
}

/** Why a row is as it is, in a few words beside its title. */
function noteOf(line: PlanLine, marked: string, titleOf: (id: string | undefined) => string): string {
  const [why] = line.why;
  if (line.place) return 'keeps its place';
  if (line.verb === 'ask') return line.answered === undefined ? 'stands there already' : 'decided';
  switch (why?.reason) {
    case 'neededBy':
      return `comes with ${titleOf(why.item)}`;
    case 'parentOf':
      return `heading of ${titleOf(why.item)}`;
    case 'endMissing':
      return `stays with ${titleOf(why.item)}`;
    case 'overlap':
      return 'comes from another course';
    case 'standsThere':
      return 'the shell has it';
    case 'mark':
      return marked;
    default:
      if (line.verb === 'join') return 'joins the shell’s';
      return why?.finding === undefined ? marked : FINDING_WORDS[why.finding];
  }
}

const MARK_NOTES = {
  never: 'marked: never carry on',
  hidden: 'comes hidden',
  reword: 'reword first',
  evergreen: 'evergreen',
};

function strandOf({ verb, place, answered }: PlanLine, isBroken: boolean): StrandStyle {
  if (place) return 'place';
  if (isBroken) return 'needs';
  switch (verb) {
    case 'join':
    case 'same':
    case 'keep':
      return 'joins';
    case 'ask':
      return answered === undefined ? 'needs' : 'joins';
    case 'leave':
    case 'gone':
      return 'stays';
    case 'add':
    case 'update':
    case 'here':
      return 'comes';
  }
}

const comes = ({ verb }: PlanLine): boolean => verb !== 'leave';

function boxOf(lines: readonly PlanLine[]): BoxState {
  let coming = 0;
  for (const line of lines) if (comes(line)) coming++;
  return coming === lines.length ? 'on' : coming === 0 ? 'off' : 'part';
}

/** The first finding of each item, by which it stands when the pages are grouped by finding. */
export function firstFindings(findings: readonly Finding[]): ReadonlyMap<string, FindingName> {
  const first = new Map<string, FindingName>();
  for (const { item, finding } of findings) if (!first.has(item)) first.set(item, finding);
  return first;
}

/** For every unit itself and all that stands in it, in any depth. */
function coveredBy(items: readonly SnapshotItem[]): (id: string) => string[] {
  const children = new Map<string, string[]>();
  for (const { id, parent } of items) {
    if (parent === undefined) continue;
    const known = children.get(parent);
    if (known === undefined) children.set(parent, [id]);
    else known.push(id);
  }
  return (id) => {
    const covered = [id];
    const seen = new Set(covered);
    for (let at = 0; at < covered.length; at++)
      for (const child of children.get(covered[at]!) ?? [])
        if (!seen.has(child)) {
          seen.add(child);
          covered.push(child);
        }
    return covered;
  };
}

/** The old page: every thing as it was, with whether it comes and why not. */
export function oldRows(
  source: Snapshot,
  preview: Pick<Preview, 'lines' | 'broken'>,
  findings: readonly Finding[],
  grouping: Grouping,
): OldRow[] {
  const lines = new Map<string, PlanLine>();
  for (const line of preview.lines) if (line.item !== null && line.verb !== 'gone') lines.set(line.item, line);
  const items = new Map(source.items.map((item) => [item.id, item]));
  const titleOf = (id: string | undefined): string => items.get(id ?? '')?.title ?? 'something that is not here';
  const marks = new Map(source.marks.map((mark) => [mark.item, mark]));
  const broken = new Set(preview.broken.map((each) => (each.is === 'neededButLeft' ? each.item : each.rule)));
  const first = firstFindings(findings);
  const within = coveredBy(source.items);
  return grouped(source.items, grouping, ({ id }) => first.get(id)).map((row): OldRow => {
    if (row.heading !== undefined) {
      const covers = row.items.map(({ id }) => id);
      const covered = covers.map((id) => lines.get(id)!);
      return {
        key: `area ${row.heading}`,
        title: row.heading,
        depth: 0,
        isHeading: true,
        item: undefined,
        ofKind: row.kind,
        covers,
        box: boxOf(covered),
        note: row.says,
        kind: `${covered.filter(comes).length} of ${covered.length}`,
        date: '',
        strand: undefined,
        to: null,
      };
    }
    const { item, depth } = row;
    const line = lines.get(item.id)!;
    const covers = grouping === 'outline' && item.kind === 'unit' ? within(item.id) : [item.id];
    const mark = marks.get(item.id);
    const marked = mark?.mark !== undefined ? MARK_NOTES[mark.mark] : mark?.note !== undefined ? 'your note' : '';
    return {
      key: item.id,
      title: item.title,
      depth,
      isHeading: item.kind === 'unit' && grouping === 'outline',
      item,
      ofKind: undefined,
      covers,
      box: boxOf(covers.length === 1 ? [line] : covers.map((id) => lines.get(id)!)),
      note: noteOf(line, marked, titleOf),
      kind: KIND_WORDS[item.kind].one,
      date: dateWords(item.moments),
      strand: strandOf(line, broken.has(item.id)),
      to: line.to,
    };
  });
}

/** The new page: the course as it will be after the run, with what the shell holds. */
export function newRows(
  preview: Preview & Pick<Review, 'causes'>,
  grouping: Grouping,
  findings: readonly Finding[] = [],
): NewRow[] {
  const doubtful = new Set(preview.causes.flatMap(({ moments }) => moments.map(({ id }) => id)));
  const written = new Set(preview.lines.filter(isWritten).map(({ to }) => to));
  const first = firstFindings(findings);
  return grouped(preview.items, grouping, ({ from }) => first.get(from ?? '')).map((row): NewRow => {
    if (row.heading !== undefined)
      return {
        key: `area ${row.heading}`,
        title: row.heading,
        depth: 0,
        isHeading: true,
        item: undefined,
        kind: String(row.items.length),
        date: '',
        tone: 'here',
      };
    const { item, depth } = row;
    const isNew = written.has(item.id);
    const date = item.isPlace ? 'place kept' : dateWords(item.moments);
    const isDoubtful = (item.moments ?? []).some(({ id }) => doubtful.has(id));
    return {
      key: item.id,
      title: item.title,
      depth,
      isHeading: item.kind === 'unit' && grouping === 'outline',
      item,
      kind: KIND_WORDS[item.kind].one,
      date: item.verb === 'join' && date === '' ? 'joins' : isNew ? date : date || 'here already',
      tone: isDoubtful && isNew ? 'in-doubt' : isNew ? 'moved' : 'here',
    };
  });
}

/**
 * The rows that hold what was typed, with the headings over them.
 *
 * @param typed  words, each of which has to stand in title, kind or note
 */
export function filtered<Row extends RowBase & { readonly kind: string; readonly note?: string }>(
  rows: readonly Row[],
  typed: string,
): readonly Row[] {
  const words = typed
    .toLowerCase()
    .split(/\s+/)
    .filter((word) => word !== '');
  if (words.length === 0) return rows;
  const kept = new Set<Row>();
  let above: Row[] = [];
  for (const row of rows) {
    const isArea = row.key.startsWith('area ');
    if (row.isHeading) above = [...above.filter(({ depth }) => depth < row.depth), row];
    const text = `${row.title} ${row.kind} ${row.note ?? ''}`.toLowerCase();
    if (isArea || !words.every((word) => text.includes(word))) continue;
    for (const heading of above) kept.add(heading);
    kept.add(row);
  }
  return [...kept];
}

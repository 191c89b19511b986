import {
  dayWords,
  FINDING_WORDS,
  isWritten,
  KIND_WORDS,
  KINDS,
  outlineOf,
  parseDay,
  type Finding,
  type Kind,
  type Moment,
  type PlanLine,
  type Preview,
  type PreviewItem,
  type Review,
  type Snapshot,
  type SnapshotItem,
} from '@yarin/core';

export type Grouping = 'outline' | 'kind';
export type BoxState = 'on' | 'off' | 'part';
/** How a strand is drawn: it comes, stays behind, keeps its place, joins what is there, or needs a decision. */
export type StrandStyle = 'comes' | 'stays' | 'place' | 'joins' | 'needs';

interface RowBase {
  readonly key: string;
  readonly title: string;
  readonly depth: number;
  readonly isHeading: boolean;
}

/** A row of the old page. Headings of areas and kinds have no item of their own. */
export interface OldRow extends RowBase {
  readonly item: SnapshotItem | undefined;
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

type Plain<Each> =
  | { readonly heading: string; readonly items: readonly Each[] }
  | { readonly heading: undefined; readonly item: Each; readonly depth: number };

function grouped<Each extends SnapshotItem>(items: readonly Each[], grouping: Grouping): Plain<Each>[] {
  const outline = outlineOf(items);
  if (grouping === 'outline')
    return outline.map((row) =>
      row.row === 'area'
        ? { heading: row.area, items: row.items }
        : { heading: undefined, item: row.item, depth: row.depth },
    );
  const inOrder = outline.flatMap((row) => (row.row === 'item' ? [row.item] : []));
  return KINDS.flatMap((kind): Plain<Each>[] => {
    const ofKind = inOrder.filter((item) => item.kind === kind);
    if (ofKind.length === 0) return [];
    return [
      { heading: kindHeading(kind), items: ofKind },
      ...ofKind.map((item) => ({ heading: undefined, item, depth: 1 })),
    ];
  });
}

const kindHeading = (kind: Kind): string => {
  const { many } = KIND_WORDS[kind];
  return many[0]!.toUpperCase() + many.slice(1);
};

function noteOf(line: PlanLine, findings: readonly Finding[], titles: ReadonlyMap<string, string>): string {
  const [why] = line.why;
  if (line.place) return 'keeps its place';
  if (why?.reason === 'neededBy') return `comes with ${titles.get(why.item!) ?? ''}`;
  if (why?.reason === 'endMissing') return `stays: ${titles.get(why.item!) ?? 'one end'} does not come`;
  if (why?.reason === 'mark') return 'marked: never carry on';
  if (line.verb === 'ask') return 'stands there already';
  if (line.verb === 'join') return 'joins the shell’s';
  const decisive = findings.find(({ finding }) => finding === why?.finding);
  return decisive === undefined ? '' : FINDING_WORDS[decisive.finding];
}

function strandOf({ verb, place }: PlanLine): StrandStyle {
  if (place) return 'place';
  switch (verb) {
    case 'join':
    case 'same':
    case 'keep':
      return 'joins';
    case 'ask':
      return 'needs';
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

const boxOf = (lines: readonly PlanLine[]): BoxState => {
  const coming = lines.filter(comes).length;
  return coming === lines.length ? 'on' : coming === 0 ? 'off' : 'part';
};

/** The old page: every thing as it was, with whether it comes and why not. */
export function oldRows(
  source: Snapshot,
  preview: Preview,
  findings: readonly Finding[],
  grouping: Grouping,
): OldRow[] {
  const lines = new Map(
    preview.lines.flatMap((line) => (line.item === null || line.verb === 'gone' ? [] : [[line.item, line] as const])),
  );
  const titles = new Map(source.items.map(({ id, title }) => [id, title]));
  const byItem = new Map<string, Finding[]>();
  for (const finding of findings) byItem.set(finding.item, [...(byItem.get(finding.item) ?? []), finding]);
  const children = new Map<string, string[]>();
  for (const { id, parent } of source.items)
    if (parent !== undefined) children.set(parent, [...(children.get(parent) ?? []), id]);
  const within = (id: string): string[] => [id, ...(children.get(id) ?? []).flatMap(within)];

  return grouped(source.items, grouping).map((row): OldRow => {
    const covers =
      row.heading === undefined
        ? grouping === 'outline'
          ? within(row.item.id)
          : [row.item.id]
        : row.items.map(({ id }) => id);
    const covered = covers.map((id) => lines.get(id)!);
    if (row.heading !== undefined)
      return {
        key: `area ${row.heading}`,
        title: row.heading,
        depth: 0,
        isHeading: true,
        item: undefined,
        covers,
        box: boxOf(covered),
        note: '',
        kind: `${covered.filter(comes).length} of ${covered.length}`,
        date: '',
        strand: undefined,
        to: null,
      };
    const { item, depth } = row;
    const line = lines.get(item.id)!;
    return {
      key: item.id,
      title: item.title,
      depth,
      isHeading: item.kind === 'unit' && grouping === 'outline',
      item,
      covers,
      box: boxOf(covered),
      note: noteOf(line, byItem.get(item.id) ?? [], titles),
      kind: KIND_WORDS[item.kind].one,
      date: dateWords(item.moments),
      strand: strandOf(line),
      to: line.to,
    };
  });
}

/** The new page: the course as it will be after the run, with what the shell holds. */
export function newRows(preview: Preview & Pick<Review, 'causes'>, grouping: Grouping): NewRow[] {
  const doubtful = new Set(preview.causes.flatMap(({ moments }) => moments.map(({ id }) => id)));
  const written = new Set(preview.lines.filter(isWritten).map(({ to }) => to));
  return grouped(preview.items, grouping).map((row): NewRow => {
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

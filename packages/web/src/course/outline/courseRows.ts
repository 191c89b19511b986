import {
  KIND_WORDS,
  MARK_WORDS,
  outlineOf,
  ROLE_WORDS,
  type Mark,
  type OutlineRow,
  type SnapshotItem,
} from '@yarin/core';
import { momentWords } from '../../shared/readersDates.js';

/** A row of a course's outline; the heading of an area has no key. */
export interface CourseRow {
  readonly key: string | undefined;
  readonly title: string;
  readonly depth: number;
  readonly isUnit: boolean;
  readonly state: string;
  readonly mark: string;
  readonly kind: string;
  readonly date: string;
}

const STATE_WORDS = { open: '', draft: 'draft', hidden: 'hidden' } as const;
const SHOWN_ROLES = ['due', 'posts', 'starts', 'opens'] as const;

function firstDate({ moments = [] }: SnapshotItem): string {
  const [moment] = SHOWN_ROLES.flatMap((role) => moments.find((each) => each.role === role) ?? []);
  if (moment === undefined) return '';
  return `${moment.role === 'starts' ? '' : ROLE_WORDS[moment.role]} ${momentWords(moment.at)}`.trim();
}

/** The outline of a course, in teaching order. */
export function courseRows(items: readonly SnapshotItem[], marks: readonly Mark[] = []): CourseRow[] {
  const markOf = new Map(marks.map(({ item, mark }) => [item, mark === undefined ? 'a note' : MARK_WORDS[mark]]));
  return outlineOf(items).map((row: OutlineRow<SnapshotItem>): CourseRow =>
    row.row === 'area'
      ? { key: undefined, title: row.area, depth: 0, isUnit: false, state: '', mark: '', kind: '', date: '' }
      : {
          key: row.item.id,
          title: row.item.title,
          depth: row.depth,
          isUnit: row.item.kind === 'unit',
          state: STATE_WORDS[row.item.state ?? 'open'],
          mark: markOf.get(row.item.id) ?? '',
          kind: KIND_WORDS[row.item.kind].one,
          date: firstDate(row.item),
        },
  );
}

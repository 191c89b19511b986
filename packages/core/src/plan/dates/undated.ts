import { isWork } from '../../names/kinds.js';
import type { Decisions } from '../../schemas/choices.js';
import type { SnapshotItem } from '../../course/snapshot.js';
import type { Moment } from '../../schemas/course.js';
import { isWritten } from '../shapes/line.js';
import type { PlanInput, Preview, PreviewDate } from '../shapes/preview.js';

/** The name under which a date is set by hand for work that had none: the id of no moment, since there is none. */
export const dueNameOf = (item: string): string => `due of ${item}`;

/** Work that has no date at all in the source. */
export const isUndated = ({ kind, moments = [] }: Pick<SnapshotItem, 'kind' | 'moments'>): boolean =>
  isWork(kind) && moments.length === 0;

/** The due date that a person gave to work that had none. */
export function givenDue(item: SnapshotItem, to: string, byHand: Decisions['byHand']): Moment[] {
  const at = isUndated(item) ? byHand[dueNameOf(item.id)] : undefined;
  return at === undefined ? [] : [{ id: `${to}:due`, role: 'due', at }];
}

/**
 * Work that comes and had no date: a row for each beside the dates that move, `from` empty, `to` what a person gave it.
 *
 * @see docs/rules.md, "Work without a date"
 */
export function undatedWork(
  { source, decisions: { byHand } }: Pick<PlanInput, 'source' | 'decisions'>,
  { lines }: Pick<Preview, 'lines'>,
): PreviewDate[] {
  const items = new Map(source.items.map((item) => [item.id, item]));
  return lines.flatMap((line): PreviewDate[] => {
    const item = line.item === null || line.place === true || !isWritten(line) ? undefined : items.get(line.item);
    if (item === undefined || !isUndated(item)) return [];
    const { id, kind, title, points = 0 } = item;
    const to = byHand[dueNameOf(id)] ?? null;
    const graded = points > 0;
    const rule = to === null ? 'keep' : 'byHand';
    return [
      { id: dueNameOf(id), item: id, kind, title, role: 'due', from: '', to, rule, steps: [], flags: [], graded },
    ];
  });
}

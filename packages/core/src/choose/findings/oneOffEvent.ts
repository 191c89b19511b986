import { parseDay, parseMinute } from '../../calendar/day.js';
import { meetingsOn } from '../../calendar/meetingIndex.js';
import { momentWords } from '../../calendar/dateWords.js';
import { normalisedTitle } from '../../course/title.js';
import type { SnapshotItem } from '../../course/snapshot.js';
import type { FindingContext, FindingRule } from '../finding.js';

const RECURS_FROM_WEEKS = 3;
const TIME_AT = 'YYYY-MM-DDT'.length;

/** When an event is: its first start, and its end or the start again. */
const spanOf = (item: SnapshotItem): { readonly from: string; readonly to: string } | undefined => {
  const at = (role: string): string | undefined => item.moments?.find((moment) => moment.role === role)?.at;
  const from = at('starts') ?? item.moments?.[0]?.at;
  return from === undefined ? undefined : { from, to: at('ends') ?? from };
};

/**
 * An event that lies within no class meeting, at which nothing is due, and that does not recur in three weeks or more.
 * One that only names a closed day always is one.
 */
export const oneOffEvent: FindingRule = (context) => {
  const { source, calendar } = context;
  const events = source.items.filter(({ kind }) => kind === 'event');
  const dues = source.items.flatMap(({ moments = [] }) =>
    moments.filter(({ role }) => role === 'due').map(({ at }) => at),
  );
  const weeks = new Map<string, Set<number>>();
  for (const event of events) {
    const title = normalisedTitle(event.title);
    const known = weeks.get(title) ?? new Set<number>();
    for (const { at } of event.moments ?? []) known.add(calendar.weekStart(parseDay(at)));
    weeks.set(title, known);
  }
  return events.flatMap((item) => {
    const span = spanOf(item);
    if (span === undefined) return [];
    const closed = calendar.closureAt(parseDay(span.from));
    const namesClosedDay =
      closed?.label !== undefined &&
      calendar.isClosed(parseDay(span.from)) &&
      normalisedTitle(item.title).includes(normalisedTitle(closed.label));
    const excused =
      withinClass(context, span.from, span.to) ||
      dues.some((due) => due >= span.from && due <= span.to) ||
      weeks.get(normalisedTitle(item.title))!.size >= RECURS_FROM_WEEKS;
    if (excused && !namesClosedDay) return [];
    const evidence = namesClosedDay
      ? `names ${closed.label}, a closed day`
      : `once, ${momentWords(span.from)}, outside class, nothing due then`;
    return [{ item: item.id, finding: 'oneOffEvent', evidence, default: 'leave' }];
  });
};

function withinClass({ meetings }: FindingContext, from: string, to: string): boolean {
  const day = parseDay(from);
  if (parseDay(to) !== day) return false;
  return meetingsOn(meetings.all, day).some(
    ({ start, end }) => parseMinute(from, TIME_AT) >= start && parseMinute(to, TIME_AT) <= end,
  );
}

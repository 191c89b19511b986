import { parseDay, parseMinute } from '../../calendar/day.js';
import { meetingsOn } from '../../calendar/meetingIndex.js';
import { momentWords } from '../../calendar/dateWords.js';
import { normalisedTitle } from '../../course/title.js';
import type { SnapshotItem } from '../../course/snapshot.js';
import type { SourceContext, SourceRule } from './finding.js';

const RECURS_FROM_WEEKS = 3;
const TIME_AT = 'YYYY-MM-DDT'.length;
/** Words that may stand beside the name of a closed day without saying more than that it is one. */
const SAYS_NO_MORE = new Set(
  'no class classes lecture lectures lab labs meeting meetings school college university campus offices closed closure holiday holidays day days off observed begins ends begin end starts start of the for on due to and we are is there will be recess week break weekend free enjoy reading'.split(
    ' ',
  ),
);

interface Span {
  readonly from: string;
  readonly to: string;
}

/** When an event is, once for each of its starts: to the end that belongs to it, or the start again. */
function spansOf({ moments = [] }: SnapshotItem): Span[] {
  const starts = moments.filter(({ role }) => role === 'starts');
  const begins = starts.length > 0 ? starts : moments.slice(0, 1);
  return begins.map(({ at, for: people }) => {
    const ends = moments.filter((moment) => moment.role === 'ends' && moment.for === people && moment.at >= at);
    const to = ends.reduce<string | undefined>(
      (first, { at: end }) => (first === undefined || end < first ? end : first),
      undefined,
    );
    return { from: at, to: to ?? at };
  });
}

/**
 * An event on no exam day that lies within no class meeting, at which nothing is due, and that does not recur in three
 * weeks or more. One that only names a closed day always is one.
 *
 * @see docs/rules.md, "Findings"
 */
export const oneOffEvent: SourceRule = (context) => {
  const { source, calendar } = context;
  const events = source.items.filter(({ kind }) => kind === 'event');
  const dues = source.items.flatMap(({ moments = [] }) =>
    moments.filter(({ role }) => role === 'due').map(({ at }) => at),
  );
  const weeks = new Map<string, Set<number>>();
  for (const event of events) {
    const title = normalisedTitle(event.title);
    const known = weeks.get(title) ?? new Set<number>();
    for (const { from } of spansOf(event)) known.add(calendar.weekStart(parseDay(from)));
    weeks.set(title, known);
  }
  return events.flatMap((item) => {
    const spans = spansOf(item);
    const closed = closedDayNamed(context, item.title, spans);
    const excused =
      spans.some(({ from }) => calendar.isExam(parseDay(from))) ||
      (spans.length > 0 && spans.every((span) => isWithinClass(context, span))) ||
      spans.some(({ from, to }) => dues.some((due) => due >= from && due <= to)) ||
      weeks.get(normalisedTitle(item.title))!.size >= RECURS_FROM_WEEKS;
    if (excused && closed === undefined) return [];
    const when = spans.length > 0 ? `once, ${momentWords(spans[0]!.from)}` : 'once, without a date';
    const evidence =
      closed === undefined ? `${when}, outside class, nothing due then` : `names ${closed}, a closed day`;
    return [{ item: item.id, finding: 'oneOffEvent', evidence, default: 'leave' }];
  });
};

const wordsIn = (text: string): string[] => text.toLowerCase().match(/[\p{L}\p{N}]+/gu) ?? [];

/** The closed day that a title names, when it says nothing else. */
function closedDayNamed({ calendar }: SourceContext, title: string, spans: readonly Span[]): string | undefined {
  const said = wordsIn(title);
  for (const { label, kind } of calendar.calendar.closures ?? []) {
    if (kind === 'exams' || label === undefined || label === '') continue;
    const name = new Set(wordsIn(label));
    const names = [...name].filter((word) => !SAYS_NO_MORE.has(word));
    const isNamed = (names.length > 0 ? names : [...name]).every((word) => said.includes(word));
    if (isNamed && said.every((word) => name.has(word) || SAYS_NO_MORE.has(word))) return label;
  }
  const [first] = spans;
  if (first === undefined || !calendar.isClosed(parseDay(first.from))) return undefined;
  return said.length > 0 && said.every((word) => SAYS_NO_MORE.has(word)) ? momentWords(first.from) : undefined;
}

function isWithinClass({ meetings }: SourceContext, { from, to }: Span): boolean {
  const day = parseDay(from);
  if (parseDay(to) !== day) return false;
  return meetingsOn(meetings.all, day).some(
    ({ start, end }) => parseMinute(from, TIME_AT) >= start && parseMinute(to, TIME_AT) <= end,
  );
}

import { parseMinute, type Weekday } from '../calendar/day.js';
import { classDayMap, classDaysIn, seriesPattern } from '../retime/classDayMap.js';
import type { Meeting } from '../schemas/calendar.js';
import type { WeekdayMap } from '../schemas/retimeJob.js';
import type { FoundPattern } from '../words/found/found.js';
import type { Writer } from '../words/found/language.js';
import type { Edit, Rewording } from './proposal.js';

interface PatternGround {
  readonly text: string;
  readonly writer: Writer;
  readonly before: readonly Meeting[];
  readonly after: readonly Meeting[];
  readonly weekStartsOn: Weekday;
  /** What the policy names for a weekday. */
  readonly weekdays: WeekdayMap;
}

/** The meetings of a series, and those of the new term that answer. */
type Series = Pick<ReturnType<typeof seriesPattern>, 'before' | 'after'>;

/** The series that words mean: of those that meet on their days and at their hour the one that their text names, else the first. */
function seriesMeant({ weekdays, hours }: FoundPattern, { text, before, after }: PatternGround): Series {
  const isAt = ({ weekday, start }: Meeting): boolean =>
    (weekdays.length === 0 || weekdays.some(({ value }) => value === weekday)) &&
    (hours === undefined || parseMinute(start) % 720 === hours.from.value % 720);
  const names = [...new Set(before.filter(isAt).map(({ series }) => series))];
  const named = names.find((name) => name !== undefined && text.toLowerCase().includes(name.toLowerCase()));
  return seriesPattern(names.length > 1 && names.includes(undefined) ? (named ?? undefined) : names[0], before, after);
}

/** Class days and class hours in words, with those of the new pattern; `undefined` when nothing answers to them. */
export function rewordPattern(found: FoundPattern, ground: PatternGround): Rewording {
  const { text, writer, weekStartsOn } = ground;
  const series = seriesMeant(found, ground);
  if (series.after.length === 0) return { edits: null };
  const old = classDaysIn(series.before, weekStartsOn);
  const now = classDaysIn(series.after, weekStartsOn);
  const map = classDayMap(old, now);
  const goesTo = (weekday: Weekday): Weekday => {
    const named = ground.weekdays[weekday];
    return named !== undefined && now.includes(named) ? named : (map.get(weekday) ?? weekday);
  };
  const written = found.weekdays.map(({ value }) => value);
  const isWhole = old.length > 1 && old.every((weekday) => written.includes(weekday));
  const wanted = isWhole ? now : [...new Set(written.map(goesTo))];
  const edits = found.weekdays.length === 0 ? [] : editsOfDays(found, wanted, text, writer);
  if (found.hours === undefined) return { edits };
  const hours = editsOfHours(found, series, wanted, text, writer);
  return hours === undefined ? { edits: null } : { edits: [...edits, ...hours] };
}

/** As many weekdays in the places of the old ones; of another number the whole list anew. */
function editsOfDays({ weekdays }: FoundPattern, wanted: readonly Weekday[], text: string, writer: Writer): Edit[] {
  const list = { start: weekdays[0]!.start, end: weekdays.at(-1)!.end };
  const like = text.slice(list.start, list.end);
  const first = text.slice(weekdays[0]!.start, weekdays[0]!.end);
  const isByLetters = weekdays.every(({ start, end }) => end - start < 3);
  if (wanted.length !== weekdays.length || isByLetters)
    return [{ ...list, text: writer.weekdays(wanted, like, first) }];
  return weekdays.map(({ start, end }, at) => ({
    start,
    end,
    text: writer.weekday(wanted[at]!, text.slice(start, end)),
  }));
}

/** The hours of the new class on the days that stand there; `undefined` where they are not the same on all of them. */
function editsOfHours(
  { hours }: FoundPattern,
  { before, after }: Series,
  wanted: readonly Weekday[],
  text: string,
  writer: Writer,
): Edit[] | undefined {
  const { from, to } = hours!;
  const isMeant = ({ start }: Meeting): boolean => parseMinute(start) % 720 === from.value % 720;
  const [old] = before.filter(isMeant);
  const there = after.filter(({ weekday }) => wanted.length === 0 || wanted.includes(weekday));
  const [now] = there;
  if (old === undefined || now === undefined) return undefined;
  const isSame = there.every(({ start, end }) => start === now.start && (to === undefined || end === now.end));
  if (!isSame) return undefined;
  const hour = (part: { readonly start: number; readonly end: number }, readAs: string, at: string) => ({
    minute: parseMinute(at),
    like: text.slice(part.start, part.end),
    readAs: parseMinute(readAs),
  });
  const first = hour(from, old.start, now.start);
  if (to === undefined)
    return [{ start: from.start, end: from.end, text: writer.hour(first.minute, first.like, first.readAs) }];
  const [one, other] = writer.hours(first, hour(to, old.end, now.end));
  return [
    { start: from.start, end: from.end, text: one },
    { start: to.start, end: to.end, text: other },
  ];
}

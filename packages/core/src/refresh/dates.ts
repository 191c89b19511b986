import { civilDate, weekdayOf, type Day } from '../calendar/day.js';
import type { FoundDay, FoundRange, WrittenHours } from '../words/found/found.js';
import type { Language } from '../words/found/language.js';
import type { ClosureDays } from './closureDays.js';
import type { MovedDay } from './movedDays.js';
import type { Span } from '../words/text/seenText.js';
import type { Edit, Rewording, StaleProblem } from './proposal.js';

/** What dates are reworded by. */
export interface DateGround {
  readonly text: string;
  readonly language: Language;
  readonly closures: ClosureDays;
  readonly moved: ReadonlyMap<FoundDay, MovedDay>;
  /** Whether the text writes its months short, for “May”. */
  readonly isShort: boolean;
  /** The day whose words hold the month that another of its list shares. */
  readonly ownerOf: (day: FoundDay) => FoundDay | undefined;
}

const NOTHING = (problem?: StaleProblem): Rewording => ({ edits: null, ...(problem === undefined ? {} : { problem }) });

/** The day that stands in the place of a date, or why none does. */
function dayInstead(
  found: FoundDay,
  ground: DateGround,
): { readonly day: Day; readonly isClosure: boolean } | StaleProblem | 'stays' {
  if (found.doubt !== undefined) return found.doubt;
  const moved = ground.moved.get(found)!;
  const closure = moved.isMeant ? undefined : ground.closures.ofDay(found.days[0]!);
  if (closure === 'none') return 'closure';
  if (closure !== undefined) return { day: closure, isClosure: true };
  if (ground.language.isBesideOutsideEvent(ground.text, found)) return 'fixed';
  if (moved.isKept) return 'stays';
  return moved.day === null ? 'cleared' : { day: moved.day, isClosure: false };
}

/** A date of the old term, with what stands there instead; `undefined` when it stays. */
export function rewordDate(found: FoundDay, ground: DateGround): Rewording | undefined {
  const instead = dayInstead(found, ground);
  if (instead === 'stays') return undefined;
  if (typeof instead === 'string') return NOTHING(instead);
  const edits = editsOfDay(found, instead.day, monthBeside(found, ground), ground);
  if (instead.isClosure) return { edits };
  const moved = ground.moved.get(found)!;
  const problem = moved.doubt === undefined ? {} : { problem: moved.doubt };
  return { edits: [...edits, ...editsOfHours(found.hours, moved, ground)], ...problem };
}

/** The month that will stand with the day whose words hold it for both. */
function monthBeside(found: FoundDay, ground: DateGround): number {
  const owner = ground.ownerOf(found);
  const instead = owner === undefined ? 'stays' : dayInstead(owner, ground);
  return typeof instead === 'string' ? found.written.month.value : civilDate(instead.day).month;
}

/** A range of days, both ends as one. */
export function rewordRange(found: FoundRange, ground: DateGround): Rewording | undefined {
  const { from, to } = found;
  const doubt = from.doubt ?? to.doubt;
  if (doubt !== undefined) return NOTHING(doubt);
  const days = { from: from.days[0]!, to: to.days[0]! };
  const closure = ground.closures.ofRange(days);
  if (closure === 'none') return NOTHING('closure');
  if (closure !== undefined) return { edits: editsOfRange(found, closure, ground) };
  if (ground.language.isBesideOutsideEvent(ground.text, found)) return NOTHING('fixed');
  const [first, last] = [ground.moved.get(from)!, ground.moved.get(to)!];
  if (first.isKept && last.isKept) return undefined;
  if (first.day === null || last.day === null) return NOTHING('cleared');
  const problem = first.doubt ?? last.doubt;
  const edits = [
    ...editsOfRange(found, { from: first.day, to: Math.max(first.day, last.day) }, ground),
    ...editsOfHours(from.hours, first, ground),
    ...editsOfHours(to.hours, last, ground),
  ];
  return { edits, ...(problem === undefined ? {} : { problem }) };
}

function editsOfRange(
  { from, to }: FoundRange,
  days: { readonly from: Day; readonly to: Day },
  ground: DateGround,
): Edit[] {
  const [first, last] = [civilDate(days.from).month, civilDate(days.to).month];
  // A month that both share stands with one of them: the other writes its own where it has another now.
  const own = [...editsOfDay(from, days.from, last, ground), ...editsOfDay(to, days.to, first, ground)];
  const places = new Set<number>();
  return own.filter(({ start }) => !places.has(start) && places.add(start));
}

/**
 * What changes in a day's words.
 *
 * @param beside  the month that will stand with the other day, where both share one
 */
function editsOfDay(found: FoundDay, day: Day, beside: number, { text, language, isShort }: DateGround): Edit[] {
  const { weekday, month, date, ordinal, year } = found.written;
  const { writer } = language;
  const to = civilDate(day);
  const at = ({ start, end }: Span): string => text.slice(start, end);
  const isOwn = month.start >= found.start && month.end <= found.end;
  const isInFigures = found.style !== 'words';
  const monthWords = (): string =>
    isInFigures ? writer.number(to.month, at(month), isPadded(found, at)) : writer.month(to.month, at(month), isShort);
  const edits: Edit[] = [];
  if (weekday !== undefined) edits.push({ ...weekday, text: writer.weekday(weekdayOf(day), at(weekday)) });
  let written = isInFigures ? writer.number(to.date, at(date), isPadded(found, at)) : writer.number(to.date, at(date));
  let ending = ordinal === undefined ? '' : writer.ordinal(to.date, at(ordinal));
  if (isOwn) edits.push({ ...month, text: monthWords() });
  else if (beside !== to.month) {
    const sign = found.style === 'numbers' ? '/' : ' ';
    if (month.start < date.start) written = `${monthWords()}${sign}${written}`;
    else if (ordinal === undefined) written = `${written} ${monthWords()}`;
    else ending = `${ending} ${monthWords()}`;
  }
  edits.push({ ...date, text: written });
  if (ordinal !== undefined) edits.push({ ...ordinal, text: ending });
  if (year !== undefined && year.start >= found.start && year.end <= found.end)
    edits.push({ ...year, text: writer.year(to.year, at(year)) });
  return edits;
}

/** Whether a date in figures writes “03”: by itself, or because its other number does. */
const isPadded = ({ style, written: { month, date } }: FoundDay, at: (part: Span) => string): boolean =>
  style === 'iso' || at(month).startsWith('0') || at(date).startsWith('0');

function editsOfHours(written: WrittenHours | undefined, { hours }: MovedDay, { text, language }: DateGround): Edit[] {
  if (written === undefined || hours === undefined) return [];
  const [from, to] = hours;
  const { writer } = language;
  const like = ({ start, end }: Span): string => text.slice(start, end);
  if (written.to === undefined || to === undefined)
    return [{ ...written.from, text: writer.hour(from.minute, like(written.from), from.readAs) }];
  if (from.minute === from.readAs && to.minute === to.readAs) return [];
  const [first, last] = writer.hours({ ...from, like: like(written.from) }, { ...to, like: like(written.to) });
  return [
    { ...written.from, text: first },
    { ...written.to, text: last },
  ];
}

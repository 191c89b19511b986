import type { Problem } from '../problem.js';
import type { Calendar, CalendarAdditions } from '../schemas/calendar.js';

/** Closures or marking periods as far as they lie from `first` to `last`, both included. */
function within<Span extends { readonly from: string; readonly to: string }>(
  spans: readonly Span[],
  first: string,
  last: string,
): Span[] {
  return spans
    .filter(({ from, to }) => from <= last && to >= first)
    .map((span) => ({ ...span, from: span.from < first ? first : span.from, to: span.to > last ? last : span.to }));
}

/** The swaps of both, those of `own` where both name a day. */
function swapsOf(inherited: Calendar['swaps'] = [], own: Calendar['swaps'] = []): NonNullable<Calendar['swaps']> {
  const dates = new Set(own.map(({ date }) => date));
  return [...inherited.filter(({ date }) => !dates.has(date)), ...own].sort((a, b) => (a.date < b.date ? -1 : 1));
}

/**
 * The calendar of a part of a term (“first eight weeks”): its own first and last day, with the closures and swaps of
 * its term that fall into them, and its own beside them. Marking periods are its own, or its term's.
 *
 * @param own  what is set for the part alone
 * @see docs/rules.md, "Calendars that inherit"
 */
export function partCalendar(term: Calendar, own: Calendar): Calendar {
  const { firstDay, lastDay } = own;
  const periods = own.periods?.length ? own.periods : within(term.periods ?? [], firstDay, lastDay);
  const inside = (term.swaps ?? []).filter(({ date }) => firstDay <= date && date <= lastDay);
  return {
    ...term,
    ...(own.name === undefined ? {} : { name: own.name }),
    firstDay,
    lastDay,
    closures: [...within(term.closures ?? [], firstDay, lastDay), ...(own.closures ?? [])],
    swaps: swapsOf(inside, own.swaps),
    periods,
  };
}

/** The calendar of a term or a part of it, with what one course adds to it. */
export function withAdditions(calendar: Calendar, additions: CalendarAdditions | null): Calendar {
  if (additions === null) return calendar;
  return {
    ...calendar,
    closures: [...(calendar.closures ?? []), ...additions.closures],
    swaps: swapsOf(calendar.swaps, additions.swaps),
  };
}

/** A part that reaches outside its term. */
export function checkPart(term: Calendar, own: Calendar): Problem[] {
  if (own.firstDay >= term.firstDay && own.lastDay <= term.lastDay) return [];
  const where = own.firstDay < term.firstDay ? '/firstDay' : '/lastDay';
  return [
    {
      code: 'partOutsideTerm',
      message: `A part of a term lies inside it: ${term.name ?? 'the term'} runs from ${term.firstDay} to ${term.lastDay}.`,
      where,
    },
  ];
}

import type { Calendar, Closure, Meeting } from '../schemas/calendar.js';
import type { NarrowPolicy } from '../schemas/retimeJob.js';
import type { Retimed } from './retime.js';

/** A moment as the causes see it: where it goes, and what it is on. */
export interface DoubtfulMoment extends Retimed {
  readonly kind: string;
  readonly title: string;
}

/** Something that would settle every doubt of a cause at once. */
export type Settlement =
  | { readonly settle: 'byHand'; readonly words: string; readonly dates: Readonly<Record<string, string>> }
  | { readonly settle: 'weekdays'; readonly words: string; readonly weekdays: NonNullable<NarrowPolicy['weekdays']> };

/** The terms between which doubtful moments move. */
export interface CauseTerms {
  readonly old: Calendar;
  readonly new: Calendar;
  /** Class meetings of the new term. */
  readonly meetings: readonly Meeting[];
  readonly weekdays: NonNullable<NarrowPolicy['weekdays']>;
}

/** The closure of one of these kinds that a day lies in. */
export function covering(calendar: Calendar, day: string, kinds: readonly Closure['kind'][]): Closure | undefined {
  return (calendar.closures ?? []).find(({ from, to, kind }) => from <= day && day <= to && kinds.includes(kind));
}

/** The closed day that a moment came to, before it landed; empty when it came to none. */
export const closureHit = ({ steps, to }: Retimed, { new: calendar }: CauseTerms): string => {
  const landing = steps.find((step) => step.step === 'landing');
  return landing !== undefined
    ? landing.from
    : (covering(calendar, to?.slice(0, 10) ?? '', ['holiday', 'break', 'reading'])?.from ?? '');
};

/** One was before the other in the old term and is after it in the new. ISO moments sort as text. */
export function isReversed(one: DoubtfulMoment, other: DoubtfulMoment): boolean {
  if (one.role !== other.role || one.to === null || other.to === null) return false;
  return (one.from < other.from && one.to > other.to) || (one.from > other.from && one.to < other.to);
}

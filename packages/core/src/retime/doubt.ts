import type { Calendar, Closure, Meeting } from '../schemas/calendar.js';
import type { WeekdayMap } from '../schemas/retimeJob.js';
import type { Retimed } from './retime.js';

/** A section in which alone a date of everybody is in doubt, and the id by which the date is set for that section. */
export interface DoubtOf {
  readonly section: string;
  readonly id: string;
}

/** A moment as the causes see it: where it goes, and what it is on. */
export interface DoubtfulMoment extends Retimed {
  readonly kind: string;
  readonly title: string;
  /** The section or group that it is for. */
  readonly for?: string;
  /** In a shell that several sections share: the one that has its doubts about a date of everybody. */
  readonly doubtOf?: DoubtOf;
}

/** Something that would settle every doubt of a cause at once. */
export type Settlement =
  | { readonly settle: 'byHand'; readonly words: string; readonly dates: Readonly<Record<string, string>> }
  | {
      readonly settle: 'weekdays';
      readonly words: string;
      readonly weekdays: WeekdayMap;
      /** The section whose class-day map it is, in a shell that several share. */
      readonly section?: string;
    };

/** The terms between which doubtful moments move. */
export interface CauseTerms {
  readonly old: Calendar;
  readonly new: Calendar;
  /** Class meetings of the new term that count. */
  readonly meetings: readonly Meeting[];
  /** The class-day map; absent for what is for everybody in a shell where each section has its own. */
  readonly weekdays?: WeekdayMap;
  /** In a shell that several sections share: the one whose dates these are. */
  readonly section?: string;
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

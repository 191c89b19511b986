import type { Minute, Weekday } from '../calendar/day.js';
import type { Landing, Role } from '../schemas/retimeJob.js';

/** The rule that gave a date: one of the policy's, or a date set by hand. */
export type RuleUsed = 'week' | 'meeting' | 'nearest' | 'offset' | 'stretch' | 'clear' | 'keep' | 'byHand';

/** One link in the chain that led from an old date to its new one; a sentence is made from them. Dates are YYYY-MM-DD. */
export type Step =
  /** It was at the start or end of a class, or during one, whose hour it follows unless the policy keeps hours. */
  | { readonly step: 'tied'; readonly at: 'start' | 'end' | 'during'; readonly series?: string }
  | { readonly step: 'teachingWeek'; readonly old: number; readonly new: number; readonly missing?: true }
  | { readonly step: 'ahead'; readonly old: number; readonly new: number; readonly missing?: true }
  | { readonly step: 'weeksOn'; readonly weeks: number; readonly missing?: true }
  | { readonly step: 'weekday'; readonly from: Weekday; readonly to: Weekday }
  | { readonly step: 'sameWeekday'; readonly weekday: Weekday }
  | { readonly step: 'otherWeekday'; readonly wanted: Weekday }
  | { readonly step: 'beforeWeekOne'; readonly weeks: number }
  | { readonly step: 'afterLastWeek'; readonly weeks: number }
  | { readonly step: 'fromFirstDay'; readonly days: number }
  | { readonly step: 'fromLastDay'; readonly days: number }
  | { readonly step: 'examDay'; readonly how: 'sameDay' | 'share'; readonly index: number; readonly of: number }
  | { readonly step: 'examWeek'; readonly week: number }
  | {
      readonly step: 'break';
      readonly label?: string;
      readonly weeks: number;
      readonly before: number | 'exams' | 'end';
    }
  | { readonly step: 'afterTeaching'; readonly weeks: number }
  | {
      readonly step: 'meeting';
      readonly number: number;
      readonly of: number;
      readonly days: number;
      readonly missing?: true;
    }
  | { readonly step: 'meetingShare'; readonly number: number; readonly of: number }
  | { readonly step: 'nearest'; readonly days: number }
  | { readonly step: 'share'; readonly index: number; readonly of: number }
  | {
      readonly step: 'landing';
      readonly from: string;
      readonly to: string;
      readonly how: Landing;
      /** What it landed on. */
      readonly day: 'class' | 'teaching';
      readonly closure?: string;
      /** It came to a day without its class, not to a closed one. */
      readonly noClass?: true;
    }
  | { readonly step: 'hour'; readonly from: Minute; readonly to: Minute }
  | { readonly step: 'withLeader'; readonly role: Role; readonly days: number }
  | { readonly step: 'withStart' }
  | { readonly step: 'olderTerm'; readonly term: string }
  | { readonly step: 'skippedHour'; readonly from: Minute }
  | { readonly step: 'clear' }
  | { readonly step: 'keep' }
  | { readonly step: 'byHand' };

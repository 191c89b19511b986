import type { Role } from '../schemas/retimeJob.js';
import { isDoubtful } from '../names/flags.js';
import { inSection } from './dates/dates.js';
import type { PreviewDate } from './shapes/preview.js';
import { datesBySection } from './dates/sharedShell.js';

/** A date that another calendar takes elsewhere. */
export interface ChangedDate {
  readonly id: string;
  readonly title: string;
  readonly role: Role;
  readonly was: string | null;
  readonly is: string | null;
}

/** What another calendar does to a plan. */
export interface CalendarChange {
  /** What the calendars say otherwise, each in a sentence. */
  readonly what: readonly string[];
  readonly dates: readonly ChangedDate[];
  readonly doubtsBefore: number;
  readonly doubtsAfter: number;
}

/** Compares the dates of a plan before and after its calendars changed. What comes is the same on both sides. */
export function calendarChange(
  what: readonly string[],
  before: readonly PreviewDate[],
  after: readonly PreviewDate[],
): CalendarChange {
  const beforeOf = datesBySection(before.map(inSection));
  const doubtsOf = (dates: readonly PreviewDate[]): number => dates.filter(({ flags }) => isDoubtful(flags)).length;
  return {
    what,
    dates: after.flatMap((date): ChangedDate[] => {
      const { id, title, role, to } = date;
      const other = beforeOf(inSection(date)).find((each) => each.to !== to);
      return other === undefined ? [] : [{ id, title, role, was: other.to, is: to }];
    }),
    doubtsBefore: doubtsOf(before),
    doubtsAfter: doubtsOf(after),
  };
}

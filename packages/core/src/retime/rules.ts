import type { Day } from '../calendar/day.js';
import type { RuleName } from '../schemas/retimeJob.js';
import type { Counting, Tie } from './classes.js';
import { classWeekday, ownWeekday, restWeekday } from './mapped.js';
import { byClassShare, byMeeting, byNumber, type Answer } from './meetingRule.js';
import { byNearest, byNearestClass, byOffset } from './nearestRule.js';
import type { ResolvedPolicy } from './policy.js';
import { byStretch } from './stretchRule.js';
import type { Placed, Terms } from './terms.js';
import { byWeek } from './weekRule.js';

/** Rules that move a date. */
export type MovingRule = Exclude<RuleName, 'clear' | 'keep'>;

/** A class of the new term that a moment goes to, or a day on which to find one. */
type TiedTo = Answer | Placed;

/** What a rule does with what is tied to a class, and with the rest. */
interface Rule {
  tied(terms: Terms, tie: Tie, policy: ResolvedPolicy): TiedTo;
  rest(terms: Terms, rest: Rest): Placed;
}

/** A day that is tied to no class, with what the rules ask about it. */
export interface Rest {
  readonly day: Day;
  readonly policy: ResolvedPolicy;
  /** Opens or is posted ahead of the teaching week after it. */
  readonly isAhead: boolean;
  /** The meetings that count under `meeting`. */
  readonly counting: Counting;
  /** It names an alternate series, whose meetings are counted instead of weeks. */
  readonly isOfAlternate: boolean;
}

const tiedByWeek = (terms: Terms, tie: Tie, policy: ResolvedPolicy): TiedTo =>
  tie.series.isAlternate
    ? byNumber(tie.series.after, tie.index)
    : byWeek(terms, tie.meeting.day, { weekday: classWeekday(terms, tie, policy), isTied: true, isAhead: false });

const restByWeek = (terms: Terms, { day, policy, isAhead }: Rest): Placed =>
  byWeek(terms, day, { weekday: restWeekday(terms, day, policy), isTied: false, isAhead });

const restByMeeting = (terms: Terms, { day, policy, counting }: Rest): Placed | undefined =>
  byMeeting(terms, day, counting, restWeekday(terms, day, policy));

/** Every rule that moves a date, with a file of its own. */
export const RULES: Readonly<Record<MovingRule, Rule>> = {
  week: {
    tied: tiedByWeek,
    rest: (terms, rest) => (rest.isOfAlternate ? restByMeeting(terms, rest) : undefined) ?? restByWeek(terms, rest),
  },
  meeting: {
    tied: (_terms, { series, index }) => byNumber(series.after, index),
    rest: (terms, rest) => restByMeeting(terms, rest) ?? restByWeek(terms, rest),
  },
  nearest: {
    tied: byNearestClass,
    rest: (terms, { day, policy }) =>
      byNearest(
        terms,
        day,
        terms.old.isExam(day) || terms.old.isClosed(day) ? ownWeekday(terms, day) : restWeekday(terms, day, policy),
      ),
  },
  offset: { tied: byNearestClass, rest: (terms, { day }) => byOffset(terms, day) },
  stretch: {
    tied: (_terms, tie) => byClassShare(tie),
    rest: (terms, rest) => byStretch(terms, rest.day) ?? restByWeek(terms, rest),
  },
};

import type { Day } from '../calendar/day.js';
import { followsAnother, offeredDay, type Doubt } from './doubt.js';
import type { Step } from './steps.js';
import { weekdayOfWeek } from './terms.js';

const NOT_MOVED: readonly string[] = ['byHand', 'clear', 'keep'];

/** How a date goes by an old teaching week: its number, and how many calendar weeks before it. */
interface ByWeek {
  readonly number: number;
  readonly before: number;
}

/**
 * A term with fewer weeks begun earlier: all that goes by the old teaching weeks, from the number of the new last one on,
 * as many weeks earlier as the new term has fewer; doubts or not. Nothing, unless one of the doubts stood in a teaching week
 * and none would come before week 1.
 *
 * @see docs/rules.md, "Doubts and their causes"
 */
export function weeksEarlier(doubts: readonly Doubt[]): readonly { readonly doubt: Doubt; readonly day: Day }[] {
  const [first] = doubts;
  if (first === undefined) return [];
  const { terms } = first.ground;
  const last = terms.new.teachingWeeks.length;
  const fewer = terms.old.teachingWeeks.length - last;
  if (fewer <= 0 || last - fewer < 1) return [];
  if (!doubts.some(({ oldDay }) => terms.old.weekKind(oldDay).is === 'teaching')) return [];
  return [...new Set(doubts.map(({ ground }) => ground))].flatMap((ground) =>
    ground.among().flatMap((doubt) => {
      const { moment } = doubt;
      if (NOT_MOVED.includes(moment.rule) || followsAnother(moment)) return [];
      const by = goesBy(moment.steps);
      if (by === undefined || by.number < last) return [];
      return [{ doubt, day: inWeek(doubt, by, by.number - fewer) }];
    }),
  );
}

/** By the links of its chain: a teaching week, ahead of one, or in a break before one. */
function goesBy(steps: readonly Step[]): ByWeek | undefined {
  let by: ByWeek | undefined;
  for (const step of steps) {
    if (step.step === 'teachingWeek') by = { number: step.old, before: by?.before ?? 0 };
    else if (step.step === 'ahead') by = { number: step.old, before: 1 };
    else if (step.step === 'break' && typeof step.before === 'number') by = { number: step.before, before: step.weeks };
  }
  return by;
}

function inWeek(doubt: Doubt, { before }: ByWeek, number: number): Day {
  const { moment, oldDay, ground } = doubt;
  const { terms } = ground;
  const mapped = moment.steps.find((step) => step.step === 'weekday');
  const weekday = mapped?.step === 'weekday' ? mapped.to : terms.old.runsAs(oldDay);
  const week = terms.new.teachingWeeks[number - 1]! - before * 7;
  const { day } = weekdayOfWeek(terms.new, week, weekday, terms.old.isInside(oldDay));
  return offeredDay(doubt, day);
}

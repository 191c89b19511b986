import { parseDay, parseMinute } from '../../src/calendar/day.js';
import type { Calendar } from '../../src/schemas/calendar.js';
import type { RetimeJob } from '../../src/schemas/retimeJob.js';
import type { PlainCalendar } from './plainCalendar.js';
import type { Plain } from './plainReading.js';

const old = (each: Plain): number => each.oldDay * 1440 + each.oldMinute;
const now = (each: Plain): number => each.day * 1440 + each.minute;

const periodOf = ({ periods = [] }: Calendar, day: number): string | undefined =>
  periods.find(({ from, to }) => parseDay(from) <= day && day <= parseDay(to))?.name;

/** The flags of docs/rules.md, each by its own sentence, every pair compared with every other. */
export function plainFlags(job: RetimeJob, from: PlainCalendar, to: PlainCalendar, all: readonly Plain[]): void {
  const isOther = ({ oldDay }: Plain): boolean => oldDay < from.first - 60 || oldDay > from.last + 60;
  const dues = all.filter(({ moment }) => moment.role === 'due' && moment.graded === true);
  const dated = dues.filter(({ rule }) => rule !== 'clear');
  const compared = all.filter((each) => each.rule !== 'clear' && each.rule !== 'keep' && !isOther(each));
  const present = job.now === undefined ? -Infinity : parseDay(job.now) * 1440 + parseMinute(job.now, 11);
  const limits = { perDay: job.limits?.perDay ?? 2, perWeek: job.limits?.perWeek ?? 4 };
  const crowds = (each: Plain, unit: (day: number) => number, limit: number): boolean => {
    const share = dated.filter((other) => unit(other.day) === unit(each.day)).length;
    const shared = dues.filter((other) => unit(other.oldDay) === unit(each.oldDay)).length;
    return share > limit && share > shared;
  };
  for (const each of all) {
    const { flags, rule, moment } = each;
    const raise = (flag: string, when: boolean): void => void (when && flags.add(flag));
    raise('otherTerm', isOther(each));
    if (rule === 'clear') continue;
    raise('outsideTerm', from.isInside(each.oldDay) && !to.isInside(each.day));
    raise('past', now(each) < present);
    const isGradedDue = dated.includes(each);
    const [was, is] = [periodOf(job.source.calendar, each.oldDay), periodOf(job.destination.calendar, each.day)];
    const both = (job.source.calendar.periods ?? []).length > 0 && (job.destination.calendar.periods ?? []).length > 0;
    raise('otherPeriod', isGradedDue && both && was !== undefined && was !== is);
    raise('sameDay', isGradedDue && dated.some((other) => other.day === each.day && other.oldDay !== each.oldDay));
    raise(
      'crowded',
      isGradedDue && (crowds(each, (day) => day, limits.perDay) || crowds(each, (day) => to.week(day), limits.perWeek)),
    );
    if (rule === 'keep') continue;
    const turned = compared.some((other) => {
      if (other === each || other.moment.role !== moment.role || !compared.includes(each)) return false;
      if (other.rule === 'byHand') return false;
      return (old(other) < old(each) && now(other) > now(each)) || (old(other) > old(each) && now(other) < now(each));
    });
    raise('orderChanged', turned);
    if (rule === 'byHand') continue;
    raise('closure', to.isClosed(each.day));
    raise('weekend', to.isWeekend(each.day) && !from.isWeekend(each.oldDay));
    const met = to.meetings().some(({ day, start }) => day === each.day && start === each.minute);
    raise('noSuchMeeting', each.isClassEvent && moment.role === 'starts' && rule !== 'meeting' && !met);
  }
}

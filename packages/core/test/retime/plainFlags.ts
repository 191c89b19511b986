import { formatDay, parseDay, parseMinute } from '../../src/calendar/day.js';
import type { Calendar, Closure } from '../../src/schemas/calendar.js';
import type { RetimeJob } from '../../src/schemas/retimeJob.js';
import type { Plain, Plains } from './plainReading.js';

const old = (each: Plain): number => each.oldDay * 1440 + each.oldMinute;
const now = (each: Plain): number => each.day * 1440 + each.minute;

const periodOf = ({ periods = [] }: Calendar, day: number): string | undefined =>
  periods.find(({ from, to }) => parseDay(from) <= day && day <= parseDay(to))?.name;

const closing = ({ closures = [] }: Calendar, day: number): Closure[] =>
  closures.filter(({ from, to, kind }) => kind !== 'exams' && from <= formatDay(day) && formatDay(day) <= to);

/** The series that it names, else is tied to or goes weeks on from, as a text; “none” for none. */
export const seriesOf = ({ moment, tie, weeksOn }: Plain): string =>
  moment.series !== undefined
    ? `"${moment.series}"`
    : JSON.stringify((tie ?? weeksOn)?.series.name ?? null) + ((tie ?? weeksOn) === undefined ? 'none' : '');

/** The flags of docs/rules.md, each by its own sentence, every pair compared with every other. */
export function plainFlags(job: RetimeJob, { from, to, classes, all }: Plains): void {
  const isOther = ({ oldDay }: Plain): boolean => oldDay < from.first - 60 || oldDay > from.last + 60;
  const dues = all.filter(({ moment }) => moment.role === 'due' && moment.graded === true);
  const dated = dues.filter(({ rule }) => rule !== 'clear');
  const present = job.now === undefined ? -Infinity : parseDay(job.now) * 1440 + parseMinute(job.now, 11);
  const limits = { perDay: job.limits?.perDay ?? 2, perWeek: job.limits?.perWeek ?? 4 };
  const crowds = (each: Plain, unit: (day: number) => number, limit: number): boolean => {
    const share = dated.filter((other) => unit(other.day) === unit(each.day)).length;
    const shared = dues.filter((other) => unit(other.oldDay) === unit(each.oldDay)).length;
    return share > limit && share > shared;
  };
  for (const each of all) {
    const { flags, rule, moment, tie } = each;
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
    if (rule === 'keep' || rule === 'byHand') continue;
    const isMet = tie !== undefined && classes.answersOn(tie.series, each.day).length > 0;
    if (to.isClosed(each.day)) {
      const [closure] = closing(job.destination.calendar, each.day);
      const wasAlike =
        from.isClosed(each.oldDay) &&
        closing(job.source.calendar, each.oldDay).some(
          ({ kind, label }) => kind === closure!.kind && (kind !== 'holiday' || label === closure!.label),
        );
      const opens = moment.role === 'opens' || moment.role === 'posts';
      raise('closure', !wasAlike && !(opens && (to.isWeekend(each.day) || each.minute === 0)));
    }
    raise('noClass', tie !== undefined && !flags.has('closure') && !isMet);
    raise('weekend', to.isWeekend(each.day) && !from.isWeekend(each.oldDay) && !isMet);
  }
  raiseOrderChanged(all, isOther);
}

function raiseOrderChanged(all: readonly Plain[], isOther: (each: Plain) => boolean): void {
  const compared = all.filter(
    (each) => each.rule !== 'clear' && each.rule !== 'keep' && !isOther(each) && !each.follows,
  );
  const isInDoubt = ({ flags }: Plain): boolean => [...flags].some((flag) => flag !== 'sameDay' && flag !== 'crowded');
  const found: Plain[] = [];
  for (const one of compared)
    for (const other of compared) {
      if (one.moment.role !== other.moment.role || !(old(one) < old(other) && now(one) > now(other))) continue;
      const hands = [one, other].filter(({ rule }) => rule === 'byHand');
      if (hands.length === 2) continue;
      if (hands.length === 1) found.push(hands[0]!);
      else if (one.rule === other.rule && seriesOf(one) === seriesOf(other)) {
        const doubtful = [one, other].filter(isInDoubt);
        found.push(...(doubtful.length === 1 ? doubtful : [one, other]));
      }
    }
  for (const each of found) each.flags.add('orderChanged');
}

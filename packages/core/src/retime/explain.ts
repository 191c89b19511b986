import { dayWords, minuteWords, weekdayWord } from '../calendar/dateWords.js';
import { parseDay } from '../calendar/day.js';
import type { Retimed } from './retime.js';
import type { Step } from './steps.js';

const plural = (count: number, one: string, many = `${one}s`): string => `${count} ${count === 1 ? one : many}`;

const away = (days: number, from: string): string =>
  days === 0 ? `on ${from}` : `${plural(Math.abs(days), 'day')} ${days < 0 ? 'before' : 'after'} ${from}`;

function landingWords(step: Extract<Step, { step: 'landing' }>): string {
  const reason =
    step.noClass === true ? 'has no class' : step.closure === undefined ? 'is closed' : `is ${step.closure}`;
  const on = parseDay(step.to) > parseDay(step.from) ? 'next' : 'previous';
  const what = step.day === 'class' ? 'class' : 'teaching day';
  return `${dayWords(parseDay(step.from))} ${reason}, ${on} ${what}`;
}

/**
 * One link of the chain in words; empty when it goes without saying.
 *
 * @param what  what a meeting is called: “class”, “lab”
 */
function stepWords(step: Step, what: string): string {
  switch (step.step) {
    case 'tied':
      return step.at === 'during' ? `during ${what}` : `${step.at} of ${what}`;
    case 'ahead':
      return step.missing
        ? `there is no week ${step.old}, so ahead of the last, week ${step.new}`
        : `ahead of week ${step.new}`;
    case 'weeksOn':
      return step.missing
        ? 'the weeks after it are past the last, so the last'
        : step.weeks === 0
          ? 'the week of it'
          : `${plural(step.weeks, 'week')} after it`;
    case 'meetingShare':
      return `${what} ${step.number} of ${step.of}, the same share`;
    case 'teachingWeek':
      return step.missing ? `there is no week ${step.old}, so the last, week ${step.new}` : `week ${step.new}`;
    case 'weekday':
      return `${weekdayWord(step.from)} → ${weekdayWord(step.to)}`;
    case 'sameWeekday':
      return 'same weekday';
    case 'otherWeekday':
      return `no open day of that week runs as ${weekdayWord(step.wanted)}`;
    case 'beforeWeekOne':
      return `${plural(step.weeks, 'week')} before week 1`;
    case 'afterLastWeek':
      return step.weeks === 0 ? 'the week of the last day' : `${plural(step.weeks, 'week')} after the last day's week`;
    case 'fromFirstDay':
      return away(step.days, 'the first day');
    case 'fromLastDay':
      return away(step.days, 'the last day');
    case 'examDay':
      return step.how === 'sameDay' ? 'same day of the exam period' : `exam day ${step.index + 1} of ${step.of}`;
    case 'examWeek':
      return step.week === 0 ? 'first week of the exams' : `week ${step.week + 1} of the exams`;
    case 'break': {
      const before =
        typeof step.before === 'number' ? `week ${step.before}` : step.before === 'exams' ? 'the exams' : 'the end';
      return `was in ${step.label ?? 'the break'}, ${plural(step.weeks, 'week')} before ${before}`;
    }
    case 'afterTeaching':
      return `${plural(step.weeks, 'week')} after the last teaching week`;
    case 'meeting': {
      const which = step.missing
        ? `there is no such ${what} any more, so the last, ${what} ${step.number}`
        : `${what} ${step.number}`;
      return step.days === 0 ? which : `${which}, ${away(step.days, 'it')}`;
    }
    case 'nearest':
      return step.days === 0 ? '' : `${away(step.days, 'that date')}, the nearest such weekday`;
    case 'share':
      return 'same share of the teaching days';
    case 'landing':
      return landingWords(step);
    case 'hour':
      return `${minuteWords(step.from)} → ${minuteWords(step.to)} with the class`;
    case 'withLeader':
      return `keeps its distance to ${step.role === 'due' ? 'the due date' : step.role === 'starts' ? 'the start' : 'the opening'}`;
    case 'olderTerm':
      return `dated in ${step.term}`;
    case 'withStart':
      return '';
    case 'skippedHour':
      return `the clocks skip ${minuteWords(step.from)} that night`;
    case 'clear':
      return 'cleared';
    case 'keep':
      return 'kept as it was';
    case 'byHand':
      return 'set by hand';
  }
}

/** Why a date goes where it goes, as one sentence without a full stop: “week 6, Wed → Thu; Thu 18 Feb is Charter Day, next teaching day”. */
export function explain({ steps }: Pick<Retimed, 'steps'>): string {
  const tied = steps.find((step) => step.step === 'tied');
  const what = (tied?.step === 'tied' ? tied.series : undefined) ?? 'class';
  return steps
    .map((step) => stepWords(step, what))
    .filter((words) => words !== '')
    .join(', ');
}

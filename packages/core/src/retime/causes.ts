import { dayWords } from '../calendar/dateWords.js';
import { parseDay, weekdayOf } from '../calendar/day.js';
import { closureHit, covering, type CauseTerms, type DoubtfulMoment, type Settlement } from './doubt.js';
import { isDoubtful, type Flag } from './flags.js';
import { indexReversals, type Reversals } from './reversals.js';
import type { Retimed } from './retime.js';
import { ROLE_WORDS } from './roleWords.js';
import { settlementsFor } from './settlements.js';

/** Doubts that have one cause, and so are one decision. */
export interface DoubtCause {
  readonly key: string;
  readonly flags: readonly Flag[];
  readonly sentence: string;
  /** What the moments have in common, or the one date: “Sun 15 Mar → Sun 7 Mar”. */
  readonly detail: string;
  readonly moments: readonly DoubtfulMoment[];
  readonly settlements: readonly Settlement[];
  /** Of several sources: the course whose dates these are, where the old term tells the causes apart. */
  readonly course?: string;
  /** Its dates stand in the new course already: what settles them is done there. */
  readonly stands?: true;
}

/** Doubts that come from the old term: those of two old terms have two causes. */
const FROM_OLD_TERM: readonly Flag[] = ['wasInBreak', 'orderChanged', 'otherTerm', 'noSuchWeek'];
/** Doubts that come from the class-day map: those of two sections of a shell have two causes. */
const FROM_CLASS_DAYS: readonly Flag[] = ['orderChanged', 'noSuchMeeting'];

/** Moments of one old term, and the terms between which they move. */
export interface TermMoments extends CauseTerms {
  readonly moments: readonly DoubtfulMoment[];
  /** What their order is compared with; themselves when absent. */
  readonly among?: readonly DoubtfulMoment[];
  /** Of several old terms: the course whose it is. */
  readonly course?: string;
}

const doubtFlags = (flags: readonly Flag[]): readonly Flag[] => flags.filter((flag) => isDoubtful([flag]));

/** What a person said was fine as it is: it lasts until the new moment or its flags change. */
export const settledAs = ({ to, flags }: Pick<Retimed, 'to' | 'flags'>): string => `${to ?? ''} ${flags.join(' ')}`;

/**
 * Gathers doubts by cause: the same flags, and the same closure, break or missing week, or the same kinds and weekdays.
 * What the new term alone causes is one cause for the dates of all old terms.
 *
 * @param parts    the dates of each old term
 * @param settled  by moment id, what `settledAs` said when the person called it fine
 * @see docs/rules.md, "Doubts and their causes"
 */
export function doubtCauses(
  parts: readonly TermMoments[],
  settled: Readonly<Record<string, string>> = {},
): readonly DoubtCause[] {
  const groups = new Map<string, Group>();
  for (const part of parts) {
    const reversals = indexReversals(part.among ?? part.moments);
    for (const moment of part.moments) {
      if (!isDoubtful(moment.flags) || settled[moment.id] === settledAs(moment)) continue;
      const flags = doubtFlags(moment.flags);
      const ofTerm = part.course !== undefined && FROM_OLD_TERM.includes(flags[0]!) ? ` of ${part.course}` : '';
      const ofSection = part.section !== undefined && FROM_CLASS_DAYS.includes(flags[0]!) ? ` in ${part.section}` : '';
      const key = `${flags.join('+')}|${detailKey(moment, reversals, part)}${ofTerm}${ofSection}`;
      const group = groups.get(key);
      if (group === undefined) groups.set(key, { part, reversals, moments: [moment] });
      else group.moments.push(moment);
    }
  }
  return [...groups].map(([key, { part, reversals, moments }]) => {
    const cause = describe(key, moments, reversals, part);
    const isOfTerm = part.course !== undefined && FROM_OLD_TERM.includes(cause.flags[0]!);
    return isOfTerm ? { ...cause, course: part.course } : cause;
  });
}

interface Group {
  readonly part: TermMoments;
  readonly reversals: Reversals;
  readonly moments: DoubtfulMoment[];
}

const oldBreak = ({ steps }: Retimed): string => {
  const step = steps.find((each) => each.step === 'break');
  return step?.step === 'break' ? (step.label ?? 'break') : 'break';
};

function detailKey(moment: DoubtfulMoment, reversals: Reversals, terms: CauseTerms): string {
  const flag = doubtFlags(moment.flags)[0]!;
  switch (flag) {
    case 'closure':
      return closureHit(moment, terms);
    case 'wasInBreak':
      return oldBreak(moment);
    case 'orderChanged': {
      return [moment, reversals.firstWith(moment) ?? moment].map(kindAndWeekday).sort().join(' and ');
    }
    default:
      return '';
  }
}

const kindAndWeekday = ({ kind, from }: DoubtfulMoment): string => `${kind} ${weekdayOf(parseDay(from))}`;

const times = (count: number): string => (count === 1 ? '' : count === 2 ? ', twice' : `, ${count} times`);

const PLAIN_ROLES: readonly DoubtfulMoment['role'][] = ['due', 'starts', 'ends', 'posts'];

const nameOf = ({ title, role }: DoubtfulMoment): string =>
  PLAIN_ROLES.includes(role) ? title : `${title}, ${ROLE_WORDS[role]}`;

const names = (group: readonly DoubtfulMoment[]): string => {
  const titles = [...new Set(group.map(nameOf))];
  return titles.length <= 2 ? titles.join(' and ') : `${titles[0]} · ${titles[1]} · ${titles.length - 2} more`;
};

function sentenceOf(flag: Flag, group: readonly DoubtfulMoment[], terms: CauseTerms): string {
  const first = group[0]!;
  switch (flag) {
    case 'closure': {
      const hit = closureHit(first, terms);
      const label = hit === '' ? undefined : covering(terms.new, hit, ['holiday', 'break', 'reading', 'exams'])?.label;
      const day = hit === '' ? 'The new day' : dayWords(parseDay(hit));
      return `${day} is ${label ?? 'closed'} now${times(group.length)}`;
    }
    case 'wasInBreak':
      return `${names(group)}: was in ${oldBreak(first)}`;
    case 'outsideTerm':
      return `${names(group)}: would fall outside the new term`;
    case 'noSuchWeek':
      return `The new term is shorter: ${names(group)} had a week that it lacks`;
    case 'otherWeekday':
      return `${names(group)}: the new day runs another weekday's timetable`;
    case 'noSuchMeeting':
      return `${names(group)}: no class meets then any more`;
    case 'missingHour':
      return `${names(group)}: the clocks skip that hour`;
    case 'orderChanged':
      return `${names(group)}: order changed${times(group.length)}`;
    case 'otherTerm':
      return `${names(group)}: dated in another term than last`;
    case 'past':
      return `${names(group)}: would be in the past`;
    case 'weekend':
      return `${names(group)}: would fall on a weekend now`;
    case 'otherPeriod':
      return `${names(group)}: would count in another marking period`;
    case 'sameDay':
    case 'crowded':
      return names(group);
  }
}

/** “Section 02: ” where all are of one section, “For team 1: ” where all are of another group. */
function peopleWords(group: readonly DoubtfulMoment[], { section }: CauseTerms): string {
  const peopleOf = (moment: DoubtfulMoment): string | undefined => moment.for ?? moment.doubtOf?.section;
  const people = peopleOf(group[0]!);
  if (people === undefined || group.some((moment) => peopleOf(moment) !== people)) return '';
  return people === section ? `Section ${people}: ` : `For ${people}: `;
}

function describe(key: string, group: readonly DoubtfulMoment[], reversals: Reversals, terms: CauseTerms): DoubtCause {
  const first = group[0]!;
  const flags = doubtFlags(first.flags);
  const move = `${dayWords(parseDay(first.from))} → ${first.to === null ? 'none' : dayWords(parseDay(first.to))}`;
  const sentence = `${peopleWords(group, terms)}${sentenceOf(flags[0]!, group, terms)}`;
  return {
    key,
    flags,
    sentence,
    detail: sentence.includes(first.title) && group.length === 1 ? move : `${names(group)}: ${move}`,
    moments: group,
    settlements: settlementsFor(flags[0]!, group, reversals, terms),
  };
}

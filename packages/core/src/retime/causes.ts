import type { Closure } from '../schemas/calendar.js';
import { dayWords } from '../calendar/dateWords.js';
import { parseDay } from '../calendar/day.js';
import { sentenceOf, namesOf } from './causeWords.js';
import {
  dayBeforeLanding,
  doubtFlags,
  groundOf,
  type Doubt,
  type DoubtfulMoment,
  type DoubtGround,
  type TermMoments,
} from './doubt.js';
import { isDoubtful, type Flag } from '../names/flags.js';
import type { Retimed } from './retime.js';
import { settlementsFor, type Settlement } from './settlements.js';

/** Doubts that have one cause, and so are one decision. */
export interface DoubtCause {
  readonly key: string;
  /** The flag that they share. */
  readonly cause: Flag;
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
/** Doubts that come from the class days: those of two sections of a shell have two causes. */
const FROM_CLASS_DAYS: readonly Flag[] = ['orderChanged', 'noSuchMeeting', 'noClass'];

/** What a person said was fine as it is: it lasts until the new moment or its flags change. */
export const settledAs = ({ to, flags }: Pick<Retimed, 'to' | 'flags'>): string => `${to ?? ''} ${flags.join(' ')}`;

/**
 * Gathers doubts by cause: their first flag (a changed order counts as last), and the closure, break or side of the term.
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
  const groups = new Map<string, Doubt[]>();
  for (const part of parts) {
    let ground: DoubtGround | undefined;
    for (const moment of part.moments) {
      if (!isDoubtful(moment.flags) || settled[moment.id] === settledAs(moment)) continue;
      const doubt = (ground ??= groundOf(part)).doubtOf(moment);
      const key = keyOf(doubt);
      const group = groups.get(key);
      if (group === undefined) groups.set(key, [doubt]);
      else group.push(doubt);
    }
  }
  return [...groups].map(([key, doubts]) => describe(key, doubts));
}

function keyOf({ moment, ground }: Doubt): string {
  const { course, section } = ground.part;
  const cause = doubtFlags(moment)[0]!;
  const ofTerm = course !== undefined && FROM_OLD_TERM.includes(cause) ? ` of ${course}` : '';
  const ofSection = section !== undefined && FROM_CLASS_DAYS.includes(cause) ? ` in ${section}` : '';
  return `${cause}|${detailKey(moment, ground, cause)}${ofTerm}${ofSection}`;
}

const closureKey = (closure: Closure | undefined): string =>
  closure === undefined ? '' : `${closure.from} ${closure.to} ${closure.kind} ${closure.label ?? ''}`;

function detailKey(moment: DoubtfulMoment, { terms }: DoubtGround, cause: Flag): string {
  switch (cause) {
    case 'closure': {
      const day = dayBeforeLanding(moment);
      return terms.new.isInside(day) ? closureKey(terms.new.closureAt(day)) : '';
    }
    case 'wasInBreak':
      return closureKey(terms.old.closureAt(parseDay(moment.from)));
    case 'outsideTerm':
      return parseDay(moment.to!) < terms.new.firstDay ? 'before' : 'after';
    default:
      return '';
  }
}

/** “Section 02: ” where all are of one section, “For team 1: ” where all are of another group. */
function peopleWords(doubts: readonly Doubt[]): string {
  const [first] = doubts;
  const peopleOf = ({ moment }: Doubt): string | undefined => moment.for ?? moment.doubtOf?.section;
  const people = peopleOf(first!);
  if (people === undefined || doubts.some((doubt) => peopleOf(doubt) !== people)) return '';
  return people === first!.ground.part.section ? `Section ${people}: ` : `For ${people}: `;
}

function describe(key: string, doubts: readonly Doubt[]): DoubtCause {
  const [{ moment: first, ground }] = doubts as [Doubt, ...Doubt[]];
  const cause = doubtFlags(first)[0]!;
  const move = `${dayWords(parseDay(first.from))} → ${first.to === null ? 'none' : dayWords(parseDay(first.to))}`;
  const sentence = `${peopleWords(doubts)}${sentenceOf(cause, doubts)}`;
  const { course } = ground.part;
  return {
    key,
    cause,
    sentence,
    detail: sentence.includes(first.title) && doubts.length === 1 ? move : `${namesOf(doubts)}: ${move}`,
    moments: doubts.map(({ moment }) => moment),
    settlements: settlementsFor(cause, doubts),
    ...(course !== undefined && FROM_OLD_TERM.includes(cause) ? { course } : {}),
  };
}

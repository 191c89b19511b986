import type { MeetingList } from '../calendar/meetingIndex.js';
import { parseDay, parseMinute, type Day, type Minute } from '../calendar/day.js';
import type { Policy, RetimeMoment, TermSide } from '../schemas/retimeJob.js';
import { seriesOfClassEvents } from './classEvents.js';
import type { Series, Tie } from './classes.js';
import { FLAGS, isDoubtful, type Flag } from '../names/flags.js';
import { landRest, landTied } from './landing.js';
import { groupByItem, ROLE } from './moving.js';
import { policyResolver, type ResolvedPolicy } from './policy.js';
import type { Retimed } from './retime.js';
import { indexTerms, type Terms } from './terms.js';

/** A section in which alone a date of everybody is in doubt, and the id by which the date is set for that section. */
export interface DoubtOf {
  readonly section: string;
  readonly id: string;
}

/** A moment as the causes see it: where it goes, and what it is on. */
export interface DoubtfulMoment extends Retimed {
  readonly kind: string;
  readonly title: string;
  readonly item?: string;
  /** The series of class meetings that it names. */
  readonly series?: string;
  /** The section or group that it is for. */
  readonly for?: string;
  /** In a shell that several sections share: the one that has its doubts about a date of everybody. */
  readonly doubtOf?: DoubtOf;
}

/** Moments that go from one term to another by one policy. */
export interface TermMoments {
  readonly source: TermSide;
  readonly destination: TermSide;
  readonly policy: Policy;
  /** The units around an item, the nearest first, where the policy names any. */
  readonly unitsOf?: (item: string) => RetimeMoment['unit'];
  readonly moments: readonly DoubtfulMoment[];
  /** What their order is compared with, and what moves along with them; themselves when absent. */
  readonly among?: readonly DoubtfulMoment[];
  /** Of several old terms: the course whose it is. */
  readonly course?: string;
  /** In a shell that several sections share: the one whose dates these are. */
  readonly section?: string;
}

/** A moment with what settles it: its terms, its class and its policy. */
export interface Doubt {
  readonly moment: DoubtfulMoment;
  readonly ground: DoubtGround;
  readonly oldDay: Day;
  readonly oldMinute: Minute;
  /** The class that it goes with; none where no class of the new term answers. */
  readonly tie: Tie | undefined;
  /** The series that it names, else is tied to or goes weeks on from. */
  readonly series: Series | undefined;
}

/** Both terms of some moments, indexed when a doubt is first looked at. */
export interface DoubtGround {
  readonly part: TermMoments;
  readonly terms: Terms;
  policyOf(moment: DoubtfulMoment): ResolvedPolicy;
  doubtOf(moment: DoubtfulMoment): Doubt;
  /** All with which they are compared, as doubts. */
  among(): readonly Doubt[];
  /** The meetings of the new term that count for what is tied to none. */
  countingFor(moment: DoubtfulMoment): MeetingList;
}

const TIME_AT = 'YYYY-MM-DDT'.length;

export function groundOf(part: TermMoments): DoubtGround {
  const terms = indexTerms(part.source, part.destination);
  const policies = policyResolver(part.policy);
  let all: readonly Doubt[] | undefined;
  let counted: ReadonlyMap<string, Series> | undefined;
  const doubtOf = (moment: DoubtfulMoment): Doubt => {
    const oldDay = parseDay(moment.from);
    const oldMinute = parseMinute(moment.from, TIME_AT);
    const met = terms.classes.tieOf(oldDay, oldMinute, moment.role, moment.series);
    const isWeeksOn = moment.steps.some(({ step }) => step === 'weeksOn') && moment.series === undefined;
    const tie = met !== undefined && met.series.after.meetings.length > 0 ? met : undefined;
    const series =
      moment.series !== undefined
        ? terms.classes.named(moment.series)
        : (met ?? (isWeeksOn ? terms.classes.alternateBefore(oldDay, oldMinute, undefined) : undefined))?.series;
    return { moment, ground, oldDay, oldMinute, tie, series };
  };
  const ground: DoubtGround = {
    part,
    terms,
    policyOf: ({ id, role, from, item, kind }) =>
      policies.of({
        id,
        role,
        at: from,
        kind,
        ...(item === undefined ? {} : { item, unit: part.unitsOf?.(item) }),
      }).policy,
    doubtOf,
    among: () => (all ??= (part.among ?? part.moments).map(doubtOf)),
    countingFor({ id, series }) {
      counted ??= seriesOfEvents(terms, ground.among());
      const own = counted.get(id) ?? (series === undefined ? undefined : terms.classes.named(series));
      return (own ?? terms.classes.unnamed).after;
    },
  };
  return ground;
}

/** By moment id, the series that class events count. */
function seriesOfEvents(terms: Terms, among: readonly Doubt[]): ReadonlyMap<string, Series> {
  const moments = among.map(({ moment }) => moment);
  const stood = {
    moments,
    roles: Uint8Array.from(moments, ({ role }) => ROLE[role]),
    oldDays: among.map(({ oldDay }) => oldDay),
    oldMinutes: among.map(({ oldMinute }) => oldMinute),
  };
  const counted = seriesOfClassEvents(terms, stood, groupByItem(moments));
  return new Map([...counted].map(([at, series]) => [moments[at]!.id, series]));
}

/** Where a moment would land that an offer puts on a day, as where a rule puts it. */
export function offeredDay({ moment, oldDay, oldMinute, tie, ground }: Doubt, day: Day): Day {
  const { terms } = ground;
  const { landing } = ground.policyOf(moment);
  if (tie !== undefined) return landTied(terms, day, landing, tie.series.after)?.day ?? day;
  if (oldMinute === 0 && (moment.role === 'opens' || moment.role === 'posts')) return day;
  return landRest(terms, oldDay, day, landing, ground.countingFor(moment))?.day ?? day;
}

/** Whether a date is taken from another of its item. */
export const followsAnother = ({ steps }: Pick<Retimed, 'steps'>): boolean =>
  steps.some(({ step }) => step === 'withLeader' || step === 'withStart');

/** What is in doubt in one section alone is set for that one. */
export const settableId = ({ id, doubtOf }: DoubtfulMoment): string => doubtOf?.id ?? id;

/** Where a rule put a moment before it landed. */
export function dayBeforeLanding({ steps, to, from }: Pick<Retimed, 'steps' | 'to' | 'from'>): Day {
  const landing = steps.findLast((step) => step.step === 'landing');
  return parseDay(landing?.step === 'landing' ? landing.from : (to ?? from));
}

/** The flags that make a moment a doubt, the one that names its cause first: a changed order comes last. */
export function doubtFlags({ flags }: Pick<Retimed, 'flags'>): readonly Flag[] {
  const doubts = FLAGS.filter((flag) => flags.includes(flag) && isDoubtful([flag]));
  return doubts.length > 1 && doubts.includes('orderChanged')
    ? [...doubts.filter((flag) => flag !== 'orderChanged'), 'orderChanged']
    : doubts;
}

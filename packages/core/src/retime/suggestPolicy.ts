import { weekdayWord } from '../calendar/dateWords.js';
import type { Weekday } from '../calendar/day.js';
import { fail, succeed, type Result } from '../problem.js';
import type { Policy, RetimeJob, RuleName, TermSide } from '../schemas/retimeJob.js';
import { proposedMap } from './classDayMap.js';
import { isDoubtful } from '../names/flags.js';
import { retime, type Retimed } from './retime.js';
import { indexTerms } from './terms.js';

export interface PolicyOption<Of extends Policy = Policy> {
  readonly policy: Of;
  readonly words: string;
  readonly doubts: number;
  /** How many dates would differ from those of the proposed policy. */
  readonly differs: number;
}

export interface PolicySuggestion<Of extends Policy = Policy> {
  readonly proposed: PolicyOption<Of>;
  readonly reason: string;
  readonly others: readonly PolicyOption<Of>[];
}

/** Rules that are proposed, and offered beside the one that is. */
const PROPOSED_RULES = ['week', 'meeting', 'stretch'] as const satisfies readonly RuleName[];
type ProposedRule = (typeof PROPOSED_RULES)[number];

/** Terms that differ by more teaching weeks than this are stretched. */
const WEEKS_APART = 3;

export const mapWords = (map: Readonly<Record<string, Weekday>>): string =>
  Object.entries(map)
    .map(([from, to]) => `${weekdayWord(Number(from))} to ${weekdayWord(to)}`)
    .join(', ');

const RULE_WORDS: Readonly<Record<ProposedRule, string>> = {
  week: 'Same teaching week',
  meeting: 'Class by class',
  stretch: 'Same share of the term',
};

/** @param map  the class-day map in words, empty where weekdays stay */
export const policyWords = ({ rule = 'week' }: Pick<Policy, 'rule'>, map: string): string => {
  const what = RULE_WORDS[rule as ProposedRule];
  return map === '' ? `${what}, same weekday` : `${what}, ${map}`;
};

/** A policy that suits two terms, with the reason as a sentence. */
export interface ProposedPolicy {
  readonly policy: { readonly rule: ProposedRule; readonly weekdays: NonNullable<Policy['weekdays']> };
  readonly reason: string;
}

/**
 * The policy that suits two terms, by the terms alone: `stretch` when the numbers of teaching weeks differ by more than
 * three, `meeting` when both patterns meet in numbered weeks only, else `week`; with the class-day map of all series.
 *
 * @see docs/rules.md, "Which rule suits"
 */
export function proposePolicy(source: TermSide, destination: TermSide): ProposedPolicy {
  const { old, new: to } = indexTerms(source, destination);
  const [before, after] = [source.meetings ?? [], destination.meetings ?? []];
  const [oldWeeks, newWeeks] = [old.teachingWeeks.length, to.teachingWeeks.length];
  const isNumbered =
    before.length > 0 && after.length > 0 && [...before, ...after].every(({ weeks }) => weeks !== undefined);
  const rule = Math.abs(newWeeks - oldWeeks) > WEEKS_APART ? 'stretch' : isNumbered ? 'meeting' : 'week';
  const weekdays = proposedMap(before, after, to.weekStartsOn);
  return { policy: { rule, weekdays }, reason: reasonFor(rule, oldWeeks, newWeeks, mapWords(weekdays)) };
}

const weeksWords = (count: number): string => (count === 1 ? 'one week' : `${count} weeks`);

function reasonFor(rule: ProposedRule, oldWeeks: number, newWeeks: number, map: string): string {
  const lengths =
    oldWeeks === newWeeks
      ? `Both terms have ${weeksWords(oldWeeks)} of classes`
      : `The new term is ${weeksWords(Math.abs(newWeeks - oldWeeks))} ${newWeeks > oldWeeks ? 'longer' : 'shorter'}, ${newWeeks} instead of ${oldWeeks}`;
  const because: Readonly<Record<ProposedRule, string>> = {
    week: 'weeks keep their number',
    meeting: 'classes meet in numbered weeks, so each goes to the class of its number',
    stretch: 'everything keeps its share of the term',
  };
  return `${lengths}; ${because[rule]}${map === '' ? '' : `, class days go ${map}`}`;
}

/** The proposed policy, the same without its map if it has one, and the other rules with it. */
export const policyOptions = <Of extends Policy>(proposed: Of, withoutMap: Of | undefined): readonly Of[] => [
  proposed,
  ...(withoutMap === undefined ? [] : [withoutMap]),
  ...PROPOSED_RULES.filter((rule) => rule !== proposed.rule).map((rule) => ({ ...proposed, rule })),
];

/**
 * Proposes the policy of a job, with what others would do to its dates.
 *
 * @param job  a job whose `policy` is not looked at
 * @see docs/rules.md, "Which rule suits"
 */
export function suggestPolicy(job: RetimeJob): Result<PolicySuggestion> {
  const first = retime({ ...job, policy: {} });
  if (!first.ok) return fail(first.problems);
  const { policy, reason } = proposePolicy(job.source, job.destination);
  const isMapped = Object.keys(policy.weekdays).length > 0;
  const tried = policyOptions<Policy>(policy, isMapped ? { ...policy, weekdays: {} } : undefined).map((option) => {
    const result = retime({ ...job, policy: option });
    return { policy: option, dates: result.ok ? result.value : [] };
  });
  const best = tried[0]!.dates;
  const options = tried.map(({ policy: option, dates }) => ({
    policy: option,
    words: policyWords(option, mapWords(option.weekdays ?? {})),
    doubts: countDoubts(dates),
    differs: dates.filter(({ to }, index) => to !== best[index]!.to).length,
  }));
  const [proposed, ...others] = options;
  return succeed({ proposed: proposed!, reason, others });
}

const countDoubts = (dates: readonly Retimed[]): number => dates.filter(({ flags }) => isDoubtful(flags)).length;

import {
  groupBy,
  settledAs,
  type Decisions,
  type DoubtCause,
  type NarrowPolicy,
  type PlanPolicy,
  type PreviewDate,
  type WeekdayMap,
  type WorkSet,
} from '@yarin/core';
import type { ComputedRef, ShallowRef } from 'vue';
import { count } from '../../shared/words.js';

/** How far a rule of its own reaches: these things, all of their kind, all in their unit. */
export type Reach = 'byItem' | 'byKind' | 'byUnit';

interface Dating {
  readonly decisions: Readonly<ShallowRef<Decisions>>;
  readonly decide: (change: Partial<Decisions>, what: string) => void;
  readonly policies: ComputedRef<Readonly<Record<string, PlanPolicy>>>;
  /** The course that goes before the others. */
  readonly first: () => string;
  /** The course that a thing is from. */
  readonly courseOf: (item: string) => string;
  /** The unit around a thing; `undefined` when it is in none. */
  readonly unitOf: (item: string) => string | undefined;
}

type Dated = Pick<PreviewDate, 'item' | 'kind'>;

/** A policy with one rule for all of these, or with none of their own. */
function withRule(
  policy: PlanPolicy,
  reach: Reach,
  keys: ReadonlySet<string>,
  rule: NarrowPolicy | undefined,
): PlanPolicy {
  const others = Object.entries(policy[reach] ?? {}).filter(([key]) => !keys.has(key));
  const these = rule === undefined ? [] : [...keys].map((key) => [key, rule] as const);
  return { ...policy, [reach]: Object.fromEntries<NarrowPolicy>([...others, ...these]) };
}

/** Everything that a person decides about dates: by hand, by another rule for all or for some, and what is fine as it is. */
export function usePlanDates({ decisions, decide, policies, first, courseOf, unitOf }: Dating) {
  function setByHand(dates: Readonly<Record<string, string>>, what?: string): void {
    const ids = Object.keys(dates);
    if (ids.length === 0) return;
    decide({ byHand: { ...decisions.value.byHand, ...dates } }, what ?? `set ${count(ids.length, 'date')} by hand`);
  }

  function settle(causes: readonly DoubtCause[]): void {
    const moments = causes.flatMap((cause) => cause.moments);
    const settled = Object.fromEntries(moments.map((moment) => [moment.id, settledAs(moment)]));
    const what = causes.length === 1 ? causes[0]!.sentence : count(moments.length, 'date');
    decide({ settled: { ...decisions.value.settled, ...settled } }, `fine as it is: ${what}`);
  }

  /** What a decision says when the dates of these courses go by these policies; without one they go as proposed. */
  function policyChange(next: Readonly<Record<string, PlanPolicy | undefined>>): Partial<Decisions> {
    const byCourse: Record<string, PlanPolicy | undefined> = { ...decisions.value.policies, ...next };
    const { [first()]: ofFirst = first() in next ? undefined : decisions.value.policy, ...others } = byCourse;
    const set = Object.entries(others).filter((entry): entry is [string, PlanPolicy] => entry[1] !== undefined);
    return { policy: ofFirst, policies: Object.fromEntries(set) };
  }

  const decidePolicy = (course: string, next: PlanPolicy | undefined, what: string): void =>
    decide(policyChange({ [course]: next }), what);

  /** Gives dates another class-day map: those of one section of a shared shell, or all. */
  function setMap(course: string, section: string | undefined, weekdays: WeekdayMap, what: string): void {
    const { sections, ...policy } = policies.value[course]!;
    const next: PlanPolicy =
      section !== undefined
        ? { ...policy, sections: { ...sections, [section]: weekdays } }
        : sections === undefined
          ? { ...policy, weekdays }
          : {
              ...policy,
              weekdays,
              sections: Object.fromEntries(Object.keys(sections).map((each) => [each, weekdays])),
            };
    decidePolicy(course, next, what);
  }

  const keyOf = (reach: Reach, { item, kind }: Dated): string | undefined =>
    reach === 'byItem' ? item : reach === 'byKind' ? kind : unitOf(item);

  /** The policies with a rule for some things, or without one; by course. */
  function narrowed(reach: Reach, dates: readonly Dated[], rule: NarrowPolicy | undefined): Record<string, PlanPolicy> {
    return Object.fromEntries(
      [...groupBy(dates, ({ item }) => courseOf(item))].flatMap(([course, ofCourse]) => {
        const keys = new Set(ofCourse.flatMap((date) => keyOf(reach, date) ?? []));
        return keys.size === 0 ? [] : [[course, withRule(policies.value[course]!, reach, keys, rule)]];
      }),
    );
  }

  const goOtherwise = (reach: Reach, dates: readonly Dated[], rule: NarrowPolicy | undefined, what: string): void =>
    decide(policyChange(narrowed(reach, dates, rule)), what);

  /** Gives dates back to the rule of the plan: those set by hand, and those that had a rule of their own. */
  function backToRule(dates: readonly (Dated & Pick<PreviewDate, 'id'>)[]): void {
    const ids = new Set(dates.map(({ id }) => id));
    const byHand = Object.fromEntries(Object.entries(decisions.value.byHand).filter(([id]) => !ids.has(id)));
    const own = dates.filter(({ item }) => policies.value[courseOf(item)]?.byItem?.[item] !== undefined);
    const change = own.length === 0 ? {} : policyChange(narrowed('byItem', own, undefined));
    decide({ ...change, byHand }, `give ${count(ids.size, 'date')} back to the rule`);
  }

  /** Takes the rules of some things away again. */
  const takeRulesAway = (course: string, reach: Reach, keys: readonly string[], what: string): void =>
    decidePolicy(course, withRule(policies.value[course]!, reach, new Set(keys), undefined), what);

  /** Sets something for works beside their dates; `undefined` leaves them as the old course has them. */
  function setWork(items: readonly string[], change: WorkSet | undefined, what: string): void {
    const before = decisions.value.sets ?? {};
    const set = new Set(items);
    const others = Object.entries(before).filter(([item]) => !set.has(item));
    const these = change === undefined ? [] : items.map((item) => [item, { ...before[item], ...change }] as const);
    const sets = Object.fromEntries<WorkSet>([...others, ...these]);
    decide({ sets }, what);
  }

  return { setWork, setByHand, settle, setMap, decidePolicy, goOtherwise, backToRule, takeRulesAway };
}

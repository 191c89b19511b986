import {
  totalsOf,
  type BringOutcome,
  type Choices,
  type Decisions,
  type Match,
  type DoubtCause,
  type PlanLine,
  type PlanView,
  type PlanDecided,
  type PlanIndex,
  type Preview,
  type Review,
  type RunUnderWay,
  type Settlement,
} from '@yarin/core';
import { defineStore } from 'pinia';
import { computed, ref, shallowRef } from 'vue';
import { isConflict, sentenceOf } from '../../shared/api/client.js';
import { fetchPlanNews } from '../../shared/api/news.js';
import { changeSources, fetchPlan, seePlan } from '../../shared/api/plans.js';
import { useAnnouncer } from '../../shared/announcer.js';
import { termInSentence } from '../../shared/courseLine.js';
import { timeWords } from '../../shared/readersDates.js';
import { count, ofWords } from '../../shared/words.js';
import { useWorkedPlan } from '../preview/useWorkedPlan.js';
import { useRunStore } from './runStore.js';
import type { OverlapInForce } from './useOverlaps.js';
import { usePlanDates } from './usePlanDates.js';
import { usePlanSources } from './usePlanSources.js';
import { NOTHING_DECIDED, useSaving } from './useSaving.js';
import { useStanding } from './useStanding.js';
import { useTakeBack } from './useTakeBack.js';
import { usePlanUndo } from './usePlanUndo.js';

/** One plan: what the server knows of it, what the person decides, and the preview that follows at once. */
export const usePlanStore = defineStore('plan', () => {
  const view = shallowRef<PlanView | null>(null);
  const decisions = shallowRef<Decisions>(NOTHING_DECIDED);
  const failure = ref('');
  const trouble = ref('');
  const runs = useRunStore();
  const { announce, say } = useAnnouncer();
  const saver = useSaving({
    decisions,
    trouble,
    takeIn(loaded, theirs) {
      view.value = loaded;
      undoing.through(theirs);
    },
  });
  /** A run into the shell that another window started. */
  const elsewhere = shallowRef<RunUnderWay | null>(null);
  /** Doubts that settling the last ones opened. */
  const opened = shallowRef<readonly string[]>([]);

  const from = usePlanSources(view, decisions);
  const { sources, policies, policy } = from;
  const undoing = usePlanUndo({
    decisions,
    sources: () => sources.value.map(({ source }) => source.course.id),
    nameOf: from.nameOf,
    apply,
    changeTo,
    comeWords: () => comeWords(),
  });
  const decided = computed<PlanDecided>(() => ({
    decisions: decisions.value,
    policy: policy.value,
    policies: policies.value,
    ...(view.value === null ? {} : { now: view.value.now }),
  }));
  const { worked, index, effectOf } = useWorkedPlan(from.ground, decided);
  /** The last that could be worked out: a decision that can't be leaves it standing. */
  let lastWorked: { readonly of: PlanIndex | null; readonly value: Preview & Review } | undefined;
  const preview = computed<(Preview & Review) | null>(() => {
    if (worked.value?.ok) lastWorked = { of: index.value, value: worked.value.value };
    return index.value !== null && lastWorked?.of === index.value ? lastWorked.value : null;
  });
  const problem = computed(() => (worked.value?.ok === false ? worked.value.problems[0]!.message : ''));

  const lastRun = computed(() => view.value?.runs[0] ?? null);
  /** What was brought still stands, and nothing is left to bring. */
  const isDone = computed(
    () => lastRun.value !== null && lastRun.value.undoneAt === null && preview.value?.toWrite === 0,
  );
  const totals = computed(() => preview.value?.totals ?? totalsOf([], 0));
  /** Its runs that stand, the latest first. */
  const standingRuns = computed(() => (view.value?.runs ?? []).filter(({ undoneAt }) => undoneAt === null));
  const comeWords = (): string => `${ofWords(totals.value)} come`;

  async function load(id: string): Promise<void> {
    failure.value = '';
    // What was decided last is not overtaken by what was there before it.
    if (view.value?.id === id) await saver.flush();
    else {
      view.value = null;
      elsewhere.value = null;
      taking.changedSince.value = [];
    }
    try {
      const loaded = await fetchPlan(id);
      if (JSON.stringify(loaded.decisions) !== JSON.stringify(decisions.value)) undoing.forget();
      view.value = loaded;
      saver.begin(loaded);
    } catch (error) {
      failure.value = sentenceOf(error);
    }
  }

  /** @param what  what was done, as it is said where it can be undone: “leave Quiz 3” */
  function decide(change: Partial<Decisions>, what: string): void {
    if (view.value?.right.may !== true) return;
    undoing.note(what);
    apply({ ...decisions.value, ...change });
  }

  function apply(next: Decisions): void {
    trouble.value = '';
    opened.value = [];
    decisions.value = next;
    saver.saveSoon(view.value!.id);
    announce(`${comeWords()}, ${count(preview.value?.causes.length ?? 0, 'doubt')}`);
  }

  const choose = (choices: Choices, what: string): void =>
    decide({ choices: { ...decisions.value.choices, ...choices } }, what);

  const placeOf = computed(() => new Map(from.source.value.items.map(({ id }, at) => [id, at])));

  const dating = usePlanDates({
    decisions,
    decide,
    policies,
    first: () => sources.value[0]!.source.course.id,
    courseOf: (item) => from.originOf(item).course,
    unitOf: (item) => from.source.value.items[placeOf.value.get(item) ?? -1]?.parent,
  });

  const taking = useTakeBack({ view, lastRun, trouble, reload: () => load(view.value!.id) });
  const standing = useStanding({ view, trouble, reload: () => load(view.value!.id) });
  /** Settles all doubts of a cause: what was brought already is moved in the new course. */
  const settleBy = (cause: DoubtCause, settlement: Settlement): void => {
    const before = new Set(preview.value?.causes.map(({ key }) => key));
    if (cause.stands === true) void standing.moveStanding(settlement.dates);
    else {
      dating.setByHand(settlement.dates, settlement.words);
      opened.value = preview.value?.causes.filter(({ key }) => !before.has(key)).map(({ sentence }) => sentence) ?? [];
    }
  };

  /** Says from which courses the plan brings; whether that was saved. */
  async function changeTo(ids: readonly string[]): Promise<boolean> {
    const plan = view.value;
    if (plan === null) return false;
    trouble.value = '';
    if (!(await saver.flush())) return false;
    try {
      await changeSources(plan.id, saver.version(), ids);
      await load(plan.id);
      return true;
    } catch (error) {
      trouble.value = sentenceOf(error);
      return false;
    }
  }

  /** Brings what the plan says; the outcome, or `null` when it failed and nothing was written. */
  async function bring(): Promise<BringOutcome | null> {
    const plan = view.value;
    if (plan === null || runs.job !== null) return null;
    trouble.value = '';
    if (!(await saver.flush())) return null;
    const { code, number, section } = plan.shell.course;
    try {
      const state = await runs.bring(plan.id, `${code} ${number} into ${section}`, {
        version: saver.version(),
        stands: plan.stands,
      });
      await load(plan.id);
      if (state.is === 'failed') {
        trouble.value = state.problem.detail;
        return null;
      }
      if (state.is === 'running') return null;
      const things = lastRun.value?.counts.things ?? 0;
      const place = `${code} ${number}-${section}, ${plan.shell.course.term}`;
      say(
        `Done: ${count(things, 'thing')} of ${termInSentence(plan.sources[0]!.source.course)} ${things === 1 ? 'stands' : 'stand'} in ${place}.`,
        { words: 'take it back', act: () => taking.takeBack() },
      );
      return state.outcome;
    } catch (error) {
      const before = lastRun.value?.id;
      if (isConflict(error)) await load(plan.id);
      const run = lastRun.value;
      trouble.value =
        isDone.value && run !== null && run.id !== before
          ? `${run.by} has just brought this plan, at ${timeWords(run.at)}. Nothing was brought a second time.`
          : sentenceOf(error);
      return null;
    }
  }

  /** Hears whether the plan still stands as the page shows it, and takes in what became of it elsewhere. */
  async function hear(): Promise<void> {
    const plan = view.value;
    if (plan === null || runs.job !== null || saver.saving.value !== 'saved') return;
    const version = saver.version();
    const news = await fetchPlanNews(plan.id);
    if (view.value !== plan || runs.job !== null) return;
    elsewhere.value = news.running;
    if (news.running !== null || (news.version === version && news.stands === plan.stands)) return;
    const before = lastRun.value?.id;
    await saver.hear(plan.id);
    const run = lastRun.value;
    if (run !== null && run.id !== before) say(`${run.by} has brought this plan, at ${timeWords(run.at)}.`);
  }

  /** Notes that what changed under the plan was seen. */
  async function see(): Promise<void> {
    const plan = view.value;
    if (plan === null) return;
    try {
      await seePlan(plan.id);
      view.value = { ...plan, calendarChange: null };
    } catch (error) {
      trouble.value = sentenceOf(error);
    }
  }

  /** What a thing of the old course is matched with in the shell, whatever is chosen. */
  const matchOf = (id: string): Match | undefined => index.value?.matches.byItem.get(id);
  /** What happens to a thing of the old course. Lines of the source come first, in its order. */
  const lineOf = (id: string): PlanLine | undefined => {
    const at = placeOf.value.get(id);
    return at === undefined ? undefined : preview.value?.lines[at];
  };
  /** Takes things that stand in several sources from one of them. */
  function takeFrom(things: readonly OverlapInForce[], course: string): void {
    const taken = Object.fromEntries(things.map(({ overlap }) => [overlap[0]!.item, course]));
    choose(
      { sources: { ...decisions.value.choices.sources, ...taken } },
      `take ${count(things.length, 'thing')} from ${from.nameOf(course)}`,
    );
  }

  return {
    view,
    decisions,
    ...from,
    lineOf,
    index,
    matchOf,
    takeFrom,
    preview,
    decided,
    effectOf,
    problem,
    failure,
    trouble,
    saving: saver.saving,
    lastRun,
    isDone,
    totals,
    standingRuns,
    load,
    flush: saver.flush,
    /** The page is being left: what waits to be saved is saved at once. */
    leave: (): void => void (view.value !== null && saver.leave(view.value.id)),
    choose,
    decide,
    ...dating,
    settleBy,
    opened,
    fixes: standing.fixes,
    putBackFix: standing.putBack,
    bringFrom: undoing.bringFrom,
    see,
    undo: undoing.undo,
    redo: undoing.redo,
    undoable: undoing.undoable,
    redoable: undoing.redoable,
    bring,
    hear,
    elsewhere,
    ...taking,
  };
});

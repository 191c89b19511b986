import {
  previewPlan,
  reviewPlan,
  settledAs,
  type BringOutcome,
  type Choices,
  type Decisions,
  type DoubtCause,
  type PlanView,
  type PlanInput,
  type Policy,
  type Preview,
  type Review,
  type Settlement,
} from '@yarin/core';
import { defineStore } from 'pinia';
import { computed, ref, shallowRef } from 'vue';
import { ApiProblem, sentenceOf } from '../shared/api/client.js';
import { fetchPlan, saveDecisions, takeBackRun } from '../shared/api/plans.js';
import { useAnnouncer } from '../shared/announcer.js';
import { count, sectionWords } from '../shared/words.js';
import { useRunStore } from './runStore.js';

const CONFLICT = 409;

/** One plan: what the server knows of it, what the person decides, and the preview that follows at once. */
export const usePlanStore = defineStore('plan', () => {
  const view = shallowRef<PlanView | null>(null);
  const decisions = shallowRef<Decisions>({ choices: {}, byHand: {}, settled: {} });
  const failure = ref('');
  const trouble = ref('');
  const saving = ref<'saved' | 'saving' | 'failed'>('saved');
  const runs = useRunStore();
  const { announce } = useAnnouncer();
  let version = 0;
  let isWaiting = false;
  let saves: Promise<void> = Promise.resolve();

  const policy = computed<Policy>(() => decisions.value.policy ?? view.value?.suggestion.proposed.policy ?? {});

  const input = computed<PlanInput | null>(() => {
    if (view.value === null) return null;
    const { source, shell, findings, lineage, now } = view.value;
    return { source, shell, findings, lineage, now, decisions: decisions.value, policy: policy.value };
  });
  const worked = computed(() => (input.value === null ? null : previewPlan(input.value)));
  const preview = computed<(Preview & Review) | null>(() =>
    worked.value?.ok ? { ...worked.value.value, ...reviewPlan(input.value!, worked.value.value) } : null,
  );
  const problem = computed(() => (worked.value?.ok === false ? worked.value.problems[0]!.message : ''));

  const lastRun = computed(() => view.value?.runs[0] ?? null);
  /** What was brought still stands, and nothing is left to bring. */
  const isDone = computed(
    () => lastRun.value !== null && lastRun.value.undoneAt === null && preview.value?.toWrite === 0,
  );
  const totals = computed(() => {
    const counts = Object.values(preview.value?.counts ?? {});
    return {
      of: counts.reduce((sum, { source }) => sum + source, 0),
      come: counts.reduce((sum, { bring }) => sum + bring, 0),
    };
  });

  async function load(id: string): Promise<void> {
    failure.value = '';
    if (view.value?.id !== id) view.value = null;
    try {
      const loaded = await fetchPlan(id);
      version = loaded.version;
      decisions.value = loaded.decisions;
      view.value = loaded;
      saving.value = 'saved';
    } catch (error) {
      failure.value = sentenceOf(error);
    }
  }

  async function save(id: string): Promise<void> {
    try {
      version = (await saveDecisions(id, version, decisions.value)).version;
    } catch (error) {
      saving.value = 'failed';
      trouble.value = sentenceOf(error);
      if (error instanceof ApiProblem && error.details.status === CONFLICT) await load(id);
    }
  }

  /** Saves as long as something waits to be saved: the first change at once, what came meanwhile together. */
  async function saveWaiting(id: string): Promise<void> {
    while (isWaiting) {
      isWaiting = false;
      await save(id);
    }
    if (saving.value === 'saving') saving.value = 'saved';
  }

  /** Resolves when everything decided so far is saved, or could not be. */
  const flush = (): Promise<void> => saves;

  function decide(change: Partial<Decisions>): void {
    const plan = view.value;
    if (plan?.right.may !== true) return;
    trouble.value = '';
    decisions.value = { ...decisions.value, ...change };
    if (saving.value !== 'saving' || !isWaiting) {
      isWaiting = true;
      saves = saving.value === 'saving' ? saves : saveWaiting(plan.id);
      saving.value = 'saving';
    }
    announce(`${totals.value.come} of ${totals.value.of} come, ${count(preview.value?.causes.length ?? 0, 'doubt')}`);
  }

  const choose = (choices: Choices): void => decide({ choices: { ...decisions.value.choices, ...choices } });

  function setByHand(dates: Readonly<Record<string, string>>): void {
    decide({ byHand: { ...decisions.value.byHand, ...dates } });
  }

  /** Gives dates back to the rule. */
  function backToRule(ids: readonly string[]): void {
    decide({ byHand: Object.fromEntries(Object.entries(decisions.value.byHand).filter(([id]) => !ids.includes(id))) });
  }

  function settle(cause: DoubtCause): void {
    const settled = Object.fromEntries(cause.moments.map((moment) => [moment.id, settledAs(moment)]));
    decide({ settled: { ...decisions.value.settled, ...settled } });
  }

  function apply(settlement: Settlement): void {
    if (settlement.settle === 'byHand') setByHand(settlement.dates);
    else decide({ policy: { ...policy.value, weekdays: settlement.weekdays } });
  }

  /** Brings what the plan says; the outcome, or `null` when it failed and nothing was written. */
  async function bring(): Promise<BringOutcome | null> {
    const plan = view.value;
    if (plan === null || runs.job !== null) return null;
    trouble.value = '';
    await flush();
    if (saving.value === 'failed') return null;
    const { code, number, section } = plan.shell.course;
    try {
      const state = await runs.bring(plan.id, `${code} ${number} into ${section}`);
      await load(plan.id);
      if (state.is === 'failed') {
        trouble.value = state.problem.detail;
        return null;
      }
      if (state.is === 'running') return null;
      const { source, shell } = plan;
      announce(
        `Done: ${lastRun.value?.counts.things ?? 0} things of ${source.course.term} stand in ${code} ${number}-${section}, ${shell.course.term}.`,
      );
      return state.outcome;
    } catch (error) {
      trouble.value = sentenceOf(error);
      return null;
    }
  }

  async function takeBack(): Promise<void> {
    if (view.value === null || lastRun.value === null) return;
    trouble.value = '';
    try {
      const { things } = await takeBackRun(lastRun.value.id);
      announce(`${things} things taken back. The shell is as it was.`);
      await load(view.value.id);
    } catch (error) {
      trouble.value = sentenceOf(error);
    }
  }

  const sides = computed(() => {
    if (view.value === null) return null;
    const { source, shell } = view.value;
    const words = ({ course, meetings }: typeof source): string => sectionWords({ ...course, meetings });
    return {
      old: { term: source.course.term, words: words(source) },
      new: { term: shell.course.term, words: words(shell) },
    };
  });

  return {
    view,
    decisions,
    policy,
    preview,
    problem,
    failure,
    trouble,
    saving,
    lastRun,
    isDone,
    totals,
    sides,
    load,
    flush,
    choose,
    decide,
    setByHand,
    backToRule,
    settle,
    apply,
    bring,
    takeBack,
  };
});

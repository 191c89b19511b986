import { isDoubtful, parseDay, standingDates, undatedWork, type PlanSourceView, type PreviewDate } from '@yarin/core';
import { computed, shallowRef, watch, type Ref } from 'vue';
import { useSelection } from '../../shared/dates/useSelection.js';
import { usePlanStore } from '../state/planStore.js';

/** What is looked at of the dates. */
interface Look {
  /** The source whose old term the chart shows; the table has the dates of all. */
  readonly source: Readonly<Ref<PlanSourceView>>;
  /** The section of a shared shell; all of them when `null`. */
  readonly section: Readonly<Ref<string | null>>;
  /** First day of the week of the new term that the table is narrowed to. */
  readonly week: Readonly<Ref<number | null>>;
  /** The dates as another rule would have them, while it is looked at. */
  readonly trying: Readonly<Ref<readonly PreviewDate[] | null>>;
}

const NOTHING: ReadonlyMap<string, string | null> = new Map();
const byTitle = new Intl.Collator('en', { numeric: true });

interface Row {
  readonly date: PreviewDate;
  /** Among those that stand first; Infinity for all others. */
  readonly place: number;
  readonly to: string;
  readonly title: number;
}

function inOrder(a: Row, b: Row): number {
  if (a.place !== b.place) return a.place < b.place ? -1 : 1;
  if (a.to !== b.to) return a.to < b.to ? -1 : 1;
  return a.title - b.title;
}

/** Whether a date is among those of a week, from its first day on, or is chosen. */
function shownIn(week: number, chosen: ReadonlySet<string>): (date: PreviewDate) => boolean {
  return ({ id, to }) => {
    if (chosen.has(id)) return true;
    const day = to === null ? NaN : parseDay(to);
    return day >= week && day < week + 7;
  };
}

/** The dates of a plan as the chart and the table show them, and which of them are chosen. */
export function useWeaveRows({ source, section, week, trying }: Look) {
  const plan = usePlanStore();

  /** After the run all dates as they stand; those that stand as the plan put them with what it says of them. */
  const everyDate = computed(() => {
    const { dates, asBrought } = plan.preview!;
    if (trying.value !== null) return trying.value;
    if (!plan.isDone) return dates;
    const told = new Map(asBrought.map((date) => [date.id, date]));
    return standingDates(plan.source, plan.view!.shell).map((date) => told.get(date.id) ?? date);
  });
  /** Work that comes without a date: rows like others, but no strands. */
  const undated = computed(() =>
    trying.value !== null || plan.isDone || !plan.view!.right.may
      ? []
      : undatedWork({ source: plan.source, decisions: plan.decisions }, plan.preview!),
  );
  /** Of sections that share the shell: those of the one that is looked at, with what is for everybody or another group. */
  const all = computed(() =>
    section.value === null
      ? everyDate.value
      : everyDate.value.filter((date) => date.moment === undefined || date.for === section.value),
  );
  const woven = computed(() =>
    plan.sources.length < 2
      ? all.value
      : all.value.filter(({ item }) => plan.originOf(item).course === source.value.source.course.id),
  );
  const causes = computed(() => plan.preview!.causes);
  /** Ids of the doubtful ones, cause by cause. */
  const doubtful = computed(() =>
    trying.value === null
      ? new Set(causes.value.flatMap(({ moments }) => moments.map(({ id }) => id)))
      : new Set(trying.value.flatMap(({ id, flags }) => (isDoubtful(flags) ? [id] : []))),
  );
  /** While another rule is looked at: where the dates go now that would go elsewhere, by id. */
  const goesNow = computed((): ReadonlyMap<string, string | null> => {
    if (trying.value === null) return NOTHING;
    const now = new Map(plan.preview!.dates.map(({ id, to }) => [id, to]));
    return new Map(trying.value.filter(({ id, to }) => now.get(id) !== to).map(({ id }) => [id, now.get(id) ?? null]));
  });

  /** By the id of a thing, its place among all titles; made once, since sorting asks for it 20,000 times. */
  const titlePlaces = computed(() => {
    const titles = plan.source.items.map(({ id, title }) => ({ id, title }));
    titles.sort((a, b) => byTitle.compare(a.title, b.title));
    return new Map(titles.map(({ id }, place) => [id, place]));
  });

  /** While rows are chosen, and after a date was set, each stays in its place. */
  const held = shallowRef<ReadonlyMap<string, number> | null>(null);
  /** Doubts first, cause by cause, then all others by their new date. */
  const dates = computed(() => {
    const shownFirst = trying.value === null ? [...doubtful.value] : [...goesNow.value.keys()];
    const first = held.value ?? new Map(shownFirst.map((id, index) => [id, index]));
    const titles = titlePlaces.value;
    const isShown = week.value === null ? () => true : shownIn(week.value, selection.chosen.value);
    const rows: Row[] = [];
    for (const date of [...all.value, ...undated.value]) {
      if (!isShown(date)) continue;
      const place = first.get(date.id) ?? Infinity;
      rows.push({ date, place, to: date.to ?? '', title: titles.get(date.item) ?? 0 });
    }
    return rows.sort(inOrder).map(({ date }) => date);
  });
  const selection = useSelection(() => dates.value.map(({ id }) => id));
  const hold = (): void => void (held.value = new Map(dates.value.map(({ id }, index) => [id, index])));
  // Another rule, week or course is another list.
  const looked = (): unknown[] => [
    week.value,
    source.value.source.course.id,
    section.value,
    trying.value !== null,
    plan.policies,
  ];
  watch(
    () => JSON.stringify(looked()),
    () => {
      if (selection.size.value === 0) held.value = null;
    },
  );
  watch(
    () => selection.size.value > 0,
    (isChoosing) => {
      if (isChoosing) hold();
      else held.value = null;
    },
    { flush: 'sync' },
  );
  const chosen = computed(() => [...all.value, ...undated.value].filter(({ id }) => selection.chosen.value.has(id)));
  return { all, undated, woven, doubtful, goesNow, dates, selection, chosen, hold };
}

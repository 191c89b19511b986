import {
  civilDate,
  classDaysIn,
  formatDay,
  indexTerms,
  monthWord,
  parseDay,
  type Calendar,
  type CalendarIndex,
  type Day,
  type Meeting,
  type PreviewDate,
} from '@yarin/core';

const DAYS_PER_WEEK = 7;
const MOST_WEEKS_OUTSIDE = 3;

export interface WeekBox {
  /** First day of the week. */
  readonly start: number;
  /** Weeks from the left edge. */
  readonly at: number;
  readonly label: string;
  readonly is: 'teaching' | 'exam' | 'break' | 'outside';
  /** Graded work due in it. */
  readonly load: number;
  /** More falls in it than fell in any week it came from, and more than the limit. */
  readonly piled: boolean;
}

/** One term as a strip of weeks. Positions are in days from the left edge of the chart. */
export interface Strip {
  readonly firstDay: number;
  readonly weeks: readonly WeekBox[];
  readonly closedDays: readonly { readonly at: number; readonly label: string }[];
  readonly classDays: readonly number[];
  /** Where today is; `null` when the strip does not reach it. */
  readonly today: number | null;
  readonly months: readonly { readonly at: number; readonly name: string }[];
}

/** Dates that go the same way, drawn as one strand. */
export interface WeaveStrand {
  readonly key: string;
  /** Days from the left edge. */
  readonly from: number;
  readonly to: number;
  readonly ids: readonly string[];
  readonly doubtful: boolean;
  readonly byHand: boolean;
  /** Of dates that go with their class: drawn from class tick to class tick. */
  readonly tied: boolean;
  /** Of sections that share the shell: which of them, in their order. */
  readonly section: number;
  readonly title: string;
}

export interface Weave {
  readonly days: number;
  readonly old: Strip;
  readonly new: Strip;
  readonly strands: readonly WeaveStrand[];
  /** The day of the new strip at a position. */
  dayAt(position: number): string;
}

/** A date with its days as numbers. */
interface Dated {
  readonly date: PreviewDate;
  readonly from: Day;
  readonly to: Day | null;
}

interface Side {
  readonly calendar: Calendar;
  readonly meetings: readonly Meeting[];
}

const LIMIT_PER_WEEK = 4;

/** A date for everybody that differs by section. */
const isOfSection = ({ moment }: PreviewDate): boolean => moment !== undefined;

/**
 * Lays both terms out level by their first teaching week, and a strand from each old date to its new one.
 *
 * @param doubtful  ids of the moments in doubt
 */
export function weaveOf(
  old: Side,
  next: Side,
  dates: readonly PreviewDate[],
  doubtful: ReadonlySet<string>,
  today: Day,
): Weave {
  const { old: oldIndex, new: newIndex } = indexTerms(
    { calendar: old.calendar, meetings: [...old.meetings] },
    { calendar: next.calendar, meetings: [...next.meetings] },
  );
  const [oldZero, newZero] = [oldIndex.teachingWeeks[0]!, newIndex.teachingWeeks[0]!];
  const dated = dates.map((date): Dated => ({
    date,
    from: parseDay(date.from),
    to: date.to === null ? null : parseDay(date.to),
  }));
  const reach = new Set(
    dated.flatMap(({ from: was, to }) => (to === null ? [was - oldZero] : [was - oldZero, to - newZero])),
  );
  const first = Math.min(oldIndex.firstDay - oldZero, newIndex.firstDay - newZero, 0);
  const last = Math.max(oldIndex.lastDay - oldZero, newIndex.lastDay - newZero);
  const beyond = MOST_WEEKS_OUTSIDE * DAYS_PER_WEEK;
  const from = Math.floor(Math.max(first - beyond, Math.min(first, ...reach)) / DAYS_PER_WEEK) * DAYS_PER_WEEK;
  const until = Math.ceil((Math.min(last + beyond, Math.max(last, ...reach)) + 1) / DAYS_PER_WEEK) * DAYS_PER_WEEK;

  // Of sections that share a shell each has its own work; the load is that of one of them.
  const section = dates.find(isOfSection)?.for;
  const due = dated.filter(
    ({ date }) => date.role === 'due' && date.graded && (!isOfSection(date) || date.for === section),
  );
  const oldLoad = countByWeek(
    due.map(({ from: was }) => was),
    oldIndex,
  );
  const newLoad = countByWeek(
    due.flatMap(({ to }) => to ?? []),
    newIndex,
  );
  const heaviest = Math.max(LIMIT_PER_WEEK, ...oldLoad.values());
  return {
    days: until - from,
    old: stripOf(oldIndex, old.meetings, { start: oldZero + from, days: until - from, today }, oldLoad, Infinity),
    new: stripOf(newIndex, next.meetings, { start: newZero + from, days: until - from, today }, newLoad, heaviest),
    strands: strandsOf(dated, oldZero + from, newZero + from, doubtful),
    dayAt: (position) => formatDay(newZero + from + Math.floor(position)),
  };
}

function countByWeek(days: readonly Day[], index: CalendarIndex): ReadonlyMap<Day, number> {
  const counts = new Map<Day, number>();
  for (const day of days) {
    const week = index.weekStart(day);
    counts.set(week, (counts.get(week) ?? 0) + 1);
  }
  return counts;
}

function stripOf(
  index: CalendarIndex,
  meetings: readonly Meeting[],
  { start, days, today }: { readonly start: Day; readonly days: number; readonly today: Day },
  loads: ReadonlyMap<number, number>,
  limit: number,
): Strip {
  const weeks: WeekBox[] = [];
  const closedDays: { at: number; label: string }[] = [];
  const classDays: number[] = [];
  const months: { at: number; name: string }[] = [];
  const meets = classDaysIn(index, meetings);
  for (let at = 0; at < days; at++) {
    const day = start + at;
    const { month, date } = civilDate(day);
    if (date === 1 || at === 0) months.push({ at, name: monthWord(month) });
    if (index.isClosed(day)) closedDays.push({ at, label: index.closureAt(day)?.label ?? 'closed' });
    else if (meets.has(day)) classDays.push(at);
    if (at % DAYS_PER_WEEK !== 0) continue;
    const load = loads.get(day) ?? 0;
    weeks.push({ start: day, at: at / DAYS_PER_WEEK, load, piled: load > limit, ...weekFace(index, day) });
  }
  return {
    firstDay: start,
    weeks,
    closedDays,
    classDays,
    today: today >= start && today < start + days ? today - start : null,
    months: months.filter(({ at }, place) => place !== 0 || (months[1]?.at ?? 99) - at > 14),
  };
}

function weekFace(index: CalendarIndex, week: number): Pick<WeekBox, 'is' | 'label'> {
  const kind = index.weekKind(week);
  if (week > index.lastDay || week + DAYS_PER_WEEK <= index.firstDay) return { is: 'outside', label: '' };
  if (kind.is === 'teaching') return { is: 'teaching', label: String(kind.number) };
  if (kind.is === 'exam') return { is: 'exam', label: 'exams' };
  return { is: kind.is === 'break' ? 'break' : 'outside', label: kind.is === 'break' ? 'break' : '' };
}

interface Bundle {
  readonly strand: Omit<WeaveStrand, 'ids' | 'title'>;
  readonly ids: string[];
  readonly titles: Set<string>;
}

function strandsOf(
  dated: readonly Dated[],
  oldStart: Day,
  newStart: Day,
  doubtful: ReadonlySet<string>,
): WeaveStrand[] {
  const sections = [...new Set(dated.flatMap(({ date }) => (isOfSection(date) ? [date.for!] : [])))].sort();
  /** By the old day, the rest of what strands differ by in one number. */
  const byDay = new Map<Day, Map<number, Bundle>>();
  for (const { date, from, to } of dated) {
    if (to === null) continue;
    const isDoubt = doubtful.has(date.id);
    const byHand = date.rule === 'byHand';
    const tied = date.steps.some(({ step }) => step === 'tied');
    const section = isOfSection(date) ? sections.indexOf(date.for!) : 0;
    let bundles = byDay.get(from);
    if (bundles === undefined) byDay.set(from, (bundles = new Map()));
    const face =
      (((to * 2 + Number(isDoubt)) * 2 + Number(byHand)) * 2 + Number(tied)) * (sections.length + 1) + section;
    let bundle = bundles.get(face);
    if (bundle === undefined) {
      const key = `${from} ${to} ${isDoubt} ${byHand} ${tied} ${section}`;
      const ends = { from: from - oldStart + 0.5, to: to - newStart + 0.5 };
      bundle = { strand: { key, ...ends, doubtful: isDoubt, byHand, tied, section }, ids: [], titles: new Set() };
      bundles.set(face, bundle);
    }
    bundle.ids.push(date.id);
    bundle.titles.add(date.title);
  }
  return [...byDay.values()]
    .flatMap((bundles) => [...bundles.values()])
    .map(({ strand, ids, titles }) => ({ ...strand, ids, title: titlesWords(titles) }))
    .sort((a, b) => Number(a.doubtful) - Number(b.doubtful));
}

const MOST_TITLES = 8;

function titlesWords(titles: ReadonlySet<string>): string {
  const all = [...titles];
  const more = all.length - MOST_TITLES;
  return more > 1 ? `${all.slice(0, MOST_TITLES).join(', ')} and ${more} more` : all.join(', ');
}

import type { RetimeJob } from '../../src/schemas/retimeJob.js';
import { PlainClasses } from './plainClasses.js';
import { PlainCalendar } from './plainCalendar.js';

/** The policy that docs/rules.md proposes for two terms, sentence by sentence. */
export function plainProposal({ source, destination }: RetimeJob): {
  readonly rule: string;
  readonly weekdays: Readonly<Record<string, number>>;
} {
  const start = destination.calendar.weekStartsOn ?? 1;
  const [from, to] = [new PlainCalendar(source, start), new PlainCalendar(destination, start)];
  const every = [from, to].map((term) => new Set([...term.taughtWeeks(), ...term.weeksWithClass()]));
  if (every[0]!.size === every[1]!.size) [from.counted, to.counted] = [[...every[0]!], [...every[1]!]];
  const apart = Math.abs(from.teachingWeeks().length - to.teachingWeeks().length);
  const [before, after] = [source.meetings ?? [], destination.meetings ?? []];
  const isNumbered = [before, after].every((list) => list.length > 0 && list.every(({ weeks }) => weeks !== undefined));
  const rule = apart > 3 ? 'stretch' : isNumbered ? 'meeting' : 'week';

  const classes = new PlainClasses(from, to);
  const names = [...new Set(before.map(({ series }) => series))];
  const place = (weekday: number): number => (weekday - start + 7) % 7;
  const goes = new Map<number, number>();
  for (const name of names) {
    const series = classes.series(name);
    const count = (list: readonly { readonly weekday: number }[]): number =>
      new Set(list.map((met) => met.weekday)).size;
    if (count(series.old) !== count(series.new)) return { rule, weekdays: {} };
    for (const { weekday } of series.old) {
      const target = classes.classDay(series, weekday);
      if ((goes.get(weekday) ?? target) !== target) return { rule, weekdays: {} };
      goes.set(weekday, target);
    }
  }
  const inOrder = [...goes].sort(([a], [b]) => place(a) - place(b));
  if (inOrder.some(([, target], at) => at > 0 && place(target) <= place(inOrder[at - 1]![1])))
    return { rule, weekdays: {} };
  const moves = new Map(inOrder);
  for (const [at, [first, target]] of inOrder.entries()) {
    const [last, lastTarget] = inOrder[at + 1] ?? [];
    if (last === undefined || place(lastTarget!) - place(last) !== place(target) - place(first)) continue;
    for (let between = place(first) + 1; between < place(last); between++) {
      const weekdayAt = (where: number): number => ((start - 1 + where) % 7) + 1;
      moves.set(weekdayAt(between), weekdayAt(between + place(target) - place(first)));
    }
  }
  return { rule, weekdays: Object.fromEntries([...moves].filter(([weekday, target]) => weekday !== target)) };
}

import { parseDay, type Day } from '../calendar/day.js';
import type { Calendar, Closure } from '../schemas/calendar.js';

interface Days {
  readonly from: Day;
  readonly to: Day;
}

/** Where the days of a closure stand in the new calendar: `'none'` when it has no closure of that kind and label. */
export interface ClosureDays {
  /** Of a day that is the whole closure, or its first or last day. */
  ofDay(day: Day): Day | 'none' | undefined;
  /** Of days that are the whole closure. */
  ofRange(days: Days): Days | 'none' | undefined;
}

const daysOf = ({ from, to }: Closure): Days => ({ from: parseDay(from), to: parseDay(to) });
const nameOf = ({ kind, label = '' }: Closure): string => `${kind} ${label.trim().toLowerCase()}`;

export function closureDays(before: Calendar, after: Calendar): ClosureDays {
  const old = before.closures ?? [];
  const named = new Map<string, Closure[]>();
  for (const closure of after.closures ?? [])
    named.set(nameOf(closure), [...(named.get(nameOf(closure)) ?? []), closure]);
  /** Of several of one name the one at its place among them. */
  const answering = (closure: Closure): Days | 'none' => {
    const name = nameOf(closure);
    const there = named.get(name) ?? [];
    const place = old.filter((each) => nameOf(each) === name).indexOf(closure);
    const found = there[Math.min(place, there.length - 1)];
    return found === undefined ? 'none' : daysOf(found);
  };
  return {
    ofDay(day) {
      const closure = old.find((each) => daysOf(each).from === day || daysOf(each).to === day);
      if (closure === undefined) return undefined;
      const there = answering(closure);
      return there === 'none' ? 'none' : daysOf(closure).from === day ? there.from : there.to;
    },
    ofRange({ from, to }) {
      const closure = old.find((each) => daysOf(each).from === from && daysOf(each).to === to);
      return closure === undefined ? undefined : answering(closure);
    },
  };
}

import { parseDay, type CalendarIndex, type PreviewDate } from '@yarin/core';

const LIMIT_PER_WEEK = 4;
const MOST_NAMED = 3;

/** Weeks of the new term with more graded work than the limit, the fullest first: “Week 3 holds 6 graded deadlines, week 6 holds 5”. */
export function pileUps(dates: readonly PreviewDate[], term: CalendarIndex): string {
  const loads = new Map<number, number>();
  for (const { role, graded, to } of dates) {
    if (role !== 'due' || !graded || to === null) continue;
    const week = term.weekStart(parseDay(to));
    loads.set(week, (loads.get(week) ?? 0) + 1);
  }
  const full = [...loads].filter(([, load]) => load > LIMIT_PER_WEEK).sort(([a, x], [b, y]) => y - x || a - b);
  const nameOf = (week: number): string => {
    const kind = term.weekKind(week);
    return kind.is === 'teaching' ? `week ${kind.number}` : kind.is === 'exam' ? 'the exams' : 'a week without classes';
  };
  const named = full.slice(0, MOST_NAMED).map(([week, load]) => `${nameOf(week)} holds ${load}`);
  if (named.length === 0) return '';
  const more = full.length - named.length;
  const words = `${named.join(', ')}${more > 0 ? ` and ${more} more weeks` : ''} graded deadlines; the limit is ${LIMIT_PER_WEEK}.`;
  return words[0]!.toUpperCase() + words.slice(1);
}

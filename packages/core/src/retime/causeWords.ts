import { closureName } from '../calendar/closureWords.js';
import { dayWords, dayWordsWithYear } from '../calendar/dateWords.js';
import { parseDay } from '../calendar/day.js';
import { dayBeforeLanding, type Doubt, type DoubtfulMoment } from './doubt.js';
import type { Flag } from '../names/flags.js';
import { ROLE_WORDS } from './roleWords.js';

const times = (count: number): string => (count === 1 ? '' : count === 2 ? ', twice' : `, ${count} times`);

const PLAIN_ROLES: readonly DoubtfulMoment['role'][] = ['due', 'starts', 'ends', 'posts'];

const nameOf = ({ moment: { title, role } }: Doubt): string =>
  PLAIN_ROLES.includes(role) ? title : `${title}, ${ROLE_WORDS[role]}`;

/** The things that doubts are on: two by name, the others as a number. */
export const namesOf = (doubts: readonly Doubt[]): string => {
  const titles = [...new Set(doubts.map(nameOf))];
  return titles.length <= 2 ? titles.join(' and ') : `${titles[0]} · ${titles[1]} · ${titles.length - 2} more`;
};

/** What is the matter, with the day of the first date. */
export function sentenceOf(cause: Flag, doubts: readonly Doubt[]): string {
  const names = namesOf(doubts);
  const [{ moment, oldDay, ground }] = doubts as [Doubt, ...Doubt[]];
  const { terms } = ground;
  const to = parseDay(moment.to ?? moment.from);
  switch (cause) {
    case 'closure': {
      const day = dayBeforeLanding(moment);
      const many = times(doubts.length);
      if (!terms.new.isInside(day)) {
        const side = day < terms.new.firstDay ? 'before the new term begins' : 'after the new term ends';
        return `${dayWords(day)} is ${side}${many}`;
      }
      const closure = terms.new.closureAt(day);
      return `${dayWords(day)} is ${closure === undefined ? 'closed' : closureName(closure)} now${many}`;
    }
    case 'noClass':
      return `${names}: no class on ${dayWords(dayBeforeLanding(moment))}`;
    case 'wasInBreak': {
      const closure = terms.old.closureAt(oldDay);
      const where = closure === undefined ? 'a week without classes' : closureName(closure);
      return `${names}: ${dayWords(oldDay)} was in ${where}`;
    }
    case 'outsideTerm':
      return `${names}: ${dayWords(to)} is ${to < terms.new.firstDay ? 'before the new term' : 'after the new term'}`;
    case 'noSuchWeek': {
      const fewer = terms.old.teachingWeeks.length - terms.new.teachingWeeks.length;
      return fewer > 0
        ? `The new term is ${fewer === 1 ? 'one week' : `${fewer} weeks`} shorter: ${names}, ${dayWords(oldDay)}${doubts.length > 1 ? ' on' : ''}, had a week that it lacks`
        : `${names}: nothing in the new term answers to the week of ${dayWords(oldDay)}`;
    }
    case 'otherWeekday':
      return `${names}: ${dayWords(to)} runs another weekday's timetable`;
    case 'noSuchMeeting':
      return `${names}: the new term has fewer classes, none for that of ${dayWords(oldDay)}`;
    case 'missingHour':
      return `${names}: the clocks skip that hour on ${dayWords(to)}`;
    case 'orderChanged':
      return doubts.length === 1
        ? `${names}: order changed on ${dayWords(to)}`
        : `${names}: order changed${times(doubts.length)}, first on ${dayWords(to)}`;
    case 'otherTerm':
      return `${names}: ${dayWordsWithYear(oldDay)} is in another term than last`;
    case 'past':
      return `${names}: ${dayWords(to)} has passed`;
    case 'weekend':
      return `${names}: would fall on a weekend now, ${dayWords(to)}`;
    case 'otherPeriod':
      return `${names}: on ${dayWords(to)} it counts in another marking period`;
    case 'sameDay':
    case 'crowded':
      return names;
  }
}

import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';
import { formatDay, formatMoment, parseDay, weekdayOf, weekStartOf } from '../../src/calendar/day.js';
import type { Flag } from '../../src/retime/flags.js';
import { retime, type Retimed } from '../../src/retime/retime.js';
import type { RetimeMoment, Role } from '../../src/schemas/retimeJob.js';
import { aJob, SPRING_2026, SPRING_2027 } from '../terms.js';

/** Every pair is looked at: slow, and written from the sentences of docs/rules.md alone. */
function expectedFlags(
  moments: readonly RetimeMoment[],
  dates: readonly Retimed[],
  byHand: Readonly<Record<string, string>>,
): Flag[][] {
  const [oldFirst, oldLast] = [SPRING_2026.calendar.firstDay, SPRING_2026.calendar.lastDay].map(parseDay) as [
    number,
    number,
  ];
  const [newFirst, newLast] = [SPRING_2027.calendar.firstDay, SPRING_2027.calendar.lastDay].map(parseDay) as [
    number,
    number,
  ];
  const isHand = (date: Retimed): boolean => byHand[date.id] !== undefined;
  const isOtherTerm = ({ from }: Retimed): boolean => parseDay(from) < oldFirst - 60 || parseDay(from) > oldLast + 60;
  const dues = dates.filter((_, index) => moments[index]!.graded === true && moments[index]!.role === 'due');
  const week = (at: string): number => weekStartOf(parseDay(at), 1);
  const day = (at: string): string => at.slice(0, 10);

  return dates.map((date) => {
    const flags: Flag[] = [];
    const { from } = date;
    const to = date.to!;
    const [oldDay, newDay] = [parseDay(from), parseDay(to)];
    if (oldDay >= oldFirst && oldDay <= oldLast && (newDay < newFirst || newDay > newLast)) flags.push('outsideTerm');
    const reversed = dates.some((other) => {
      if (other.role !== date.role || isOtherTerm(other) || isOtherTerm(date)) return false;
      if (isHand(other) && isHand(date)) return false;
      if (isHand(other) && !isHand(date)) return false;
      return (other.from < from && other.to! > to) || (other.from > from && other.to! < to);
    });
    if (reversed) flags.push('orderChanged');
    if (isOtherTerm(date)) flags.push('otherTerm');
    if (!isHand(date) && weekdayOf(newDay) > 5 && weekdayOf(oldDay) <= 5) flags.push('weekend');
    if (dues.includes(date)) {
      const mates = dues.filter((other) => day(other.to!) === day(to));
      if (mates.some((other) => day(other.from) !== day(from))) flags.push('sameDay');
      const were = dues.filter((other) => day(other.from) === day(from)).length;
      const inWeek = dues.filter((other) => week(other.to!) === week(to)).length;
      const wereInWeek = dues.filter((other) => week(other.from) === week(from)).length;
      if ((mates.length > 2 && mates.length > were) || (inWeek > 4 && inWeek > wereInWeek)) flags.push('crowded');
    }
    return flags;
  });
}

const COMPARED: readonly Flag[] = ['outsideTerm', 'orderChanged', 'otherTerm', 'weekend', 'sameDay', 'crowded'];
const ROLES: readonly Role[] = ['due', 'opens', 'posts'];

describe('flags', () => {
  it('are those that looking at every pair would raise', () => {
    const moment = fc.record({
      role: fc.constantFrom(...ROLES),
      day: fc.integer({ min: -90, max: 200 }),
      minute: fc.constantFrom(540, 600, 1439),
      graded: fc.boolean(),
      hand: fc.option(fc.integer({ min: -10, max: 130 }), { nil: undefined, freq: 5 }),
    });
    fc.assert(
      fc.property(
        fc.array(moment, { minLength: 1, maxLength: 24 }),
        fc.constantFrom<Record<string, number>>({}, { 1: 2, 3: 4 }, { 1: 3, 5: 2 }),
        (drawn, weekdays) => {
          const first = parseDay('2026-01-12');
          const moments = drawn.map(({ role, day, minute, graded }, index): RetimeMoment => ({
            id: `m${index}`,
            role,
            graded,
            at: formatMoment(first + day, minute),
          }));
          const byHand = Object.fromEntries(
            drawn.flatMap(({ hand }, index) =>
              hand === undefined ? [] : [[`m${index}`, `${formatDay(parseDay('2027-01-11') + hand)}T12:00`]],
            ),
          );
          const result = retime(aJob(moments, { policy: { weekdays }, byHand }));
          if (!result.ok) throw new Error('the job is sound');
          const raised = result.value.map(({ flags }) => flags.filter((flag) => COMPARED.includes(flag)));
          expect(raised).toEqual(expectedFlags(moments, result.value, byHand));
        },
      ),
      { numRuns: 400 },
    );
  });
});

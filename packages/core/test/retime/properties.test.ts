import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';
import { formatDay, formatMoment, parseDay } from '../../src/calendar/day.js';
import { retime } from '../../src/retime/retime.js';
import type { Calendar } from '../../src/schemas/calendar.js';
import type { RetimeMoment, Role, RuleName } from '../../src/schemas/retimeJob.js';
import { aJob } from '../terms.js';

const MONDAY = parseDay('2025-09-01');
const term = (startWeek: number, weeks: number, closures: Calendar['closures'] = []): Calendar => {
  const first = MONDAY + startWeek * 7;
  return { firstDay: formatDay(first), lastDay: formatDay(first + weeks * 7 - 3), timeZone: 'UTC', closures };
};
const dues = (days: readonly number[]): RetimeMoment[] =>
  days.map((day, index) => ({ id: `m${index}`, role: 'due', at: formatMoment(day, 720) }));

describe('rule week', () => {
  it('reverses no two days when there is no class-day map and no closure in the way', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 3, max: 20 }),
        fc.integer({ min: 20, max: 80 }),
        fc.array(fc.integer({ min: -30, max: 160 }), { minLength: 2 }),
        (weeks, shift, offsets) => {
          const old = term(0, weeks);
          const days = [...new Set(offsets)].sort((a, b) => a - b).map((offset) => MONDAY + offset);
          const result = retime(
            aJob(dues(days), { source: { calendar: old }, destination: { calendar: term(shift, weeks) }, policy: {} }),
          );
          const moved = result.ok ? result.value.map(({ to }) => to!) : [];
          expect(moved).toHaveLength(days.length);
          expect([...moved].sort()).toEqual(moved);
        },
      ),
    );
  });
  it('there and back is where it was, on terms of equal shape without closures', () => {
    fc.assert(
      fc.property(fc.integer({ min: 3, max: 16 }), fc.integer({ min: -20, max: 130 }), (weeks, offset) => {
        const [a, b] = [{ calendar: term(0, weeks) }, { calendar: term(30, weeks) }];
        const at = formatMoment(MONDAY + offset, 600);
        const there = retime(aJob([{ id: 'm', role: 'due', at }], { source: a, destination: b, policy: {} }));
        const back = retime(
          aJob([{ id: 'm', role: 'due', at: there.ok ? there.value[0]!.to! : '' }], {
            source: b,
            destination: a,
            policy: {},
          }),
        );
        expect(back.ok && back.value[0]!.to).toBe(at);
      }),
    );
  });
});

describe('every rule', () => {
  const RULES: RuleName[] = ['week', 'meeting', 'nearest', 'offset', 'stretch', 'clear', 'keep'];
  const ROLES: Role[] = ['opens', 'part', 'due', 'late', 'closes', 'answers', 'posts', 'starts', 'ends', 'remind'];
  const moment = fc.record({
    role: fc.constantFrom(...ROLES),
    day: fc.integer({ min: -100, max: 220 }),
    minute: fc.integer({ min: 0, max: 1439 }),
    item: fc.constantFrom(undefined, 'a', 'b', 'c'),
    kind: fc.constantFrom('event', 'quiz'),
    hand: fc.oneof(
      { weight: 1, arbitrary: fc.integer({ min: -10, max: 150 }) },
      { weight: 6, arbitrary: fc.constant(undefined) },
    ),
  });
  const closure = fc.record({
    from: fc.integer({ min: 0, max: 110 }),
    length: fc.integer({ min: 0, max: 9 }),
    kind: fc.constantFrom('holiday' as const, 'break' as const, 'reading' as const),
  });

  it('loses nothing, keeps the order it was given, lets dates by hand stand, and keeps an item in order', () => {
    fc.assert(
      fc.property(
        fc.constantFrom(...RULES),
        fc.array(moment, { maxLength: 25, size: 'max' }),
        fc.array(closure, { maxLength: 3 }),
        fc.integer({ min: 8, max: 18 }),
        (rule, drawn, closed, weeks) => {
          const closures = closed.map(({ from, length, kind }) => ({
            from: formatDay(MONDAY + from),
            to: formatDay(MONDAY + from + length),
            kind,
          }));
          const destination = term(
            40,
            weeks,
            closures.map((each) => ({
              ...each,
              from: formatDay(parseDay(each.from) + 280),
              to: formatDay(parseDay(each.to) + 280),
            })),
          );
          const meetings = [{ weekday: 1, start: '10:00', end: '11:00' }];
          const moments = drawn.map(({ role, day, minute, item, kind }, index): RetimeMoment => ({
            id: `m${index}`,
            role,
            at: formatMoment(MONDAY + day, minute),
            kind,
            ...(item === undefined ? {} : { item }),
          }));
          const byHand = Object.fromEntries(
            drawn.flatMap(({ hand }, index) =>
              hand === undefined ? [] : [[`m${index}`, formatMoment(MONDAY + 280 + hand, 700)]],
            ),
          );
          const result = retime(
            aJob(moments, {
              source: { calendar: term(0, 15, closures), meetings },
              destination: { calendar: destination, meetings },
              policy: { rule, weekdays: { 1: 2 } },
              byHand,
            }),
          );
          if (!result.ok) throw new Error(JSON.stringify(result.problems));
          expect(result.value.map(({ id }) => id)).toEqual(moments.map(({ id }) => id));
          for (const [id, at] of Object.entries(byHand))
            expect(result.value.find((each) => each.id === id)!.to).toBe(at);
          for (const { to } of result.value) if (to !== null) expect(parseDay(to)).not.toBeNaN();
          for (const item of ['a', 'b', 'c']) {
            const mine = result.value.filter(
              (_, index) => moments[index]!.item === item && byHand[`m${index}`] === undefined,
            );
            const lead = mine.filter(({ role }) => role === 'due').sort((x, y) => (x.from < y.from ? -1 : 1))[0];
            const handLed = moments.some(
              ({ item: of, id, role }) => of === item && role === 'due' && byHand[id] !== undefined,
            );
            if (lead === undefined || handLed || rule === 'clear' || rule === 'keep') continue;
            for (const each of mine)
              if (each.role !== 'ends' && each.from !== lead.from)
                expect(each.from < lead.from).toBe(each.to! < lead.to!);
          }
        },
      ),
      { numRuns: 300 },
    );
  });
});

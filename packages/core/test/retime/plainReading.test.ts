import { expect, it } from '@jest/globals';
import fc from 'fast-check';
import { checkCalendar } from '../../src/calendar/checkCalendar.js';
import { formatDay, formatMoment, parseDay } from '../../src/calendar/day.js';
import { doubtCauses } from '../../src/retime/causes.js';
import { FLAGS } from '../../src/names/flags.js';
import { retime } from '../../src/retime/retime.js';
import { proposePolicy } from '../../src/retime/suggestPolicy.js';
import type { Calendar, Meeting } from '../../src/schemas/calendar.js';
import type { RetimeJob, RetimeMoment, Role, RuleName } from '../../src/schemas/retimeJob.js';
import { PlainCalendar, type Met } from './plainCalendar.js';
import { COUNTEREXAMPLES } from './counterexamples.js';
import { plainCauses } from './plainCauses.js';
import { plainProposal } from './plainProposal.js';
import { plainsOf, readPlainly } from './plainReading.js';

const RULES: RuleName[] = ['week', 'meeting', 'nearest', 'offset', 'stretch', 'clear', 'keep'];
const MOVING: RuleName[] = ['week', 'meeting', 'nearest', 'offset', 'stretch'];
const ROLES: Role[] = ['opens', 'part', 'due', 'late', 'closes', 'answers', 'posts', 'starts', 'ends', 'remind'];
const MONDAY = parseDay('2025-09-01');
/** How many invented pairs of terms are read. */
const RUNS = Number(process.env.PLAIN_RUNS ?? 400);

/** Left out as often as `out` of `out` + `of` times. */
const optional = <Value>(arbitrary: fc.Arbitrary<Value>, of = 2, out = 1) =>
  fc.oneof({ weight: of, arbitrary }, { weight: out, arbitrary: fc.constant(undefined) });
const weekday = fc.integer({ min: 1, max: 7 });

/** An invented term of 4 to 17 weeks, with breaks, holidays, several exam periods and swapped days. */
const calendar = (start: number, timeZone: string): fc.Arbitrary<Calendar> =>
  fc
    .record(
      {
        shift: fc.integer({ min: 0, max: 6 }),
        length: fc.integer({ min: 24, max: 120 }),
        closures: fc.array(
          fc.record({
            at: fc.nat({ max: 130 }),
            days: fc.constantFrom(1, 1, 2, 5, 7, 9, 9),
            kind: fc.constantFrom('holiday' as const, 'break' as const, 'break' as const, 'reading' as const),
            label: fc.constantFrom('Founders Day', 'Charter Day'),
          }),
          { maxLength: 5, size: 'max' },
        ),
        exams: fc.array(fc.record({ back: fc.nat({ max: 70 }), days: fc.constantFrom(1, 2, 3, 5, 8) }), {
          maxLength: 3,
        }),
        lastExams: optional(fc.constantFrom(1, 3, 5)),
        swaps: fc.array(fc.record({ at: fc.nat(), runsAs: weekday }), { maxLength: 3 }),
        periods: fc.constantFrom(0, 0, 2, 3),
        weekStartsOn: fc.constantFrom(undefined, 1, 7, 6),
      },
      { noNullPrototype: true },
    )
    .map(({ shift, length, closures, exams, lastExams, swaps, periods, weekStartsOn }): Calendar => {
      const first = MONDAY + start + shift;
      const last = first + length - 1;
      const day = (at: number): string => formatDay(first + at);
      const inTerm = (from: number, to: number) => ({
        from: formatDay(Math.max(first, from)),
        to: formatDay(Math.min(last, to)),
        kind: 'exams' as const,
      });
      const examSpans = exams.map(({ back, days }) => inTerm(last - back, last - back + days - 1));
      if (lastExams !== undefined) examSpans.push(inTerm(last - lastExams + 1, last));
      return {
        firstDay: day(0),
        lastDay: formatDay(last),
        timeZone,
        ...(weekStartsOn === undefined ? {} : { weekStartsOn }),
        closures: [
          ...closures.map(({ at, days, kind, label }) => ({ from: day(at - 5), to: day(at - 6 + days), kind, label })),
          ...examSpans,
        ],
        swaps: [...new Map(swaps.map(({ at, runsAs }) => [day(at % length), runsAs]))].map(([date, runsAs]) => ({
          date,
          runsAs,
        })),
        ...(periods === 0
          ? {}
          : {
              periods: Array.from({ length: periods }, (_, at) => ({
                name: `P${at % 2}${at}`,
                from: day(Math.floor((length * at) / periods)),
                to: day(Math.floor((length * (at + 1)) / periods) - (at === 1 ? 4 : 1)),
              })),
            }),
      };
    })
    .filter(
      (made) =>
        checkCalendar(made, '', 1).length === 0 &&
        checkCalendar(made, '', 7).length === 0 &&
        checkCalendar(made, '', 6).length === 0,
    );

const HOURS = ['09:00', '10:00', '10:15', '11:15', '13:00', '14:00', '15:15', '16:00'] as const;
const weekNumbers = fc.uniqueArray(fc.integer({ min: 1, max: 15 }), { minLength: 1, maxLength: 9 });
/** @param weeks  of each meeting; those without one meet every week */
const meeting = (weeks: fc.Arbitrary<number[] | undefined>): fc.Arbitrary<Meeting> =>
  fc
    .record(
      {
        weekday,
        from: fc.nat({ max: 6 }),
        length: fc.integer({ min: 1, max: 3 }),
        series: fc.constantFrom(undefined, undefined, 'lab', 'studio'),
        weeks,
      },
      { noNullPrototype: true },
    )
    .map(({ from, length, series, weeks, weekday: on }) => ({
      weekday: on,
      start: HOURS[from]!,
      end: HOURS[Math.min(7, from + length)]!,
      ...(series === undefined ? {} : { series }),
      ...(weeks === undefined ? {} : { weeks }),
    }));
const pattern = fc.oneof(
  fc.array(meeting(fc.constant(undefined)), { maxLength: 4 }),
  fc.array(meeting(weekNumbers), { minLength: 1, maxLength: 3 }),
  fc.array(meeting(optional(weekNumbers, 1)), { maxLength: 4 }),
);

const minute = fc.oneof(
  fc.constantFrom(...HOURS.map((hour) => Number(hour.slice(0, 2)) * 60 + Number(hour.slice(3)))),
  fc.constantFrom(0, 135, 135, 150, 150, 720, 1439),
  fc.integer({ min: 0, max: 1439 }),
);
const moment = (length: number) =>
  fc.record(
    {
      role: fc.constantFrom(...ROLES, 'due', 'due', 'due', 'due', 'starts', 'ends'),
      day: fc.oneof(
        { weight: 9, arbitrary: fc.integer({ min: -12, max: length + 12 }) },
        { weight: 3, arbitrary: fc.integer({ min: 36, max: 45 }) },
        { weight: 1, arbitrary: fc.integer({ min: -90, max: 260 }) },
      ),
      minute,
      item: fc.constantFrom(undefined, 'a', 'b', 'c', 'd'),
      people: fc.constantFrom(undefined, undefined, undefined, 'section 2'),
      kind: fc.constantFrom(undefined, 'event', 'quiz'),
      unit: fc.constantFrom(undefined, 'u1', ['u2', 'u1']),
      series: fc.constantFrom(undefined, undefined, undefined, 'lab'),
      isGraded: fc.constantFrom(true, true, false),
      hand: optional(fc.integer({ min: -10, max: 130 }), 1, 11),
    },
    { noNullPrototype: true },
  );

const narrow = (rules: RuleName[]) =>
  fc.record(
    {
      rule: fc.constantFrom(...rules),
      weekdays: fc.dictionary(fc.constantFrom('1', '2', '3', '4', '5', '6', '7'), weekday, {
        maxKeys: 3,
        noNullPrototype: true,
      }),
      landing: fc.constantFrom(
        'next' as const,
        'previous' as const,
        'nearest' as const,
        'meeting' as const,
        'stay' as const,
      ),
      hour: fc.constantFrom('follow' as const, 'keep' as const),
    },
    { requiredKeys: [], noNullPrototype: true },
  );
const policy = fc
  .tuple(narrow(MOVING), optional(narrow(RULES), 1), optional(narrow(RULES), 1), optional(narrow(RULES), 1))
  .map(([plan, kind, unit, item]) => ({
    ...plan,
    ...(kind === undefined ? {} : { byKind: { quiz: kind } }),
    ...(unit === undefined ? {} : { byUnit: { u1: unit } }),
    ...(item === undefined ? {} : { byItem: { a: item } }),
  }));

/** The event of one class, with a reminder the day before. */
const classEvent = (met: Met, index: number): RetimeMoment[] => {
  const own = { item: `met${index}`, kind: 'event' } as const;
  return [
    { ...own, id: `ms${index}`, role: 'starts', at: formatMoment(met.day, met.start) },
    { ...own, id: `me${index}`, role: 'ends', at: formatMoment(met.day, met.end) },
    { ...own, id: `mr${index}`, role: 'remind', at: formatMoment(met.day - 1, 720) },
  ];
};

/** Events of single days of the old term, as they stand in a course: an event that starts and ends with a class. */
const classEvents = (old: Calendar, meetings: readonly Meeting[], days: readonly number[]): RetimeMoment[] =>
  days.flatMap((at, index): RetimeMoment[] => {
    const day = parseDay(old.firstDay) + at;
    const met = meetings.find(({ weekday: on }) => on === ((day + 3) % 7) + 1);
    if (met === undefined) return [];
    const own = { item: `class${index}`, kind: 'event' } as const;
    return [
      { ...own, id: `s${index}`, role: 'starts', at: `${formatDay(day)}T${met.start}` },
      { ...own, id: `e${index}`, role: 'ends', at: `${formatDay(day)}T${met.end}` },
    ];
  });

const job: fc.Arbitrary<RetimeJob> = fc
  .record({
    old: calendar(0, 'America/Chicago'),
    new: calendar(364 - 217, 'America/Chicago'),
    oldMeetings: pattern,
    newMeetings: pattern,
    isSamePattern: fc.boolean(),
    moments: fc.array(moment(100), { maxLength: 24, size: 'max' }),
    classDays: fc.array(fc.nat({ max: 100 }), { maxLength: 4 }),
    isEveryClass: fc.boolean(),
    isAtClass: fc.boolean(),
    policy,
    limits: fc.constantFrom(undefined, { perDay: 1, perWeek: 2 }),
    now: optional(fc.integer({ min: 140, max: 200 }), 1, 3),
  })
  .map((drawn): RetimeJob => {
    const first = parseDay(drawn.old.firstDay);
    const met = new PlainCalendar({ calendar: drawn.old, meetings: drawn.oldMeetings }, 1).meetings();
    /** Half of the moments stand at the start, the end or within a class, where there is one near. */
    const atClass = (day: number, index: number): number | undefined => {
      const near = met.find((each) => each.day >= day);
      if (!drawn.isAtClass || near === undefined || index % 2 === 0) return undefined;
      return near.day * 1440 + [near.start, near.end, near.start + 10, near.start][index % 4]!;
    };
    const moments = drawn.moments.map((each, index): RetimeMoment => ({
      id: `m${index}`,
      role: each.role,
      at: momentOf(atClass(first + each.day, index) ?? (first + each.day) * 1440 + each.minute),
      ...(each.item === undefined ? {} : { item: each.item }),
      ...(each.people === undefined ? {} : { for: each.people }),
      ...(each.kind === undefined ? {} : { kind: each.kind }),
      ...(each.unit === undefined ? {} : { unit: each.unit }),
      ...(each.series === undefined ? {} : { series: each.series }),
      graded: each.isGraded,
    }));
    const byHand = drawn.moments.flatMap(({ hand }, index) =>
      hand === undefined ? [] : [[`m${index}`, formatMoment(parseDay(drawn.new.firstDay) + hand, 700)]],
    );
    return {
      source: { calendar: drawn.old, meetings: drawn.oldMeetings },
      destination: { calendar: drawn.new, meetings: drawn.isSamePattern ? drawn.oldMeetings : drawn.newMeetings },
      policy: drawn.policy,
      moments: [
        ...moments,
        ...classEvents(drawn.old, drawn.oldMeetings, drawn.classDays),
        ...(drawn.isEveryClass ? met.filter((_, index) => index % 11 !== 10).flatMap(classEvent) : []),
      ],
      byHand: Object.fromEntries(byHand) as Record<string, string>,
      ...(drawn.limits === undefined ? {} : { limits: drawn.limits }),
      ...(drawn.now === undefined ? {} : { now: formatMoment(MONDAY + drawn.now, 600) }),
    };
  });

const momentOf = (total: number): string => formatMoment(Math.floor(total / 1440), total % 1440);

const inOrder = (flags: readonly string[]): string[] => FLAGS.filter((flag) => flags.includes(flag));

/** What went wrong once is tried every time. */
const KNOWN = COUNTEREXAMPLES.map((each): [RetimeJob] => [each]);

it('the indexed retiming says what the rules say when they are read out one by one, on invented calendars', () => {
  fc.assert(
    fc.property(job, (drawn) => {
      const result = retime(drawn);
      if (!result.ok) throw new Error(JSON.stringify(result.problems));
      const plain = readPlainly(drawn);
      expect(result.value.map(({ id, to, rule, flags }) => ({ id, to, rule, flags }))).toEqual(
        plain.map(({ to, rule, flags }, at) => ({ id: drawn.moments[at]!.id, to, rule, flags: inOrder(flags) })),
      );
    }),
    { numRuns: RUNS, examples: KNOWN },
  );
});

/** As in a course: an item stands in one unit. */
const withUnits = (drawn: RetimeJob): RetimeJob => ({
  ...drawn,
  moments: drawn.moments.map(({ unit: _, ...moment }) => ({ ...moment, ...unitOf(moment.item) })),
});
const unitOf = (item: string | undefined): Pick<RetimeMoment, 'unit'> =>
  item === 'a' ? { unit: 'u1' } : item === 'b' ? { unit: ['u2', 'u1'] } : {};

it('doubts have the causes and settlements that reading them out gives, on invented calendars', () => {
  fc.assert(
    fc.property(job.map(withUnits), (drawn) => {
      const result = retime(drawn);
      if (!result.ok) throw new Error(JSON.stringify(result.problems));
      const moments = result.value.map((each, at) => {
        const { kind = 'page', item, series } = drawn.moments[at]!;
        const own = { kind, ...(item === undefined ? {} : { item }), ...(series === undefined ? {} : { series }) };
        return { ...each, ...own, title: each.id };
      });
      const { source, destination, policy = {} } = drawn;
      const part = { source, destination, policy, moments, unitsOf: (item: string) => unitOf(item).unit };
      const causes = doubtCauses([part]).map(({ cause, moments: mine, settlements }) => ({
        cause,
        moments: mine.map(({ id }) => id),
        settlements: settlements.map(({ name, dates }) => ({ name, to: dates })),
      }));
      expect(causes).toEqual(plainCauses(plainsOf(drawn)));
    }),
    { numRuns: RUNS / 2, examples: KNOWN },
  );
});

it('the policy that is proposed is the one that reading the terms gives', () => {
  fc.assert(
    fc.property(job, (drawn) =>
      expect(proposePolicy(drawn.source, drawn.destination).policy).toEqual(plainProposal(drawn)),
    ),
    { numRuns: RUNS, examples: KNOWN },
  );
});

it('the invented calendars raise every flag', () => {
  const raised = new Set(
    fc
      .sample(job, { seed: 20270111, numRuns: 200 })
      .flatMap((drawn) => readPlainly(drawn).flatMap(({ flags }) => flags)),
  );
  expect(FLAGS.filter((flag) => !raised.has(flag))).toEqual([]);
});

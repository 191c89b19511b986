import { Type, type Static } from '@sinclair/typebox';

export const dateSchema = Type.String({ pattern: '^\\d{4}-\\d{2}-\\d{2}$', description: 'A date, YYYY-MM-DD.' });
export const momentAtSchema = Type.String({
  pattern: '^\\d{4}-\\d{2}-\\d{2}T([01]\\d|2[0-3]):[0-5]\\d$',
  description: "A moment, YYYY-MM-DDTHH:mm, on the wall clock of the course's time zone.",
});
const timeSchema = Type.String({ pattern: '^([01]\\d|2[0-3]):[0-5]\\d$', description: 'A time of day, HH:mm.' });
export const weekdaySchema = Type.Integer({ minimum: 1, maximum: 7, description: 'ISO: 1 = Monday to 7 = Sunday.' });

export const closureSchema = Type.Object({
  from: dateSchema,
  to: dateSchema,
  label: Type.Optional(Type.String()),
  kind: Type.Union([Type.Literal('holiday'), Type.Literal('break'), Type.Literal('reading'), Type.Literal('exams')]),
});
export type Closure = Static<typeof closureSchema>;

const swapSchema = Type.Object({ date: dateSchema, runsAs: weekdaySchema });

export const calendarSchema = Type.Object({
  name: Type.Optional(Type.String()),
  firstDay: dateSchema,
  lastDay: dateSchema,
  timeZone: Type.String({ description: 'An IANA time zone.' }),
  weekStartsOn: Type.Optional(weekdaySchema),
  closures: Type.Optional(Type.Array(closureSchema)),
  swaps: Type.Optional(Type.Array(swapSchema, { description: 'Days on which the timetable of another weekday runs.' })),
  periods: Type.Optional(Type.Array(Type.Object({ name: Type.String(), from: dateSchema, to: dateSchema }))),
});
export type Calendar = Static<typeof calendarSchema>;

/** What one course has beside the calendar of its term: days that are closed for it alone, and days that run otherwise. */
export const calendarAdditionsSchema = Type.Object({
  closures: Type.Array(closureSchema, { maxItems: 100 }),
  swaps: Type.Array(swapSchema, { maxItems: 100 }),
});
export type CalendarAdditions = Static<typeof calendarAdditionsSchema>;

export const meetingSchema = Type.Object({
  weekday: weekdaySchema,
  start: timeSchema,
  end: timeSchema,
  series: Type.Optional(Type.String()),
  weeks: Type.Optional(
    Type.Array(Type.Integer({ minimum: 1 }), { description: 'Teaching weeks, when not every one.' }),
  ),
  room: Type.Optional(Type.String()),
  for: Type.Optional(
    Type.String({
      maxLength: 100,
      description: 'The section that it is for, where several share a shell; all of them when absent.',
    }),
  ),
});
export type Meeting = Static<typeof meetingSchema>;

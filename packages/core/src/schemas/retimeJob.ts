import { Type, type Static } from '@sinclair/typebox';
import { calendarSchema, meetingSchema, momentAtSchema, weekdaySchema } from './calendar.js';

const ruleNameSchema = Type.Union([
  Type.Literal('week'),
  Type.Literal('meeting'),
  Type.Literal('nearest'),
  Type.Literal('offset'),
  Type.Literal('stretch'),
  Type.Literal('clear'),
  Type.Literal('keep'),
]);
export type RuleName = Static<typeof ruleNameSchema>;

const landingSchema = Type.Union([
  Type.Literal('next'),
  Type.Literal('previous'),
  Type.Literal('nearest'),
  Type.Literal('meeting'),
  Type.Literal('stay'),
]);
export type Landing = Static<typeof landingSchema>;

export const weekdayMapSchema = Type.Record(Type.String({ pattern: '^[1-7]$' }), weekdaySchema, {
  description: 'A class-day map: old weekday to new weekday.',
  additionalProperties: false,
});
export type WeekdayMap = Static<typeof weekdayMapSchema>;

const policyFields = {
  rule: Type.Optional(ruleNameSchema),
  weekdays: Type.Optional(weekdayMapSchema),
  landing: Type.Optional(landingSchema),
  hour: Type.Optional(Type.Union([Type.Literal('follow'), Type.Literal('keep')])),
};
const narrowPolicySchema = Type.Object(policyFields);
export type NarrowPolicy = Static<typeof narrowPolicySchema>;

export const policySchema = Type.Object({
  ...policyFields,
  byKind: Type.Optional(Type.Record(Type.String(), narrowPolicySchema)),
  byUnit: Type.Optional(Type.Record(Type.String(), narrowPolicySchema)),
  byItem: Type.Optional(Type.Record(Type.String(), narrowPolicySchema)),
});
export type Policy = Static<typeof policySchema>;

export const roleSchema = Type.Union(
  (['opens', 'part', 'due', 'late', 'closes', 'answers', 'posts', 'starts', 'ends', 'remind'] as const).map((role) =>
    Type.Literal(role),
  ),
);
export type Role = 'opens' | 'part' | 'due' | 'late' | 'closes' | 'answers' | 'posts' | 'starts' | 'ends' | 'remind';

const retimeMomentSchema = Type.Object({
  id: Type.String(),
  item: Type.Optional(Type.String()),
  role: Type.Unsafe<Role>(roleSchema),
  at: momentAtSchema,
  for: Type.Optional(Type.String({ description: 'The section or group that it is for; everybody when absent.' })),
  kind: Type.Optional(Type.String()),
  unit: Type.Optional(
    Type.Union([Type.String(), Type.Array(Type.String())], {
      description: 'The unit it stands in, or all units around it, the nearest first.',
    }),
  ),
  graded: Type.Optional(Type.Boolean()),
  series: Type.Optional(Type.String()),
});
export type RetimeMoment = Static<typeof retimeMomentSchema>;

const sideSchema = Type.Object({ calendar: calendarSchema, meetings: Type.Optional(Type.Array(meetingSchema)) });
export type TermSide = Static<typeof sideSchema>;

export const retimeJobSchema = Type.Object(
  {
    source: sideSchema,
    destination: sideSchema,
    policy: Type.Optional(policySchema),
    moments: Type.Array(retimeMomentSchema),
    byHand: Type.Optional(
      Type.Record(Type.String(), momentAtSchema, { description: 'Moment id to the date set by hand.' }),
    ),
    limits: Type.Optional(
      Type.Object({
        perDay: Type.Optional(Type.Integer({ minimum: 0 })),
        perWeek: Type.Optional(Type.Integer({ minimum: 0 })),
      }),
    ),
    now: Type.Optional(momentAtSchema),
  },
  { $id: 'retime-job', title: 'Retime job' },
);
export type RetimeJob = Static<typeof retimeJobSchema>;

import { Type, type Static } from '@sinclair/typebox';
import { momentAtSchema } from './calendar.js';
import { policySchema } from './retimeJob.js';

const bringOrLeave = Type.Union([Type.Literal('bring'), Type.Literal('leave')]);
export type BringOrLeave = Static<typeof bringOrLeave>;

export const choicesSchema = Type.Object({
  all: Type.Optional(bringOrLeave),
  kinds: Type.Optional(Type.Record(Type.String(), bringOrLeave)),
  units: Type.Optional(Type.Record(Type.String(), bringOrLeave)),
  items: Type.Optional(Type.Record(Type.String(), bringOrLeave)),
  findings: Type.Optional(Type.Record(Type.String(), bringOrLeave)),
  places: Type.Optional(Type.Record(Type.String(), Type.Boolean())),
  landing: Type.Optional(Type.Union([Type.Literal('as it was'), Type.Literal('draft'), Type.Literal('hidden')])),
});
export type Choices = Static<typeof choicesSchema>;

/** What a person decided in a plan; without a policy the proposed one holds. Results are never stored, they are computed. */
export const decisionsSchema = Type.Object(
  {
    choices: choicesSchema,
    policy: Type.Optional(policySchema),
    byHand: Type.Record(Type.String(), momentAtSchema),
    settled: Type.Record(Type.String(), Type.String(), {
      description: 'Doubts called fine as they are: moment id to the new moment and flags it had then.',
    }),
  },
  { $id: 'decisions', title: 'Decisions of a plan', additionalProperties: false },
);
export type Decisions = Static<typeof decisionsSchema>;

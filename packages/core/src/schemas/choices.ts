import { Type, type Static } from '@sinclair/typebox';
import { WAYS } from '../names/ways.js';
import { momentAtSchema } from './calendar.js';
import { planPolicySchema } from './planPolicy.js';

const bringOrLeave = Type.Union([Type.Literal('bring'), Type.Literal('leave')]);
export type BringOrLeave = Static<typeof bringOrLeave>;

const turnSchema = Type.Union([Type.Literal('bring'), Type.Literal('leave'), Type.Literal('reword')]);
/** `reword`: it comes as a draft, to be written anew. */
export type Turn = Static<typeof turnSchema>;

const landingSchema = Type.Union([Type.Literal('as it was'), Type.Literal('draft'), Type.Literal('hidden')]);
export type LandingState = Static<typeof landingSchema>;

const byName = (what: string) => Type.Optional(Type.Record(Type.String(), bringOrLeave, { description: what }));

export const choicesSchema = Type.Object({
  all: Type.Optional(bringOrLeave),
  kinds: byName('By kind.'),
  units: byName('By the id of a unit, with all that it holds.'),
  items: Type.Optional(
    Type.Record(Type.String(), turnSchema, { description: 'By the id of an item; a unit here is its heading alone.' }),
  ),
  findings: Type.Optional(
    Type.Record(Type.String(), turnSchema, {
      description: 'By finding, for every item that has it. reword: it comes as a draft, to be written anew.',
    }),
  ),
  settings: byName('Settings of the course, each by itself: home, menu, picture, areas.'),
  sections: Type.Optional(
    Type.Record(Type.String(), Type.Record(Type.String(), bringOrLeave), {
      description: 'Sections of a syllabus, each by itself: by the id of the syllabus and the place of the section.',
    }),
  ),
  places: Type.Optional(
    Type.Record(Type.String(), Type.Boolean(), { description: 'false: outside work left without keeping its place.' }),
  ),
  onlyLacking: Type.Optional(
    Type.Boolean({ description: 'Only what the shell lacks; what answers to something there stays.' }),
  ),
  openingPosts: Type.Optional(bringOrLeave),
  equivalents: Type.Optional(
    Type.Record(Type.String(), Type.String(), {
      description: 'For something that is needed and was left: the thing of the shell that serves in its place.',
    }),
  ),
  sources: Type.Optional(
    Type.Record(Type.String(), Type.String(), {
      description: 'For something that stands in several sources: the id of the course that it comes from.',
    }),
  ),
  takeOut: Type.Optional(
    Type.Record(Type.String(), Type.Boolean(), {
      description: 'true: by the id of a thing of the shell that nothing of the source answers to, it is taken out.',
    }),
  ),
  putBack: Type.Optional(
    Type.Record(Type.String(), Type.Boolean(), {
      description:
        'true: by the id of an item that came before and was taken out of the shell by hand, it comes again, with what it must have.',
    }),
  ),
  plainWords: Type.Optional(
    Type.Record(Type.String(), Type.Boolean(), {
      description: 'true: by the id of something that stays, links to it become plain words that name it.',
    }),
  ),
  letOpen: Type.Optional(
    Type.Record(Type.String(), Type.Boolean(), {
      description: 'true: by the id of a rule that stays, what it guarded opens without its condition.',
    }),
  ),
  landing: Type.Optional(landingSchema),
  landings: Type.Optional(
    Type.Object({
      kinds: Type.Optional(Type.Record(Type.String(), landingSchema)),
      items: Type.Optional(Type.Record(Type.String(), landingSchema)),
    }),
  ),
});
export type Choices = Static<typeof choicesSchema>;

const sideSchema = Type.Union([Type.Literal('shell'), Type.Literal('source')]);
const writtenSchema = Type.Union([sideSchema, Type.Object({ text: Type.String({ maxLength: 400_000 }) })]);

/** What a person decided about a thing that both sides have, field by field; a field not named keeps the shell's. */
export const answerSchema = Type.Object(
  {
    title: Type.Optional(writtenSchema),
    body: Type.Optional(writtenSchema),
    points: Type.Optional(sideSchema),
    dates: Type.Optional(sideSchema),
    details: Type.Optional(sideSchema),
  },
  { additionalProperties: false },
);
export type Answer = Static<typeof answerSchema>;

/** What is set for one work beside its dates; `null` takes the value away, what is not named stays. */
export const workSetSchema = Type.Object(
  {
    points: Type.Optional(Type.Union([Type.Number({ minimum: 0, maximum: 100_000 }), Type.Null()])),
    category: Type.Optional(
      Type.String({ description: 'A category of the source, for the line that the work is graded in.' }),
    ),
    attempts: Type.Optional(Type.Union([Type.Integer({ minimum: 0, maximum: 100 }), Type.Null()])),
    minutesAllowed: Type.Optional(Type.Union([Type.Integer({ minimum: 1, maximum: 1440 }), Type.Null()])),
    ways: Type.Optional(
      Type.Array(Type.Unsafe<(typeof WAYS)[number]>(Type.Union(WAYS.map((way) => Type.Literal(way)))), { maxItems: 5 }),
    ),
  },
  { additionalProperties: false },
);
export type WorkSet = Static<typeof workSetSchema>;
export type WorkSets = Readonly<Record<string, WorkSet>>;

/** What a person decided in a plan; without a policy the proposed one holds. Results are never stored, they are computed. */
export const decisionsSchema = Type.Object(
  {
    choices: choicesSchema,
    policy: Type.Optional(planPolicySchema),
    policies: Type.Optional(
      Type.Record(Type.String(), planPolicySchema, {
        description: 'Of several sources: by the id of a course, the policy of its dates; the first one’s is `policy`.',
      }),
    ),
    byHand: Type.Record(Type.String(), momentAtSchema),
    settled: Type.Record(Type.String(), Type.String(), {
      description: 'Doubts called fine as they are: moment id to the new moment and flags it had then.',
    }),
    answers: Type.Optional(Type.Record(Type.String(), answerSchema)),
    sets: Type.Optional(
      Type.Record(Type.String(), workSetSchema, {
        description:
          'By work: points, category, attempts, time limit and ways of handing in, other than in the source.',
      }),
    ),
    recipe: Type.Optional(
      Type.Object(
        { id: Type.String(), name: Type.String({ maxLength: 120 }) },
        { description: 'The recipe that was applied last.', additionalProperties: false },
      ),
    ),
  },
  { $id: 'decisions', title: 'Decisions of a plan', additionalProperties: false },
);
export type Decisions = Static<typeof decisionsSchema>;

import { Type, type Static } from '@sinclair/typebox';
import { dateSchema } from './calendar.js';

const known = {
  id: Type.String({ minLength: 1 }),
  code: Type.String(),
  number: Type.String(),
  section: Type.String(),
  campus: Type.Optional(Type.String()),
  mode: Type.Optional(Type.String()),
  term: Type.String(),
  firstDay: dateSchema,
  instructors: Type.Array(Type.String()),
};

export const courseTypeSchema = Type.Union([
  Type.Literal('course'),
  Type.Literal('development'),
  Type.Literal('template'),
]);

const candidateSchema = Type.Object({
  ...known,
  lastDay: dateSchema,
  type: courseTypeSchema,
  things: Type.Integer({ minimum: 0 }),
  stockThings: Type.Integer({ minimum: 0 }),
  editedAt: Type.Optional(Type.String()),
});

/** What `yarin propose` reads. */
export const proposeJobSchema = Type.Object(
  {
    shell: Type.Object(known),
    courses: Type.Array(candidateSchema, { description: 'The courses that the person may use as a source.' }),
    formerly: Type.Optional(
      Type.Array(
        Type.Object({
          code: Type.String(),
          number: Type.String(),
          was: Type.Object({ code: Type.String(), number: Type.String() }),
        }),
      ),
    ),
    runs: Type.Optional(
      Type.Array(Type.Object({ source: Type.String(), destination: Type.String(), term: Type.String() })),
    ),
  },
  { $id: 'propose-job', title: 'Propose job' },
);
export type ProposeJob = Static<typeof proposeJobSchema>;

export const FOR_REASONS = [
  'sameCourse',
  'formerCode',
  'yours',
  'latestRun',
  'sameCampus',
  'development',
  'template',
  'usedBefore',
] as const;
export const AGAINST_REASONS = [
  'notYours',
  'olderRun',
  'otherCampus',
  'otherMode',
  'alreadyBrought',
  'fewThings',
] as const;

/** What `yarin propose` prints. */
export const proposedSchema = Type.Object(
  {
    verdict: Type.Union([Type.Literal('one'), Type.Literal('several'), Type.Literal('none')]),
    candidates: Type.Array(
      Type.Object({
        course: Type.String(),
        for: Type.Array(Type.Union(FOR_REASONS.map((reason) => Type.Literal(reason)))),
        against: Type.Array(Type.Union(AGAINST_REASONS.map((reason) => Type.Literal(reason)))),
      }),
    ),
  },
  { $id: 'proposed', title: 'Proposed predecessors' },
);

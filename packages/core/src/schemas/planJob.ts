import { Type, type Static } from '@sinclair/typebox';
import { FINDING_NAMES } from '../names/findings.js';
import { FLAGS } from '../names/flags.js';
import { SETTLEMENTS } from '../names/settlements.js';
import { VERBS } from '../names/verbs.js';
import { momentAtSchema } from './calendar.js';
import { answerSchema, choicesSchema } from './choices.js';
import { courseSchema } from './course.js';
import { planPolicySchema } from './planPolicy.js';
import { roleSchema, type Role } from './retimeJob.js';

/** A course without the schema's own id, which may stand only once in a schema. */
const embedded = Type.Omit(courseSchema, []);

const lineageSchema = Type.Object(
  {
    item: Type.String({ description: 'The item in the destination.' }),
    sourceCourse: Type.String(),
    sourceItem: Type.String(),
    sourceHash: Type.String({ description: 'Content hash of the item in the source when it was brought.' }),
    landedHash: Type.String({ description: 'Content hash of what it became in the destination.' }),
  },
  { description: 'What an earlier run left; `yarin plan` prints it as `history` for the next call.' },
);

/** What `yarin plan` reads. */
export const planJobSchema = Type.Object(
  {
    sources: Type.Array(embedded, { minItems: 1, description: 'The first goes before the others where they overlap.' }),
    destination: embedded,
    choices: Type.Optional(choicesSchema),
    policy: Type.Optional(planPolicySchema),
    policies: Type.Optional(
      Type.Record(Type.String(), planPolicySchema, {
        description: 'By the id of a source: the policy of its dates, where they don’t go by `policy`.',
      }),
    ),
    byHand: Type.Optional(Type.Record(Type.String(), momentAtSchema)),
    answers: Type.Optional(Type.Record(Type.String(), answerSchema)),
    history: Type.Optional(Type.Array(lineageSchema)),
    now: Type.Optional(momentAtSchema),
    meetingHosts: Type.Optional(
      Type.Array(Type.String(), { description: 'Hosts of video meetings; the usual ones when absent.' }),
    ),
  },
  { $id: 'plan-job', title: 'Plan job' },
);
export type PlanJob = Static<typeof planJobSchema>;

const REASONS = [
  'item',
  'unit',
  'kind',
  'all',
  'mark',
  'finding',
  'standsThere',
  'overlap',
  'neededBy',
  'goesWith',
  'parentOf',
  'ends',
  'endMissing',
  'workStays',
  'keepsPlace',
] as const;
const literals = <Value extends string>(values: readonly Value[]) =>
  Type.Unsafe<Value>(Type.Union(values.map((value) => Type.Literal(value))));
const ofSeveral = Type.String({ description: 'Of several sources: the one that it is of.' });
const findingName = literals(FINDING_NAMES);

const countSchema = Type.Object({
  source: Type.Integer(),
  bring: Type.Integer(),
  leave: Type.Integer(),
  join: Type.Optional(Type.Integer()),
  same: Type.Optional(Type.Integer()),
  update: Type.Optional(Type.Integer()),
  keep: Type.Optional(Type.Integer()),
  ask: Type.Optional(Type.Integer()),
});

/** What `yarin plan` prints. */
export const plannedSchema = Type.Object(
  {
    lines: Type.Array(
      Type.Object({
        source: Type.String({ description: 'The course that the item is of; of `here` the destination.' }),
        item: Type.String(),
        verb: literals(VERBS),
        why: Type.Array(
          Type.Object({
            reason: literals(REASONS),
            item: Type.Optional(Type.String()),
            finding: Type.Optional(findingName),
          }),
          { description: 'The reason first, then the reason of what it names, up to what was chosen.' },
        ),
        to: Type.Optional(Type.String({ description: 'The item of the new course.' })),
        place: Type.Optional(Type.Literal(true, { description: 'Left, and its place is kept.' })),
        headingOnly: Type.Optional(Type.Literal(true)),
        takenOut: Type.Optional(Type.Literal(true, { description: 'Of gone and here: taken out of the shell.' })),
        reword: Type.Optional(Type.Literal(true, { description: 'It comes as a draft, to be written anew.' })),
        answered: Type.Optional(literals(['written', 'kept'] as const)),
      }),
    ),
    findings: Type.Array(
      Type.Object({
        source: Type.String(),
        item: Type.String(),
        finding: findingName,
        evidence: Type.String(),
        default: literals(['leave', 'ask', 'join', 'bring'] as const),
        stays: Type.Optional(Type.String({ description: 'Of a double: the one that stays.' })),
      }),
    ),
    counts: Type.Record(Type.String(), countSchema, {
      description: 'By kind; kinds that the sources do not have are not named.',
    }),
    looseEnds: Type.Array(
      Type.Object({
        code: Type.String(),
        severity: literals(['breaks', 'wrong', 'untidy'] as const),
        sentence: Type.String(),
        detail: Type.String(),
        items: Type.Array(Type.String()),
      }),
    ),
    policies: Type.Record(Type.String(), planPolicySchema, {
      description: 'By source, the policy in force: what the job says, else what suits the pair.',
    }),
    dates: Type.Array(
      Type.Object({
        moment: Type.String({ description: 'Its id in the source.' }),
        item: Type.String(),
        course: Type.Optional(ofSeveral),
        for: Type.Optional(Type.String({ description: 'The section or group that it is for; everybody when absent.' })),
        role: Type.Unsafe<Role>(roleSchema),
        from: momentAtSchema,
        to: Type.Union([momentAtSchema, Type.Null()]),
        rule: Type.String(),
        steps: Type.Array(Type.Object({ step: Type.String() })),
        flags: Type.Array(literals(FLAGS)),
      }),
      {
        description:
          'Every moment of what comes or keeps a place, in the order of the sources, their items and moments.',
      },
    ),
    causes: Type.Array(
      Type.Object({
        cause: literals(FLAGS),
        course: Type.Optional(ofSeveral),
        moments: Type.Array(
          Type.String({
            description:
              'Its id in the source; with “@” and the section, where one date differs by section (q-due@02).',
          }),
        ),
        settlements: Type.Array(
          Type.Object({ name: literals(SETTLEMENTS), to: Type.Record(Type.String(), momentAtSchema) }),
        ),
      }),
      { description: 'All doubts of the dates by cause, each once, with what would settle all of a cause at once.' },
    ),
    course: embedded,
    history: Type.Array(lineageSchema),
  },
  { $id: 'planned', title: 'Plan' },
);
export type Planned = Static<typeof plannedSchema>;

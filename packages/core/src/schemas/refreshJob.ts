import { Type, type Static } from '@sinclair/typebox';
import { FLAGS } from '../names/flags.js';
import { STALE_PROBLEMS, STALE_SORTS } from '../names/staleWords.js';
import { calendarSchema, meetingSchema } from './calendar.js';
import { courseSchema } from './course.js';
import { policySchema } from './retimeJob.js';

/** What `yarin refresh` reads. */
export const refreshJobSchema = Type.Object(
  {
    course: Type.Omit(courseSchema, []),
    destination: Type.Object({
      course: Type.Index(courseSchema, ['course']),
      calendar: calendarSchema,
      meetings: Type.Optional(Type.Array(meetingSchema)),
    }),
    policy: Type.Optional(policySchema),
    brought: Type.Optional(
      Type.Record(Type.String(), Type.String(), {
        description: 'Where things of the course stand in the destination, by their ids.',
      }),
    ),
    meetingHosts: Type.Optional(
      Type.Array(Type.String(), { description: 'Hosts of video meetings; the usual ones when absent.' }),
    ),
  },
  { $id: 'refresh-job', title: 'Refresh job' },
);
export type RefreshJob = Static<typeof refreshJobSchema>;

const literals = <Value extends string>(values: readonly Value[]) =>
  Type.Unsafe<Value>(Type.Union(values.map((value) => Type.Literal(value))));

/** What `yarin refresh` prints. */
export const refreshedSchema = Type.Object(
  {
    proposals: Type.Array(
      Type.Object({
        item: Type.String(),
        field: literals(['title', 'body'] as const),
        start: Type.Integer({ description: 'In UTF-16 units of the text of the field, markup included.' }),
        end: Type.Integer(),
        text: Type.String(),
        sort: literals(STALE_SORTS),
        replacement: Type.Union([Type.String(), Type.Null()], { description: 'Null when a person has to say it.' }),
        problem: Type.Optional(literals([...STALE_PROBLEMS, ...FLAGS] as const)),
      }),
    ),
  },
  { $id: 'refreshed', title: 'Stale words' },
);

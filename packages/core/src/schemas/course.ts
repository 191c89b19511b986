import { Type, type Static } from '@sinclair/typebox';
import { KINDS, type Kind } from '../names/kinds.js';
import { LINK_TYPES, type LinkType } from '../names/links.js';
import { calendarSchema, dateSchema, meetingSchema, momentAtSchema } from './calendar.js';
import { courseTypeSchema } from './proposeJob.js';
import { roleSchema, type Role } from './retimeJob.js';

export const kindSchema = Type.Unsafe<Kind>(Type.Union(KINDS.map((kind) => Type.Literal(kind))));
export const linkTypeSchema = Type.Unsafe<LinkType>(Type.Union(LINK_TYPES.map((type) => Type.Literal(type))));
export const stateSchema = Type.Union([Type.Literal('open'), Type.Literal('draft'), Type.Literal('hidden')]);
export type ItemState = Static<typeof stateSchema>;

const momentSchema = Type.Object({
  id: Type.String(),
  role: Type.Unsafe<Role>(roleSchema),
  at: momentAtSchema,
  for: Type.Optional(Type.String()),
  series: Type.Optional(Type.String()),
});
export type Moment = Static<typeof momentSchema>;

const linkSchema = Type.Object({
  type: linkTypeSchema,
  to: Type.String(),
  quantity: Type.Optional(Type.Integer({ minimum: 0 })),
  course: Type.Optional(Type.String({ description: 'Another course, when the target is not in this one.' })),
});
export type Link = Static<typeof linkSchema>;

export const itemSchema = Type.Object({
  id: Type.String({ minLength: 1, maxLength: 200 }),
  kind: kindSchema,
  title: Type.String({ maxLength: 500 }),
  body: Type.Optional(Type.String()),
  parent: Type.Optional(Type.String()),
  position: Type.Optional(Type.Number()),
  state: Type.Optional(stateSchema),
  stateBefore: Type.Optional(stateSchema),
  everOpen: Type.Optional(Type.Boolean()),
  points: Type.Optional(Type.Number({ minimum: 0 })),
  moments: Type.Optional(Type.Array(momentSchema)),
  links: Type.Optional(Type.Array(linkSchema)),
  editedAt: Type.Optional(Type.String()),
  details: Type.Optional(Type.Record(Type.String(), Type.Unknown())),
});
export type Item = Static<typeof itemSchema>;

const courseHeadSchema = Type.Object({
  id: Type.String({ minLength: 1, maxLength: 100 }),
  code: Type.String(),
  number: Type.String(),
  section: Type.String(),
  title: Type.String(),
  term: Type.String(),
  type: Type.Optional(courseTypeSchema),
  mode: Type.Optional(Type.String()),
  campus: Type.Optional(Type.String()),
  home: Type.Optional(Type.Union([Type.Literal('here'), Type.Literal('elsewhere')])),
  locale: Type.Optional(Type.String()),
  room: Type.Optional(Type.String()),
  instructors: Type.Optional(Type.Array(Type.Object({ id: Type.String(), name: Type.String() }))),
  openToLearners: Type.Optional(Type.Boolean()),
  openForReuse: Type.Optional(Type.Boolean()),
  startsOn: Type.Optional(dateSchema),
  endsOn: Type.Optional(dateSchema),
  archived: Type.Optional(Type.Boolean()),
});
export type CourseHead = Static<typeof courseHeadSchema>;

const markSchema = Type.Object({
  item: Type.String(),
  mark: Type.Optional(
    Type.Union([Type.Literal('never'), Type.Literal('hidden'), Type.Literal('reword'), Type.Literal('evergreen')]),
  ),
  note: Type.Optional(Type.String({ maxLength: 2000 })),
});
export type Mark = Static<typeof markSchema>;

export const courseSchema = Type.Object(
  {
    course: courseHeadSchema,
    calendar: calendarSchema,
    meetings: Type.Optional(Type.Array(meetingSchema)),
    items: Type.Array(itemSchema),
    marks: Type.Optional(Type.Array(markSchema)),
  },
  { $id: 'course', title: 'Course' },
);
export type Course = Static<typeof courseSchema>;

import { Type, type Static } from '@sinclair/typebox';
import { KINDS, type Kind } from '../names/kinds.js';
import { calendarAdditionsSchema, calendarSchema, dateSchema, meetingSchema, momentAtSchema } from './calendar.js';
import { kindSchema, linkTypeSchema, stateSchema } from './course.js';
import { roleSchema, type Role } from './retimeJob.js';

export const LONGEST_TITLE = 255;
const LONGEST_BODY = 500_000;

const closed = { additionalProperties: false };
const titleSchema = Type.String({
  minLength: 1,
  maxLength: LONGEST_TITLE,
  pattern: '\\S',
  description: 'A title needs at least one character that is seen.',
});
const orNull = <Schema extends Parameters<typeof Type.Union>[0][number]>(schema: Schema) =>
  Type.Union([schema, Type.Null()]);
const keySchema = Type.String({ minLength: 1, maxLength: 400 });

const changesSchema = Type.Object(
  {
    title: Type.Optional(titleSchema),
    body: Type.Optional(Type.String({ maxLength: LONGEST_BODY })),
    state: Type.Optional(stateSchema),
    points: Type.Optional(orNull(Type.Number({ minimum: 0, maximum: 100_000 }))),
    moments: Type.Optional(
      Type.Array(
        Type.Object(
          {
            id: Type.Optional(keySchema),
            role: Type.Unsafe<Role>(roleSchema),
            at: momentAtSchema,
            for: Type.Optional(Type.String({ minLength: 1, maxLength: 100 })),
            series: Type.Optional(Type.String({ maxLength: 100 })),
          },
          closed,
        ),
        { maxItems: 100 },
      ),
    ),
    links: Type.Optional(
      Type.Array(
        Type.Object(
          {
            type: linkTypeSchema,
            to: keySchema,
            quantity: Type.Optional(Type.Integer({ minimum: 0 })),
            course: Type.Optional(Type.String()),
          },
          closed,
        ),
        { maxItems: 1000 },
      ),
    ),
    /** Of work: the category of its gradebook line; a line is made when it has none. */
    category: Type.Optional(orNull(keySchema)),
    details: Type.Optional(Type.Record(Type.String(), Type.Unknown())),
  },
  closed,
);
/** What an edit changes in an item; what it does not name stays. `points: null` takes the points away. */
export type ItemChanges = Static<typeof changesSchema>;

export const itemEditSchema = Type.Object({ version: Type.Integer(), changes: changesSchema }, closed);
export const newItemSchema = Type.Object({ kind: kindSchema, title: titleSchema, parent: orNull(keySchema) }, closed);
export type NewItem = { readonly kind: Kind; readonly title: string; readonly parent: string | null };
/** Where an item goes: into which unit, and before which of its neighbours; `null` is at the end. */
export const placeSchema = Type.Object({ parent: orNull(keySchema), before: orNull(keySchema) }, closed);

export const markEditSchema = Type.Object(
  {
    mark: orNull(Type.Union(['never', 'hidden', 'reword', 'evergreen'].map((mark) => Type.Literal(mark as 'never')))),
    note: orNull(Type.String({ maxLength: 2000 })),
  },
  closed,
);

export const courseEditSchema = Type.Object(
  {
    title: Type.Optional(titleSchema),
    room: Type.Optional(orNull(Type.String({ maxLength: 100 }))),
    startsOn: Type.Optional(orNull(dateSchema)),
    endsOn: Type.Optional(orNull(dateSchema)),
    openToLearners: Type.Optional(Type.Boolean()),
    openForReuse: Type.Optional(Type.Boolean()),
  },
  closed,
);
export type CourseEdit = Static<typeof courseEditSchema>;

export const newTermSchema = Type.Object(
  { name: titleSchema, parentId: orNull(Type.String()), firstDay: dateSchema, lastDay: dateSchema },
  closed,
);
export type NewTermEdit = Static<typeof newTermSchema>;
export const termEditSchema = Type.Object(
  { version: Type.Integer(), name: titleSchema, calendar: calendarSchema },
  closed,
);
export const termDraftSchema = Type.Object({ calendar: calendarSchema }, closed);

const courseTimeFields = {
  partId: orNull(Type.String()),
  additions: calendarAdditionsSchema,
  meetings: Type.Array(meetingSchema, { maxItems: 60 }),
};
export const courseTimeSchema = Type.Object(courseTimeFields, closed);
/** When a course meets and which days are closed for it alone. */
export type CourseTimeEdit = Static<typeof courseTimeSchema>;
export const courseTimeEditSchema = Type.Object({ version: Type.Integer(), ...courseTimeFields }, closed);

/** A file or a list with closed days, and the term that they are read for. */
export const readClosuresSchema = Type.Object(
  {
    text: Type.String({ maxLength: 900_000 }),
    firstDay: dateSchema,
    lastDay: dateSchema,
    timeZone: Type.String({ maxLength: 60 }),
  },
  closed,
);

/** A timetable to read class meetings from. */
export const readTimetableSchema = Type.Object({ text: Type.String({ maxLength: 900_000 }) }, closed);

/** New dates of moments of a course, by their keys, and the version of the course that the person saw. */
export const momentMovesSchema = Type.Object(
  {
    version: Type.Integer(),
    moves: Type.Record(keySchema, momentAtSchema, { minProperties: 1, maxProperties: 20_000 }),
    fix: Type.Optional(Type.Boolean({ description: 'A plan moves dates of what it brought.' })),
  },
  closed,
);

const codeSchema = Type.String({ pattern: '^[A-Za-z0-9]{1,12}$', description: 'Up to 12 letters and digits.' });
export const newShellSchema = Type.Object(
  { termId: Type.String(), code: codeSchema, number: codeSchema, section: codeSchema, title: titleSchema },
  closed,
);
export type NewShell = Static<typeof newShellSchema>;

export const accessAskSchema = Type.Object(
  {
    course: Type.String(),
    wants: Type.Union([Type.Literal('use'), Type.Literal('change')]),
    words: Type.String({ maxLength: 1000 }),
  },
  closed,
);
export const letInSchema = Type.Object(
  { person: Type.String(), wants: Type.Union([Type.Literal('use'), Type.Literal('change')]) },
  closed,
);
export const accessAnswerSchema = Type.Object(
  {
    answer: Type.Union([Type.Literal('granted'), Type.Literal('refused'), Type.Literal('withdrawn')]),
    words: Type.String({ maxLength: 1000 }),
  },
  closed,
);

/** The kinds that a person can make in a course; files come with their bytes, questions in their bank. */
export const MAKEABLE: readonly Kind[] = KINDS.filter((kind) => kind !== 'file' && kind !== 'question');

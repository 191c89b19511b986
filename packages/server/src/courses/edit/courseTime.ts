import {
  checkCalendar,
  checkMeetings,
  courseTimeDifferences,
  partCalendar,
  withAdditions,
  type Calendar,
  type CourseTimeEdit,
  type Problem,
} from '@yarin/core';
import type { EntityManager } from 'typeorm';
import type { Command } from '../../database/command.js';
import { CourseRow } from '../../database/entities/course.js';
import { TermRow } from '../../database/entities/term.js';
import { conflict, notFound, unusable } from '../../http/httpProblem.js';
import { calendarOfCourse } from '../../terms/termStore.js';
import { writeCourseFields } from '../courseFields.js';
import { courseChanged, type EditOf } from './editing.js';

export interface CourseTimeChange extends EditOf, CourseTimeEdit {
  readonly version: number;
}

/** The part that a course may run in: one of its own term. */
export async function partOf(
  manager: EntityManager,
  course: CourseRow,
  partId: string | null,
): Promise<TermRow | null> {
  if (partId === null) return null;
  const part = await manager.findOneBy(TermRow, { id: partId, parentId: course.termId });
  if (part === null) throw notFound('There is no such part of its term any more; choose another.');
  return part;
}

/** What is wrong with the time of a course as it was sent. */
export function courseTimeProblems(calendar: Calendar, meetings: CourseTimeEdit['meetings']): Problem[] {
  return [
    ...checkCalendar(calendar, '/additions', calendar.weekStartsOn ?? 1),
    ...checkMeetings(meetings, '/meetings'),
  ];
}

/** Changes when a course meets, the part of the term that it runs in, and the days that are closed for it alone. */
export const changeCourseTime: Command<CourseTimeChange, void> = async ({ manager }, change) => {
  const { courseId, version, partId, additions, meetings } = change;
  const row = await manager.findOneBy(CourseRow, { id: courseId });
  if (row === null) throw notFound('This course was removed meanwhile. Nothing was saved.');
  if (row.version !== version)
    throw conflict(
      'Somebody changed this course meanwhile. What you set was not saved; load it again and look at both.',
    );
  const term = await manager.findOneByOrFail(TermRow, { id: row.termId });
  const part = await partOf(manager, row, partId);
  const calendar = withAdditions(part === null ? term.calendar : partCalendar(term.calendar, part.calendar), additions);
  const problems = courseTimeProblems(calendar, meetings);
  if (problems.length > 0) throw unusable(problems[0]!.message, problems);
  const before = { calendar: await calendarOfCourse(manager, row, term), meetings: row.meetings };
  const what = courseTimeDifferences(before, { calendar, meetings });
  const set = {
    before: { partId: row.partId, additions: row.calendarAdditions, meetings: row.meetings },
    after: { partId, additions, meetings },
  };
  await writeCourseFields(manager, courseId, set.after);
  await courseChanged(manager, change, { what: `changed when it runs: ${what.join('; ') || 'nothing'}`, set });
};

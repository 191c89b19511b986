import { rightsOf, type CourseView, type Kind } from '@yarin/core';
import { CourseRow } from '../database/entities/course.js';
import { deedsOf } from '../history/deeds.js';
import { lastRemovals } from '../history/removals.js';
import { courseFor } from './rights.js';
import type { Query } from '../database/query.js';
import type { AskedCourse } from '../people/asker.js';
import { noticesOf } from '../history/notices.js';
import { learnerCounts } from './learnerCounts.js';
import { readSnapshot } from './courseStore.js';

/** Kinds whose details the views of a whole course show; those of others come with the item. */
const SHOWN_WHOLE: readonly Kind[] = ['gradeCategory', 'scoreScale', 'file', 'courseSettings'];

/** A course with everything that its page shows, without texts. */
export const courseView: Query<AskedCourse, CourseView> = async ({ manager }, { person, courseId, now }) => {
  const today = now.slice(0, 10);
  const summary = await courseFor(manager, 'read', person, courseId, today);
  const snapshot = (await readSnapshot(manager, summary.id))!;
  const row = await manager.findOneByOrFail(CourseRow, { id: summary.id });
  return {
    summary,
    calendar: snapshot.calendar,
    startsOn: row.startsOn,
    endsOn: row.endsOn,
    openToLearners: row.openToLearners,
    now,
    items: snapshot.items.map(({ details, ...item }) =>
      SHOWN_WHOLE.includes(item.kind) && details !== undefined ? { ...item, details } : item,
    ),
    marks: snapshot.marks,
    notices: await noticesOf(manager, [summary]),
    learners: await learnerCounts(manager, summary.id),
    rights: rightsOf(person, summary, today),
    deeds: await deedsOf(manager, summary.id),
    removed: (await lastRemovals(manager, summary.id)).map(({ key, title, at }) => ({ key, title, at })),
  };
};

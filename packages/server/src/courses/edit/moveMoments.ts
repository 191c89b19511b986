import { ROWS } from '../../database/lists.js';
import {
  pointerPart,
  contentHash,
  momentWords,
  parseDay,
  reversedMoments,
  ROLE_WORDS,
  type Problem,
  type SnapshotItem,
} from '@yarin/core';
import { CourseRow } from '../../database/entities/course.js';
import { conflict, notFound, unusable } from '../../http/httpProblem.js';
import { nativeHash } from '../nativeHash.js';
import type { Command } from '../../database/command.js';
import { readSnapshot } from '../courseStore.js';
import { NEXT_VERSION } from '../things.js';
import { courseChanged, type EditOf } from './editing.js';

export interface MomentMoves extends EditOf {
  /** Of the course, as the person saw it. */
  readonly version: number;
  /** New moment by the key of an old one. */
  readonly moves: Readonly<Record<string, string>>;
  /** A plan moves dates of what it brought; they are no edit of somebody's. */
  readonly isFix?: boolean | undefined;
}

const pointer = (key: string): string => `/moves/${pointerPart(key)}`;

/** What stands in the way: dates on no calendar, moments that are gone, ends before their starts, dues before they open. */
function problemsOf(items: readonly SnapshotItem[], moves: MomentMoves['moves']): Problem[] {
  const known = new Set(items.flatMap(({ moments = [] }) => moments.map(({ id }) => id)));
  const problems: Problem[] = [];
  for (const [key, at] of Object.entries(moves)) {
    if (!known.has(key))
      problems.push({
        code: 'noSuchMoment',
        message: 'One of these dates was taken out meanwhile; load the page again.',
        where: pointer(key),
      });
    else if (Number.isNaN(parseDay(at)))
      problems.push({
        code: 'noSuchDate',
        message: `${at.slice(0, 10)} is not on any calendar; give a date that exists.`,
        where: pointer(key),
      });
  }
  for (const { title, moments = [] } of items) {
    if (moments.every(({ id }) => moves[id] === undefined)) continue;
    // What was reversed before is none of this move's doing.
    const known = new Set(reversedMoments(moments).map(({ index }) => index));
    const moved = moments.map((each) => ({ ...each, at: moves[each.id] ?? each.at }));
    for (const { index, moment, before } of reversedMoments(moved)) {
      if (known.has(index)) continue;
      const key = moves[moment.id] === undefined ? before.id : moment.id;
      problems.push({
        code: 'reversed',
        message: `“${title}”: ${ROLE_WORDS[moment.role]} ${momentWords(moment.at)} would come before ${ROLE_WORDS[before.role]} ${momentWords(before.at)}; move both.`,
        where: pointer(key),
      });
    }
  }
  return problems;
}

/**
 * Moves many dates of a course in one step; returns where they stood, so that they can be put back: written as JSON already,
 * since an object of thousands of names takes the thread that answers long to receive and to write.
 */
export const moveMoments: Command<MomentMoves, string> = async ({ manager }, edit) => {
  const { courseId, version, moves, at, doer, isFix } = edit;
  const row = await manager.findOneBy(CourseRow, { id: courseId });
  if (row === null) throw notFound('This course was removed meanwhile. Nothing was saved.');
  if (row.version !== version)
    throw conflict('Somebody changed this course meanwhile. Nothing was moved; load the page again and look at both.');
  const { items } = (await readSnapshot(manager, courseId))!;
  const problems = problemsOf(items, moves);
  if (problems.length > 0) throw unusable(problems[0]!.message, problems);

  const before: Record<string, string> = {};
  const stood = new Map<string, SnapshotItem>();
  const changed = items.flatMap((item) => {
    const moments = (item.moments ?? []).map((moment) => {
      const to = moves[moment.id];
      if (to === undefined || to === moment.at) return moment;
      before[moment.id] = moment.at;
      return { ...moment, at: to };
    });
    if (moments.every((moment, index) => moment === item.moments![index])) return [];
    stood.set(item.id, item);
    return [{ key: item.id, hash: contentHash({ ...item, moments }, item.bodyHash, nativeHash) }];
  });
  await manager.query(
    `WITH moves AS MATERIALIZED (SELECT key, value FROM ${ROWS})
     UPDATE moment SET at = moves.value FROM moves WHERE moment.course_id = ? AND moment.key = moves.key`,
    [JSON.stringify(moves), courseId],
  );
  await manager.query(
    `WITH changed AS MATERIALIZED (SELECT value->>'key' AS key, value->>'hash' AS hash FROM ${ROWS})
     UPDATE item SET content_hash = changed.hash, edited_at = ?, edited_by = ?, version = ${NEXT_VERSION}
       FROM changed WHERE item.course_id = ? AND item.key = changed.key`,
    [JSON.stringify(changed), at, doer.personId, courseId],
  );
  const count = Object.keys(before).length;
  await courseChanged(manager, edit, {
    what: `moved ${count} ${count === 1 ? 'date' : 'dates'} on ${changed.length} ${changed.length === 1 ? 'thing' : 'things'}`,
    before: stood,
    isFix,
  });
  return JSON.stringify({ before });
};
